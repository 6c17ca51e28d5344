import { chromium } from 'playwright-core'
import { CHROMIUM } from './steps.mjs'
const { serveBuilt } = await import('./serveBuilt.mjs')
const server = await serveBuilt()
const b = await chromium.launch({ executablePath: CHROMIUM, args: ['--no-sandbox'] })
const [,, ...shots] = process.argv
for (const shot of shots) {
  const [name, path, w = 1280, h = 800, script = ''] = shot.split('|')
  const page = await b.newPage({ viewport: { width: +w, height: +h } })
  page.on('pageerror', (e) => console.log('ERR', e.message))
  await page.goto(server.address + '/'); await page.waitForSelector('[aria-label="Which pieces"]')
  await page.goto(server.address + path); await page.waitForTimeout(1500)
  page.setDefaultTimeout(8000); if (script) await (new Function('page', 'return (async()=>{' + script + '})()'))(page)
  await page.waitForTimeout(500)
  await page.screenshot({ path: '/tmp/w/' + name + '.png' })
  await page.close()
}
await b.close(); await server.stop()
