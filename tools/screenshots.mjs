// npm run screenshots: one current picture a view, from the demo workshop, into docs/screenshots.
// A folder and view names may be given: node tools/screenshots.mjs FOLDER plan work-390
import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { chromium } from '@playwright/test'
import { CHROMIUM, root } from './steps.mjs'
import { serveBuilt } from './serveBuilt.mjs'

const [folder = join(root, 'docs', 'screenshots'), ...wanted] = process.argv.slice(2)

const DESK = { width: 1280, height: 800 }
const TABLET = { width: 820, height: 1180 }
const PHONE = { width: 390, height: 844 }

/** A trivet that comes out small and cups. */
const cup = async (page) => {
  await page.getByRole('textbox', { name: 'Across' }).fill('9.8')
  await page.getByRole('textbox', { name: 'A quarter turn on' }).fill('9.9')
  await page.getByRole('radio', { name: 'stands up' }).click()
  await page.getByRole('textbox', { name: 'Stands up by' }).fill('0.6')
  await page.getByRole('textbox', { name: 'Rnd 6, planned 36' }).fill('36')
}

/** Past the band that says where the work was left. */
const here = (page) => page.getByRole('button', { name: 'That is here' }).click()

const VIEWS = [
  { name: 'shelf', path: '/', size: DESK },
  { name: 'new', path: '/new', size: DESK, prepare: (page) => page.getByLabel('How wide?').fill('18') },
  {
    name: 'new-drawn',
    path: '/new?form=drawn',
    size: { width: 1280, height: 960 },
    prepare: (page) => page.getByRole('combobox', { name: 'Gauge' }).selectOption('cotton-single'),
  },
  { name: 'plan', path: '/piece/kettle-trivet/plan', size: DESK },
  { name: 'plan-socks', path: '/piece/bed-socks/plan', size: DESK },
  { name: 'plan-cap', path: '/piece/wardens-cap/plan', size: DESK },
  { name: 'plan-basket', path: '/piece/kindling-basket/plan', size: DESK },
  { name: 'plan-booties', path: '/piece/cradle-booties/plan', size: DESK },
  { name: 'plan-case', path: '/piece/headlamp-case/plan', size: DESK },
  { name: 'text', path: '/piece/wash-house-mat/text', size: DESK },
  {
    name: 'plan-edge',
    path: '/piece/drying-rack-mat/plan',
    size: DESK,
    prepare: async (page) => {
      await page.getByRole('button', { name: /Rounds, openings/ }).click()
      const third = page.getByRole('slider', { name: 'point 3 of 8' })
      await third.scrollIntoViewIfNeeded()
      await third.focus()
    },
  },
  {
    name: 'pieces',
    path: '/project/pot-holder/pieces',
    size: DESK,
    prepare: (page) => page.getByRole('button', { name: /^Ends inside/ }).click(),
  },
  { name: 'work', path: '/piece/kettle-trivet/work', size: DESK, prepare: here },
  { name: 'work-820', path: '/piece/kettle-trivet/work', size: TABLET, prepare: here },
  { name: 'work-390', path: '/piece/kettle-trivet/work', size: PHONE, prepare: here },
  {
    // As it is printed, on A4.
    name: 'sheet',
    path: '/piece/cradle-booties/sheet',
    size: { width: 794, height: 1123 },
    prepare: (page) => page.emulateMedia({ media: 'print' }),
  },
  { name: 'log', path: '/log', size: DESK },
  {
    name: 'gauges',
    path: '/gauges/cotton-single',
    size: DESK,
    prepare: (page) => page.getByRole('button', { name: /Round swatch/ }).click(),
  },
  { name: 'check', path: '/piece/kettle-trivet/check', size: DESK, prepare: cup },
]

mkdirSync(folder, { recursive: true })
const server = await serveBuilt()
const browser = await chromium.launch({ executablePath: CHROMIUM })
try {
  for (const { name, path, size, prepare } of VIEWS) {
    if (wanted.length > 0 && !wanted.includes(name)) continue
    const context = await browser.newContext({
      viewport: size,
      serviceWorkers: 'block',
      reducedMotion: 'reduce',
    })
    const page = await context.newPage()
    await page.goto(server.address)
    await page.getByRole('link', { name: 'Kettle trivet' }).first().waitFor()
    await page.goto(`${server.address}${path}`)
    await page.waitForLoadState('networkidle')
    await page.evaluate(() => document.fonts.ready)
    await prepare?.(page)
    await page.waitForTimeout(500)
    await page.screenshot({ path: join(folder, `${name}.png`) })
    await context.close()
  }
} finally {
  await browser.close()
  await server.stop()
}
