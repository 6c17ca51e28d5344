import { expect, test } from '@playwright/test'
import { field, withDemo } from './shelf.ts'

test('a mat whose size is meant washed is worked larger by what its cotton draws in, by keyboard, and stays so', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto('/piece/kettle-trivet/plan')
  const outcome = page.getByText(/Comes out/)
  await expect(outcome).toContainText('21.8 ± 0.4 cm')
  await expect(outcome).not.toContainText('washed')
  await page.getByRole('button', { name: /^Gauge in/ }).press('Enter')
  await expect(page.getByText(/Washed, cotton draws in 3\.9%/)).toContainText('then 20.9 ± 0.5 cm across')
  await page.getByRole('radio', { name: 'Washed and dried' }).press('Space')
  await page.keyboard.press('Escape')
  // 22.0 / (1 − 3.9%) is 22.9.
  await expect(outcome).toContainText('22.9 ± 0.4 cm, flat off the hook, 22.0 cm washed')
  await expect(field(page, 'Target across')).toHaveValue('22.0')
  await page.reload()
  await expect(outcome).toContainText('22.0 cm washed')
  // A new size is again the one it is to have when it is washed, typed in any unit.
  await field(page, 'Target across').fill('9 1/2 in')
  await page.keyboard.press('Enter')
  await expect(field(page, 'Target across')).toHaveValue('24.1')
  await expect(outcome).toContainText(/2[45]\.\d ± 0\.\d cm, flat off the hook, 2[34]\.\d cm washed/)
  // Pulled by its edge, the washed size follows what comes off the hook.
  await page.getByRole('slider', { name: /edge/i }).press('ArrowRight')
  await expect(field(page, 'Target across')).not.toHaveValue('24.1')
})

test('a finished mat is measured again once it is washed: what the wash took is told, and learned', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await withDemo(page)
  await page.goto('/piece/tin-mug-mats/work?copy=2')
  await page.getByRole('combobox', { name: 'It is measured' }).selectOption('washed')
  await expect(field(page, 'Across')).toHaveValue('')
  await field(page, 'Across').fill('10.5')
  await expect(page.getByText(/smaller than before its wash/)).toBeVisible()
  await page.getByRole('button', { name: 'Keep it', exact: true }).click()
  await expect(page.getByText(/has learned from it/).first()).toBeVisible()
  // The reading from off the hook is still there, and the record of what was foretold is of those alone.
  await expect(page.getByText(/Your last three pieces/)).toBeVisible()
  await page.getByRole('combobox', { name: 'It is measured' }).selectOption('worked')
  await expect(page.getByRole('button', { name: 'Keep it anew' })).toBeVisible()
  await page.goto('/gauges/cotton-single')
  await expect(page.getByText('4 measurements and the label.')).toBeVisible()
  await expect(page.getByRole('button', { name: /Tin-mug mats no\. 2.*washed/s })).toBeVisible()
})
