import AxeBuilder from '@axe-core/playwright'
import { expect, test, type Page } from '@playwright/test'
import { openShelf, PLACES, ROOMS } from './shelf.ts'

async function settle(page: Page): Promise<void> {
  await page.waitForLoadState('networkidle')
  await expect(page.getByText('Opening…')).toHaveCount(0)
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

for (const [name, path] of PLACES) {
  test(`${name}: nothing serious for a screen reader, nothing off the page at any size`, async ({ page }) => {
    await openShelf(page)
    for (const size of ROOMS) {
      await page.setViewportSize(size)
      await page.goto(path)
      await settle(page)
      expect(await sticksOut(page), `${size.width} px`).toEqual([])
      expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(size.width)
      const { violations } = await new AxeBuilder({ page }).analyze()
      const serious = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical')
      expect(
        serious.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 120)).join(' | ')}`),
        `${size.width} px`,
      ).toEqual([])
    }
  })

  test(`${name}: at 200% text everything is still on the page`, async ({ page }) => {
    await openShelf(page)
    await page.addInitScript(() => {
      document.addEventListener('DOMContentLoaded', () => (document.documentElement.style.fontSize = '200%'))
    })
    await page.goto(path)
    await settle(page)
    expect(await sticksOut(page)).toEqual([])
    await expect(page.locator('main').first()).toBeVisible()
  })
}

test('the page runs under its Content-Security-Policy without a violation', async ({ page }) => {
  const complaints: string[] = []
  page.on('console', (message) => {
    if (message.type() === 'error') complaints.push(message.text())
  })
  page.on('pageerror', (error) => complaints.push(error.message))
  await openShelf(page)
  for (const [, path] of PLACES) {
    await page.goto(path)
    await settle(page)
  }
  await page.keyboard.press('n')
  await page.goto('/piece/kettle-trivet/work')
  await settle(page)
  await page.getByRole('button', { name: 'Note' }).click()
  await expect(page.getByRole('dialog')).toBeVisible()
  expect(complaints).toEqual([])
})

test('print size and left hand are kept, and turn the drawing round', async ({ page }) => {
  await openShelf(page)
  await page.goto('/settings')
  await page.getByRole('radio', { name: 'Left-handed' }).click()
  await page.getByRole('radio', { name: 'UK' }).click()
  await page.getByRole('radio', { name: 'Inches' }).click()
  await page.goto('/piece/kettle-trivet/plan')
  await expect(page.getByText('6 dc in ring').first()).toBeVisible()
  await expect(page.getByText('Measure after Rnd 12 before you settle the last: 13 ss.')).toBeVisible()
  await expect(page.getByRole('textbox', { name: 'Target across' })).toHaveValue('8 5/8')
  const drawing = (await page.getByRole('group', { name: /Drawing of the piece/ }).boundingBox())!
  const title = (await page.getByRole('heading', { name: 'Kettle trivet' }).boundingBox())!
  expect(title.x).toBeLessThan(drawing.x + drawing.width / 2)
  await page.goto('/settings')
  await page.getByRole('radio', { name: 'Largest' }).click()
  await expect(page.locator('html')).toHaveAttribute('data-print', '150')
})
