import { expect, test } from '@playwright/test'
import { countOf, DEMO_PIECES, emptyShelf, field, openShelf, withDemo } from './shelf.ts'
import { stored } from './storage.ts'

test('the first visit says that the hut is a demo; taken away, it comes back whole', async ({ page }) => {
  await openShelf(page)
  const note = page.getByRole('region', { name: 'About the demo' })
  await expect(note).toContainText('What lies here is a demo')
  await note.getByRole('button', { name: 'Start with my own, empty' }).click()
  await expect(page.getByRole('heading', { name: 'My workshop' })).toBeVisible()
  await expect(page.getByText('Nothing is on the shelf yet.')).toBeVisible()
  for (const table of ['gauges', 'yarns', 'events', 'logBlocks'])
    expect(await stored(page, table)).toEqual([])
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('link', { name: 'Kettle trivet', exact: true })).toBeVisible()
  await page.goto('/piece/kettle-trivet/work')
  await expect(countOf(page)).toHaveText('17')
})

test('the demo kept aside is no stranger’s yarn in a new piece, and has a filter of its own', async ({
  page,
}) => {
  await openShelf(page)
  await page.getByRole('button', { name: 'Keep the demo aside' }).click()
  await expect(page.getByText('Nothing is on the shelf yet.')).toBeVisible()
  await page.getByRole('link', { name: 'Plan a round mat' }).click()
  await page.getByLabel('How wide?').fill('20')
  await page.getByRole('button', { name: 'Plan it' }).click()
  await expect(page.getByRole('button', { name: 'Yarn My yarn' })).toBeVisible()
  await page.goto('/')
  await expect(page.getByText('1 piece.')).toBeVisible()
  await page.getByRole('button', { name: `Demo ${DEMO_PIECES}` }).click()
  await expect(page.getByRole('link', { name: 'Kettle trivet', exact: true })).toBeVisible()
  await expect(page.getByRole('link', { name: 'Round mat', exact: true })).toHaveCount(0)
  await page.goto('/settings')
  await expect(page.getByText('kept aside, under “Demo” on the shelf')).toBeVisible()
  await page.getByRole('button', { name: 'Take the demo off the shelf' }).click()
  await expect(page.getByText('is not on the shelf')).toBeVisible()
  await page.getByRole('button', { name: 'Put the demo on the shelf' }).click()
  await expect(page.getByText('kept aside, under “Demo” on the shelf')).toBeVisible()
  // Her own mat was never touched.
  await page.goto('/')
  await expect(page.getByRole('link', { name: 'Round mat', exact: true })).toBeVisible()
})

test('looked around first, the demo stays and asks no more', async ({ page }) => {
  await openShelf(page)
  await page.getByRole('button', { name: 'Look around first' }).click()
  await expect(page.getByRole('region', { name: 'About the demo' })).toHaveCount(0)
  await page.reload()
  await expect(page.getByRole('link', { name: 'Kettle trivet', exact: true })).toBeVisible()
  await expect(page.getByRole('region', { name: 'About the demo' })).toHaveCount(0)
})

test('the shelf: stages count, a search that finds nothing says so, an empty one shows the way', async ({
  page,
}) => {
  await openShelf(page)
  for (const [name, count] of [
    ['All', DEMO_PIECES],
    ['Under way', 3],
    ['Planned', DEMO_PIECES - 3],
    ['Finished', 0],
  ] as const) {
    await expect(page.getByRole('button', { name: `${name} ${count}`, exact: true })).toBeVisible()
  }
  await page.getByRole('button', { name: 'Finished 0' }).click()
  await expect(page.getByText('Nothing here is called that.')).toBeVisible()
  await page.getByRole('button', { name: 'Show all' }).click()
  await page.getByRole('searchbox', { name: 'Find a piece or yarn' }).fill('carpet')
  await expect(page.getByText('Nothing here is called that.')).toBeVisible()
  await page.getByRole('button', { name: 'Show all' }).click()
  await expect(page.getByRole('link', { name: 'Tin-mug mats', exact: true })).toBeVisible()
  await emptyShelf(page)
  await expect(page.getByText('Nothing is on the shelf yet.')).toBeVisible()
  await expect(page.getByRole('link', { name: 'Plan a round mat' })).toBeVisible()
})

test('every page has a title, one heading that names it, and its content in landmarks', async ({ page }) => {
  await openShelf(page)
  for (const [path, title, heading] of [
    ['/', 'Shelf · Skarn Hut · Uzel', 'Skarn Hut'],
    ['/new', 'New round mat · Uzel', 'A round mat'],
    ['/new?form=tube', 'New tube · Uzel', 'A tube'],
    ['/project/lamp-glass-sleeve/piece/sleeve/plan', 'Plan · Lamp-glass sleeve · Uzel', 'Lamp-glass sleeve'],
    ['/piece/kettle-trivet/plan', 'Plan · Kettle trivet · Uzel', 'Kettle trivet'],
    ['/piece/kettle-trivet/work', 'Rnd 7 · Kettle trivet · Uzel', 'Rnd 7 of 13, Kettle trivet'],
    ['/piece/tin-mug-mats/work', 'Rnd 5 · Tin-mug mats no. 4 · Uzel', 'Rnd 5 of 8, Tin-mug mats'],
    ['/piece/tin-mug-mats/work?copy=2', 'Made · Tin-mug mats no. 2 · Uzel', 'Rnd 8 of 8, Tin-mug mats'],
    ['/piece/kettle-trivet/check', 'Check · Kettle trivet · Uzel', 'Measure after Rnd 6'],
    ['/piece/kettle-trivet/sheet', 'Sheet · Kettle trivet · Uzel', 'Kettle trivet'],
    ['/gauges/cotton-single', /^.+ · Gauge book · Uzel$/, /./],
    ['/yarns', 'Yarns · Uzel', /./],
    ['/measure', 'Ruler · Uzel', /./],
    ['/sheet', 'Measuring sheet · Uzel', /./],
    ['/settings', 'Settings · Uzel', 'Settings'],
  ] as const) {
    await page.goto(path)
    await expect(page, path).toHaveTitle(title)
    await expect(page.getByRole('heading', { level: 1 }), path).toHaveCount(1)
    await expect(page.getByRole('heading', { level: 1 }), path).toHaveText(heading)
    const outside = await page.evaluate(() => {
      const marks = 'header, main, footer, nav, aside, section[aria-label], [role=region], [role=dialog]'
      const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
      const found: string[] = []
      for (let node = walker.nextNode(); node; node = walker.nextNode()) {
        const parent = node.parentElement!
        if (!node.textContent!.trim() || parent.closest(`script, style, noscript, ${marks}`)) continue
        if (parent.checkVisibility()) found.push(node.textContent!.trim().slice(0, 40))
      }
      return found
    })
    expect(outside, path).toEqual([])
  }
})

test('from the top of the page to the first stitch: the skip link, then Space', async ({ page }) => {
  await withDemo(page)
  await page.goto('/piece/kettle-trivet/work')
  await expect(countOf(page)).toHaveText('17')
  await page.keyboard.press('Tab')
  await expect(page.getByRole('button', { name: 'To the content' })).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(page.locator('main')).toBeFocused()
  await page.keyboard.press('Space')
  await expect(countOf(page)).toHaveText('18')
})

test('the gauge book, opened from a piece, leads back to it', async ({ page }) => {
  await withDemo(page)
  await page.goto('/piece/kettle-trivet/plan')
  await page.getByRole('button', { name: /^Gauge in 10 cm/ }).click()
  await page.getByRole('link', { name: 'Measure in the gauge book' }).click()
  await expect(page.getByRole('link', { name: 'Gauge book', exact: true })).toBeVisible()
  await page.getByRole('link', { name: 'Back to Kettle trivet' }).click()
  await expect(page).toHaveURL(/piece\/trivet\/plan/)
  await page.goto('/gauges/cotton-single')
  await expect(page.getByRole('link', { name: /^Back to/ })).toHaveCount(0)
})

test('beginning is the work’s, starting the ring’s; copies are said; sizes stand the same way', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto('/new')
  await page.getByLabel('How wide?').fill('20')
  await page.getByRole('button', { name: 'Plan it' }).click()
  await expect(page.getByRole('button', { name: 'Begin Rnd 1' })).toBeVisible()
  await expect(page.getByRole('button', { name: /^Start / })).toHaveCount(1)
  await page.getByRole('link', { name: 'Work', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Round mat is not begun' })).toBeVisible()
  await page.goto('/piece/tin-mug-mats/plan')
  await expect(field(page, 'Make')).toHaveValue('8')
  await expect(page.getByText('copies', { exact: true })).toBeVisible()
  await expect(page.getByText('± 0.5 cm').first()).toBeVisible()
  await expect(page.getByText(/Comes out 1\d\.\d ± 0\.\d cm/)).toBeVisible()
  await page.goto('/piece/kettle-trivet/work')
  // Where work was left takes none of what lies ahead away.
  await expect(page.getByRole('region', { name: 'Where you left off' })).toBeVisible()
  await expect(page.getByText('21.1 ± 0.4 cm')).toBeVisible()
  await expect(page.getByText(/^Round ends with/)).toBeVisible()
})

test('rhythm offers what differs: positions with one outcome are one', async ({ page }) => {
  await withDemo(page)
  await page.goto('/piece/kettle-trivet/plan')
  const scale = page.getByRole('radiogroup', { name: 'Precision or rhythm' })
  await expect(page.getByText(/Wherever it stands: 1 repeat\./)).toBeVisible()
  await expect(scale.getByRole('radio')).toHaveCount(1)
  // Six and a half more a round: here precision and rhythm part.
  await page.goto('/new')
  await page.getByLabel('How wide?').fill('40')
  await page.getByRole('button', { name: 'Plan it' }).click()
  await page.getByRole('button', { name: /^Gauge in 10 cm/ }).click()
  await page.getByRole('radio', { name: 'Counted on rounds' }).click()
  await field(page, 'sc sts').fill('14')
  await field(page, 'rounds').fill('13,5')
  await page.keyboard.press('Escape')
  await page.keyboard.press('Escape')
  // Until the plans are there, every position stands by itself and says nothing of what it buys.
  const outcomes = () =>
    scale
      .getByRole('radio')
      .evaluateAll((radios) =>
        radios.map((radio) => radio.getAttribute('aria-label')!.replace(/^\d+% rhythm:?/, '')),
      )
  await expect.poll(async () => new Set(await outcomes()).size).toBeGreaterThan(1)
  const said = await outcomes()
  expect(new Set(said).size).toBe(said.length)
  for (const radio of await scale.getByRole('radio').all()) {
    await radio.click()
    await expect(radio).toBeChecked()
  }
  await expect.poll(outcomes).toEqual(said)
})

test('long names wrap on the shelf, the plan and at the hook, and are refused past a hundred letters', async ({
  page,
}) => {
  await openShelf(page)
  const name = `Sitting mat for the long bench by the stove ${'x'.repeat(56)}`
  expect(name).toHaveLength(100)
  await page.getByRole('button', { name: 'More for Kettle trivet' }).click()
  await page.getByRole('menuitem', { name: 'Rename' }).click()
  await page.getByLabel('Name of the piece').fill('')
  await expect(page.getByRole('alert')).toHaveText(
    'It needs a name; the old one stays until there is another.',
  )
  await page.getByLabel('Name of the piece').fill('y'.repeat(10_000))
  await expect(page.getByRole('alert')).toHaveText('That is 10,000 letters. A name has up to 100.')
  await page.getByLabel('Name of the piece').fill(name)
  await page.getByRole('button', { name: 'Rename' }).click()
  for (const width of [1280, 390]) {
    await page.setViewportSize({ width, height: 844 })
    for (const path of [
      '/',
      '/piece/kettle-trivet/plan',
      '/piece/kettle-trivet/work',
      '/piece/kettle-trivet/sheet',
    ]) {
      await page.goto(path)
      await expect(page.getByText('Opening…')).toHaveCount(0)
      await page.waitForTimeout(200)
      expect(
        await page.evaluate(() => document.documentElement.scrollWidth),
        `${path} ${width}`,
      ).toBeLessThanOrEqual(width)
    }
  }
})

test('on a phone it is seen that a tap anywhere counts', async ({ page }) => {
  await openShelf(page)
  for (const room of [
    { width: 390, height: 844 },
    { width: 820, height: 1180 },
  ]) {
    await page.setViewportSize(room)
    await page.goto('/piece/kettle-trivet/work')
    await expect(page.getByText('Tap anywhere for a stitch')).toBeInViewport({ ratio: 1 })
  }
})

test('settings: every choice is kept, and says itself on the screens', async ({ page }) => {
  await withDemo(page)
  await page.goto('/settings')
  await field(page, 'Your pace, until the log knows better').fill('0')
  await expect(page.getByRole('alert')).toContainText('a number from 1 to 120')
  await field(page, 'Your pace, until the log knows better').fill('15')
  await page.getByLabel('Workshop').fill('Hut above the pass')
  for (const name of ['Inches', '4 in', 'Yards', 'Ounces', 'UK', 'Left-handed', 'Large']) {
    await page.getByRole('radio', { name, exact: true }).click()
    await expect(page.getByRole('radio', { name, exact: true })).toBeChecked()
  }
  await page.reload()
  for (const name of ['Inches', '4 in', 'Yards', 'Ounces', 'UK', 'Left-handed', 'Large']) {
    await expect(page.getByRole('radio', { name, exact: true })).toBeChecked()
  }
  await page.goto('/')
  await expect(page.getByRole('heading', { name: 'Hut above the pass' })).toBeVisible()
  await page.goto('/yarns')
  await expect(page.getByText(/\d yd at hand|\d yd/).first()).toBeVisible()
  await page.goto('/piece/kettle-trivet/plan')
  await expect(page.getByText('Gauge in 4 in')).toBeVisible()
  await expect(field(page, 'Target across')).toHaveValue('8 5/8')
})
