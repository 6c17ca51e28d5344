import AxeBuilder from '@axe-core/playwright'
import { expect, test, type Page } from '@playwright/test'
import { openShelf, withDemo, PLACES, ROOMS } from './shelf.ts'
import { put, stored } from './storage.ts'

// Every place, in every room and print: nothing sideways, nothing over anything, on a phone targets for thumbs.
const PRINTS = [100, 125, 150]
/** Numerals on the tape may be this small, nothing else under 14 (LOOK). */
const SMALLEST = 14
const ON_THE_TAPE = 13

/** Keeps another print size, as the settings would. */
async function keepPrint(page: Page, print: number): Promise<void> {
  const [settings] = await stored<object>(page, 'settings')
  await put(page, 'settings', { ...settings, key: 'workshop', print })
}

async function setPrint(page: Page, print: number): Promise<void> {
  await page.goto('/settings')
  const name = { 100: 'Normal', 125: 'Large', 150: 'Largest' }[print]!
  await page.getByRole('radio', { name, exact: true }).click()
  await expect(page.locator('html')).toHaveAttribute('data-print', String(print))
}

/** Texts of the page that are smaller than they may be, in px as they are painted. */
const tooSmall = (page: Page) =>
  page.evaluate(
    ([smallest, onTheTape]) => {
      const found = new Set<string>()
      const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
      for (let node = walker.nextNode(); node; node = walker.nextNode()) {
        const text = node.textContent!.trim()
        const element = node.parentElement!
        if (!text || element.closest('.visually-hidden, script, style, option, noscript')) continue
        if (!element.checkVisibility()) continue
        // Paper has sizes of its own, and rulers are drawn at true size.
        if (element.closest('[data-true-size]')) continue
        const matrix = element instanceof SVGGraphicsElement ? element.getScreenCTM() : undefined
        const size =
          Number.parseFloat(getComputedStyle(element).fontSize) *
          (matrix ? Math.hypot(matrix.a, matrix.b) : 1)
        const least = element.closest('svg') && /^[\d.]+$/.test(text) ? onTheTape : smallest
        if (size < least - 0.05) found.add(`${size.toFixed(1)} px “${text.slice(0, 30)}”`)
      }
      return [...found]
    },
    [SMALLEST, ON_THE_TAPE] as const,
  )

/** Controls that lie over one another, where neither holds the other. */
const overlaps = (page: Page) =>
  page.evaluate(() => {
    const seen = [...document.querySelectorAll<HTMLElement>('a, button, input, select, textarea')].filter(
      (element) => {
        const { width, height } = element.getBoundingClientRect()
        return (
          width > 1 &&
          height > 1 &&
          element.checkVisibility({ checkVisibilityCSS: true, contentVisibilityAuto: true }) &&
          !element.closest('.visually-hidden, [aria-hidden], .skip') &&
          !element.classList.contains('visually-hidden')
        )
      },
    )
    // What scrolls behind a bar at the foot, or in a panel of its own, is not under it for good.
    const held = (element: HTMLElement) =>
      element.closest('.sticky, .fixed, footer, [data-ledger-scroll], [role=group][tabindex], header')
    const found: string[] = []
    seen.forEach((one, index) => {
      const a = one.getBoundingClientRect()
      for (const other of seen.slice(index + 1)) {
        if (one.contains(other) || other.contains(one) || held(one) !== held(other)) continue
        const b = other.getBoundingClientRect()
        const wide = Math.min(a.right, b.right) - Math.max(a.left, b.left)
        const high = Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top)
        if (wide > 3 && high > 3) {
          const name = (element: HTMLElement) =>
            `${element.tagName} “${(element.getAttribute('aria-label') ?? element.textContent).slice(0, 24)}”`
          found.push(`${name(one)} over ${name(other)}`)
        }
      }
    })
    return found
  })

/** What a thumb has to hit and is smaller than one, px. A link within a sentence is as high as its line. */
const THUMB = 44
const smallTargets = (page: Page) =>
  page.evaluate((thumb) => {
    const found = new Set<string>()
    for (const element of document.querySelectorAll<HTMLElement>(
      'a, button, input, select, textarea, summary, tr[tabindex], [role=radio], [role=slider]',
    )) {
      if (!element.checkVisibility({ checkVisibilityCSS: true }) || element.tabIndex < -1) continue
      if (element.closest('.visually-hidden, [aria-hidden], [inert], .skip')) continue
      const sentence = element.closest('p')
      if (
        sentence &&
        element.matches('a, button') &&
        sentence.textContent.trim() !== element.textContent.trim()
      )
        continue
      // A field is as large as the cell or label that leads to it.
      const target = element.matches('input') ? (element.closest('label, .group') ?? element) : element
      const { width, height } = target.getBoundingClientRect()
      if (width < 2 || height < 2) continue
      if (height < thumb - 0.5 || width < thumb - 0.5) {
        const name = (element.getAttribute('aria-label') ?? element.textContent).trim().slice(0, 30)
        found.add(`${element.tagName} “${name}” is ${width.toFixed(0)} × ${height.toFixed(0)}`)
      }
    }
    return [...found]
  }, THUMB)

/** What a screen reader's user would stumble over. */
async function unreadable(page: Page): Promise<string[]> {
  const { violations } = await new AxeBuilder({ page }).analyze()
  return violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 120)).join(' | ')}`)
}

/** Texts and controls that stick out of the window sideways. */
const sticksOut = (page: Page) =>
  page.evaluate(() => {
    const wide = document.documentElement.clientWidth
    return [...document.querySelectorAll('h1, h2, p, a, button, input, select, td, th, label')]
      .filter((element) => {
        const { left, right, width, height } = element.getBoundingClientRect()
        if (width === 0 || height === 0 || element.closest('[aria-hidden], .visually-hidden, svg'))
          return false
        return left < -1 || right > wide + 1
      })
      .map((element) => `${element.tagName} “${element.textContent.slice(0, 40)}”`)
  })

/** Until what follows the size of the window has followed it: told in one frame, drawn in the next, placed in turns after. */
const drawn = (page: Page) =>
  page.evaluate(async () => {
    for (let frame = 0; frame < 3; frame++) await new Promise((resolve) => requestAnimationFrame(resolve))
    for (let turn = 0; turn < 2; turn++) await new Promise((resolve) => setTimeout(resolve))
  })

/** What is laid out when it is scrolled to is laid out now. */
const layOutAll = (page: Page) =>
  page.evaluate(() => {
    for (const later of document.querySelectorAll<HTMLElement>('[class*="content-visibility"]')) {
      later.style.contentVisibility = 'visible'
    }
  })

async function openPlace(page: Page, path: string): Promise<void> {
  await page.goto(path)
  await expect(page.getByText('Opening…')).toHaveCount(0)
  await expect(page.getByRole('heading', { name: 'This screen could not be shown' })).toHaveCount(0)
}

/** All rooms, the first another one for every print: each is opened in once and come to by turning or resizing. */
const roomsFrom = (first: number) => [...ROOMS.slice(first), ...ROOMS.slice(0, first)]

for (const [name, path] of PLACES) {
  test(`${name}: whole in every room and print, nothing serious for a screen reader`, async ({ page }) => {
    test.slow()
    await withDemo(page)
    const faults: string[] = []
    for (const [index, print] of PRINTS.entries()) {
      await keepPrint(page, print)
      const rooms = roomsFrom(index)
      await page.setViewportSize(rooms[0]!)
      await openPlace(page, path)
      for (const room of rooms) {
        await page.setViewportSize(room)
        await drawn(page)
        await layOutAll(page)
        const at = `${room.width} px at ${print}%`
        // Drawings take their new size when they are told of it.
        const wide = () => page.evaluate(() => document.documentElement.scrollWidth)
        await expect.poll(wide, { message: `${at}: scrolls sideways` }).toBeLessThanOrEqual(room.width)
        for (const fault of await tooSmall(page)) faults.push(`${at}: ${fault}`)
        for (const fault of await overlaps(page)) faults.push(`${at}: ${fault}`)
        if (room.width < 600) {
          for (const fault of await smallTargets(page)) faults.push(`${at}: ${fault}`)
        }
        if (print > 100) continue
        for (const fault of await sticksOut(page)) faults.push(`${at}: sticks out: ${fault}`)
        // A tablet has the contents of the one and the layout of the other.
        if (room.width === 820) continue
        for (const fault of await unreadable(page)) faults.push(`${at}: ${fault}`)
      }
    }
    // A browser set to twice the text: nothing may be lost.
    await keepPrint(page, 100)
    await page.setViewportSize(ROOMS[0]!)
    await page.addInitScript(() => {
      document.addEventListener('DOMContentLoaded', () => (document.documentElement.style.fontSize = '200%'))
    })
    await openPlace(page, path)
    for (const fault of await sticksOut(page)) faults.push(`at 200% text: sticks out: ${fault}`)
    await expect(page.locator('main').first()).toBeVisible()
    expect(faults).toEqual([])
  })
}

test('the work screen is whole at every print, in every room: round, action, row, count and bar', async ({
  page,
}) => {
  test.slow()
  await openShelf(page)
  for (const print of PRINTS) {
    await page.setViewportSize(ROOMS[0]!)
    await setPrint(page, print)
    for (const room of [...ROOMS, { width: 1280, height: 640 }, { width: 360, height: 740 }]) {
      await page.setViewportSize(room)
      await page.goto('/piece/kettle-trivet/work')
      await expect(page.getByTestId('count')).toBeVisible()
      await drawn(page)
      const at = `${room.width} × ${room.height} at ${print}%`
      const bar = (await page.getByRole('contentinfo').boundingBox())!
      expect(bar.y + bar.height, at).toBeLessThanOrEqual(room.height + 1)
      for (const part of [
        page.getByTestId('count'),
        page.getByText(/^of 42$/),
        page.getByText('inc', { exact: true }).first(),
        page.getByText(/^repeat \d of \d$/),
      ]) {
        const box = (await part.boundingBox())!
        expect(box.y, at).toBeGreaterThan(0)
        expect(box.y + box.height, at).toBeLessThanOrEqual(bar.y + 1)
        expect(box.x + box.width, at).toBeLessThanOrEqual(room.width + 1)
      }
      for (const button of ['Undo', 'Note', 'Go to', 'Yarn', 'End of round']) {
        const box = (await page.getByRole('button', { name: button, exact: true }).boundingBox())!
        expect(box.x, `${button}, ${at}`).toBeGreaterThanOrEqual(-1)
        expect(box.x + box.width, `${button}, ${at}`).toBeLessThanOrEqual(room.width + 1)
        expect(box.height, `${button}, ${at}`).toBeGreaterThanOrEqual(44)
      }
    }
  }
})

test('an instruction is never cut, however long, on a phone or a desk', async ({ page }) => {
  await openShelf(page)
  for (const room of ROOMS) {
    await page.setViewportSize(room)
    await page.goto('/piece/kettle-trivet/plan')
    if (room.width < 600) await page.getByRole('radio', { name: 'Rows' }).click()
    const rows = page.getByRole('table', { name: 'Rounds of the piece' }).locator('tbody tr')
    await expect(rows).toHaveCount(13)
    const cut = await rows.evaluateAll((all) =>
      all
        .flatMap((row) => [...row.querySelectorAll('td')])
        .filter(({ scrollWidth, clientWidth }) => scrollWidth > clientWidth + 1)
        .map(({ textContent }) => textContent),
    )
    expect(cut, `${room.width} px`).toEqual([])
    await expect(rows.nth(11)).toContainText('2 sc, inc, (10 sc, inc) × 5, 8 sc')
  }
})

test('Fog and Soot held together, a strand each: chosen, drawn, counted in metres, exported', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto('/piece/kettle-trivet/plan')
  await page.getByRole('button', { name: 'Yarn Fog, Soot' }).click()
  await page.getByRole('combobox', { name: 'Yarn of strand 2' }).first().selectOption({ label: 'Soot' })
  await page.getByRole('button', { name: 'Leave out yarn 2' }).click()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('button', { name: 'Yarn Fog + Soot' })).toBeVisible()
  const metres = async (name: string) => {
    const row = page.getByRole('region', { name: 'Yarn, time and start' })
    const text = await row.innerText()
    return Number(new RegExp(`${name}\\s+([\\d.]+) m`).exec(text)![1])
  }
  // Each takes half of what two strands of one yarn would: the same bundle.
  expect(await metres('Fog')).toBeCloseTo(await metres('Soot'), 1)
  expect(await metres('Fog')).toBeGreaterThan(40)
  await page.reload()
  await expect(page.getByRole('button', { name: 'Yarn Fog + Soot' })).toBeVisible()
  // What goes out comes back: the yarns are in the file, strand by strand.
  const pieces = await stored<{ colours: unknown }>(page, 'pieces')
  expect(pieces.map(({ colours }) => colours)).toContainEqual([
    { fromRound: 1, yarn: 'fog', beside: ['soot'] },
  ])
})
