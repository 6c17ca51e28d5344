import { expect, test, type Page } from '@playwright/test'
import { openShelf, withDemo, PLACES } from './shelf.ts'

async function settle(page: Page): Promise<void> {
  await page.waitForLoadState('networkidle')
  await expect(page.getByText('Opening…')).toHaveCount(0)
  await expect(page.getByRole('heading', { name: 'This screen could not be shown' })).toHaveCount(0)
}

test('the page runs under its Content-Security-Policy without a violation', async ({ page }) => {
  test.slow()
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

test('every address comes with what its screen is made of', async ({ page }) => {
  test.slow()
  await withDemo(page)
  for (const [name, path] of PLACES) {
    await page.goto(path)
    await settle(page)
    const loaded = await page.evaluate(() =>
      performance.getEntriesByType('resource').map(({ name }) => new URL(name).pathname),
    )
    const screens = loaded.filter((file) => /\/\w+Screen-[^/]+\.js$/.test(file))
    expect(screens.length > 0, name).toBe(name !== 'shelf')
    // Words in English need none of the letters that only the whole fonts have.
    for (const file of loaded.filter((file) => file.endsWith('.woff2'))) {
      expect(file, name).toMatch(/\/(?:text|slab-\d00)-[^/]+\.woff2$/)
    }
    const opening = await (await page.request.get(path)).text()
    for (const file of screens)
      expect(opening, name).toContain(`rel="modulepreload" fetchpriority="low" crossorigin href="${file}"`)
  }
})

test('print size and left hand are kept, and turn the drawing round', async ({ page }) => {
  await withDemo(page)
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
