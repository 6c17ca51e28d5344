import { expect, test } from '@playwright/test'
import { emptyShelf, field, withDemo } from './shelf.ts'

const basket = '/piece/kindling-basket'
const ledger = { name: 'Rounds of the piece' }

test('a zone is named by keyboard, drawn, kept, told at the hook; one that overlaps is refused in its field', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto(`${basket}/plan`)
  await page.getByRole('button', { name: /Rounds, openings/ }).press('Enter')
  await page.getByRole('button', { name: 'Name a zone' }).press('Enter')
  await page.getByLabel('Called').fill('left grip')
  await page.getByRole('textbox', { name: 'left grip: from the start' }).fill('20')
  await page.getByRole('textbox', { name: 'left grip: from the start' }).press('Enter')
  await page.getByRole('textbox', { name: 'left grip: goes over' }).fill('40')
  await page.getByRole('textbox', { name: 'left grip: goes over' }).press('Enter')
  await page.getByRole('button', { name: 'Name a zone' }).press('Enter')
  const second = page.getByRole('group', { name: 'zone 2' })
  await second.getByLabel('Called').fill('left grip')
  await expect(second.getByRole('alert')).toHaveText('Another zone is called so.')
  await second.getByLabel('Called').fill('right grip')
  const from = page.getByRole('textbox', { name: 'right grip: from the start' })
  await from.fill('200')
  await from.press('Enter')
  await from.fill('50')
  await from.press('Enter')
  await expect(
    page.getByText(/“left grip” and “right grip” overlap between 50° and 60°/).first(),
  ).toBeVisible()
  await from.press('Escape')
  await page.getByRole('button', { name: /Rounds, openings/ }).press('Enter')
  await expect(from).toHaveValue('200')
  await page.keyboard.press('Escape')
  const drawing = page.getByRole('group', { name: /Drawing of the piece/ })
  await expect(drawing.getByText(/left grip/)).toBeAttached()
  await page.reload()
  await expect(
    page.getByRole('group', { name: /Drawing of the piece/ }).getByText(/right grip/),
  ).toBeAttached()

  await page.getByRole('button', { name: 'Begin Rnd 1' }).click()
  await expect(page.getByText('over left grip, st 1 of 1')).toBeVisible()
  await page.keyboard.press('Space')
  await expect(page.getByText('between', { exact: true })).toBeVisible()
})

test('a round that begins off its centre: its rounds are promised, its rows told one by one, on a phone as well', async ({
  page,
}) => {
  await emptyShelf(page)
  await page.goto('/new?form=offCentre')
  await page.getByLabel('How wide, with its rows?').fill('22')
  const off = page.getByLabel('How far off its centre does it begin?')
  await off.fill('10')
  await expect(page.locator('#how-wide-answer')).toContainText('the disc inside would be under two rounds')
  await off.fill('2,5')
  await page.getByRole('button', { name: 'Plan it' }).click()
  await expect(field(page, 'Target across')).toHaveValue('22.0')
  await expect(field(page, 'Off its centre')).toHaveValue('2.5')
  await expect(page.getByText(/Its rounds come out/)).toBeVisible()
  await expect(page.getByText(/grow it on one side to about/)).toBeVisible()
  await expect(
    page
      .getByRole('table', ledger)
      .getByText(/sl st, .*leave the last \d+/)
      .first(),
  ).toBeAttached()
  await page.setViewportSize({ width: 390, height: 844 })
  await expect(page.getByText(/Its rounds come out/)).toBeVisible()
  await page.reload()
  await expect(field(page, 'Off its centre')).toHaveValue('2.5')
})
