import { readFile } from 'node:fs/promises'
import { expect, test, type Page } from '@playwright/test'
import { openShelf } from './shelf.ts'

const left = (page: Page) => page.getByRole('region', { name: 'Where you left off' })
const tapArea = (page: Page) => page.getByTestId('tap-area')

test('after a pause it says where the hook is and what is under it, until the first stitch', async ({
  page,
}) => {
  await openShelf(page)
  await page.goto('/piece/kettle-trivet/work')
  await expect(left(page)).toContainText('Rnd 7, 17 of 42.')
  // 5 sc and an increase make 7: after 17 there are two repeats and three sc.
  await expect(left(page)).toContainText('The last thing made is a plain sc; ')
  await tapArea(page).click()
  await expect(left(page)).toBeHidden()
  await expect(page.getByText('18', { exact: true }).first()).toBeVisible()
  await page.reload()
  // A moment later nobody needs to be told.
  await expect(tapArea(page)).toBeVisible()
  await expect(left(page)).toBeHidden()
})

test('the place is found by what is to be seen, by keyboard alone, and taken back by one press', async ({
  page,
}) => {
  await openShelf(page)
  await page.goto('/piece/kettle-trivet/work')
  await expect(left(page)).toBeVisible()
  await page.keyboard.press('f')
  const dialog = page.getByRole('dialog', { name: 'Find your place' })
  await expect(dialog).toBeVisible()
  await expect(dialog.getByRole('status')).toContainText('.')
  await dialog.getByLabel('Whole rounds').fill('7')
  await dialog.getByLabel('Made in this round').fill('16')
  // One look would tell it from what a slip of one makes likely.
  await expect(dialog.getByRole('status')).toContainText('5 is Rnd 8, 16 of 48')
  await dialog.getByLabel('Since the last inc or dec').fill('5')
  await expect(dialog.getByRole('status')).toContainText('That is Rnd 8, 16 of 48.')
  // An emptied field is one that was not looked at; a word is no count, and nothing is lost by it.
  await dialog.getByLabel('Made in this round').fill('')
  await dialog.getByLabel('Since the last inc or dec').fill('')
  await expect(dialog.getByRole('status')).not.toContainText('That is Rnd 8, 16 of 48.')
  await dialog.getByLabel('Made in this round').fill('16,5')
  await expect(dialog.getByRole('alert')).toBeVisible()
  await dialog.getByLabel('Made in this round').fill('16')
  await dialog.getByLabel('Since the last inc or dec').fill('5')
  await dialog.getByRole('button', { name: /^Rnd 8, 16 of 48/ }).focus()
  await page.keyboard.press('Enter')
  await expect(dialog).toBeHidden()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Rnd 8 of 13')
  await page.keyboard.press('Backspace')
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Rnd 7 of 13')
})

test('the log tells sittings, what comes next and what was taken out; it is kept as a table', async ({
  page,
}) => {
  await openShelf(page)
  await page.getByRole('link', { name: 'Log' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Log')
  const sittings = page.getByRole('group', { name: 'Sittings' }).getByRole('row')
  await expect(sittings).toHaveCount(9)
  await expect(sittings.nth(1)).toContainText('Tin-mug mats no. 4')
  // Three mats of 216 stitches each, in 11 to 12 minutes.
  await expect(page.getByRole('heading', { name: /The next one takes 11 min ± \d+ min\./ })).toBeVisible()
  await expect(page.getByRole('list', { name: 'Copies' }).getByRole('listitem')).toHaveCount(4)
  await page.getByLabel('Of which piece').selectOption('Kettle trivet')
  await expect(page.getByText('30 sts, from Rnd 6 back to Rnd 5.')).toBeVisible()
  await expect(page.getByText('Worked into the join twice: two stitches over.')).toBeVisible()
  const kept = page.waitForEvent('download')
  await page.getByRole('button', { name: 'As a table' }).click()
  const lines = (await readFile((await (await kept).path())!, 'utf8')).split('\n')
  expect(lines[0]).toBe(
    'date,from,to,project,piece,copy,first round,last round,stitches made,stitches taken out,minutes at work',
  )
  expect(lines).toHaveLength(9)
  expect(lines[1]).toMatch(/^2026-11-09,.*,Kettle trivet,Mat,1,1,3,36,0,/)
  // A stitch more is a sitting more: it is days later.
  await page.getByRole('link', { name: 'Kettle trivet' }).first().click()
  await tapArea(page).click()
  await page.getByRole('link', { name: 'Log' }).click()
  await expect(sittings).toHaveCount(10)
  await expect(sittings.nth(1)).toContainText('Kettle trivet')
})

test('a workshop in which nothing was worked has a log that says so', async ({ page }) => {
  await openShelf(page)
  await page.goto('/settings')
  await page.getByRole('button', { name: 'Keep the demo aside' }).click()
  await page.goto('/log')
  await expect(page.getByText('Nothing was worked yet.')).toBeVisible()
})
