import { expect, test } from '@playwright/test'
import { pagesOf, shapesOf } from './printedPage.ts'
import { withDemo } from './shelf.ts'

test('a mat’s outline is printed at its true size over as many sheets as it needs, points and all', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto('/piece/drying-rack-mat/sheet')
  await page.getByRole('link', { name: 'Its outline at true size, to block it on' }).press('Enter')
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Block it: Drying-rack mat')
  await expect(page.getByText(/Cotton and linen: wet it/)).toBeVisible()
  // 23.4 cm and eight points of 3.5 cm: two sheets wide, two high.
  await expect(page.getByRole('img', { name: /^Sheet \d of 2 in row \d of 2$/ })).toHaveCount(4)
  const pdf = await page.pdf({
    format: 'A4',
    margin: { top: '10mm', left: '10mm', right: '10mm', bottom: '10mm' },
  })
  expect(await pagesOf(pdf)).toBe(4)
  const shapes = await shapesOf(pdf, 0)
  // The ruler is 10 cm, and the mat as wide as it was promised.
  expect(shapes.some(({ width }) => Math.abs(width - 100) < 0.2)).toBe(true)
  expect(
    shapes.some(({ width, height }) => Math.abs(width - 234) < 0.6 && Math.abs(height - 234) < 0.6),
  ).toBe(true)
})
