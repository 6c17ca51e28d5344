import { chromium } from '@playwright/test'
import { serveBuilt } from './serveBuilt.mjs'
const exe = '/usr/bin/chromium-headless-shell'
const built = await serveBuilt()
const browser = await chromium.launch({ executablePath: exe })
const errors = []
for (const arg of process.argv.slice(2)) {
  const [name, path, w, h, script] = arg.split('|')
  const page = await browser.newPage({ viewport: { width: +w, height: +h } })
  page.on('console', (m) => m.type() === 'error' && errors.push(m.text()))
  page.on('pageerror', (e) => errors.push(String(e)))
  await page.goto(`${built.address}/`)
  await page.waitForTimeout(1200)
  await page.goto(`${built.address}${path}`)
  await page.waitForTimeout(1200)
  if (script) { await new Function('page', `return (async()=>{${script}})()`)(page) }
  await page.waitForTimeout(500)
  await page.screenshot({ path: `/tmp/w/${name}.png` })
  await page.close()
}
console.log(errors.join('\n'))
await browser.close()
await built.stop?.()
process.exit(0)
