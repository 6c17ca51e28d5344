import { expect, test } from '@playwright/test'
import { emptyShelf, field, withDemo, workTo } from './shelf.ts'

test('a new maker plans a cone by keyboard alone; opened, it begins on a chain, and its end is joined flat', async ({
  page,
}) => {
  await emptyShelf(page)
  await page.getByRole('link', { name: 'Plan a cone or funnel' }).press('Enter')
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('A cone or funnel')
  const wide = page.getByLabel('How wide at its end?')
  await wide.focus()
  await page.keyboard.type('0')
  await page.keyboard.press('Tab')
  await page.keyboard.type('18')
  await expect(page.getByText(/At least|From/).first()).toBeVisible()
  await wide.focus()
  await wide.fill('')
  await page.keyboard.type('5 1/2 in')
  // An angle in place of its length, and the other way round: either takes the other's place.
  const [along, opens] = [page.getByLabel('How long, along its side?'), page.getByLabel('Or opens by, °')]
  await opens.fill('200')
  await expect(along).toHaveValue('')
  await expect(page.locator('#how-wide-answer')).toContainText(/angle in degrees.*from 5 to/)
  await opens.fill('60')
  await expect(page.locator('#how-wide-answer')).toContainText(/\d+ rounds/)
  await along.fill('18')
  await expect(opens).toHaveValue('')
  await page.getByRole('button', { name: 'Plan it' }).press('Enter')
  await expect(page).toHaveURL(/plan$/)
  await expect(field(page, 'Across its end')).toHaveValue('14.0')
  const rounds = page.getByRole('table', { name: 'Rounds of the piece' })
  await expect(rounds).toContainText('sc in ring')
  await expect(field(page, 'Across its start')).toHaveCount(0)
  // By its angle: 60 degrees is about as long along its side as wide at its end.
  await field(page, 'Opens by').fill('300')
  await expect(page.getByRole('alert').filter({ hasText: /angle in degrees.*from 5 to/ })).toBeVisible()
  await field(page, 'Opens by').press('Escape')
  await field(page, 'Opens by').fill('60')
  await page.keyboard.press('Tab')
  await expect(field(page, 'Along its side')).toHaveValue(/^13\.\d$/)
  await field(page, 'Along its side').fill('18')
  await page.keyboard.press('Tab')
  await expect(field(page, 'Opens by')).toHaveValue(/^4[0-9]$/)

  await page.getByRole('button', { name: /^Begins/ }).press('Enter')
  await page.getByRole('radio', { name: 'Open' }).press('Space')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('button', { name: /^Start/ })).toContainText('joined')
  await expect(field(page, 'Across its start')).toHaveValue('4.0')
  await expect(rounds).toContainText('sc in each ch')
  await page.getByRole('button', { name: /^Its end/ }).press('Enter')
  await page.getByRole('radio', { name: 'Joined flat' }).press('Space')
  await page.keyboard.press('Escape')
  await expect(page.getByText(/join both edges with slip stitches, \d+ pairs/)).toBeVisible()
  await page.reload()
  await expect(page.getByRole('button', { name: /^Its end/ })).toContainText('Joined flat')
  // Back in a point, it begins in a ring again.
  await page.getByRole('button', { name: /^Begins/ }).click()
  await page.getByRole('radio', { name: 'In a point' }).click()
  await page.keyboard.press('Escape')
  await expect(rounds).toContainText('sc in ring')
})

test('a sleeve whose end is gathered says what hole stays, and the last round says how, on a phone', async ({
  page,
}) => {
  await withDemo(page)
  const sleeve = '/project/lamp-glass-sleeve/piece/sleeve'
  await page.goto(`${sleeve}/plan`)
  await page.getByRole('button', { name: /^Its end/ }).click()
  await page.getByRole('radio', { name: 'Gathered' }).click()
  await page.keyboard.press('Escape')
  await expect(page.getByText(/a hole of about \d\.\d cm stays, too wide/)).toBeVisible()
  await workTo(page, `${sleeve}/plan`, 24)
  await page.setViewportSize({ width: 390, height: 844 })
  await page.getByRole('button', { name: /: on to Rnd 25$/ }).press('Enter')
  await expect(page.getByText(/^After this round: run the thread through every second stitch/)).toBeVisible()
  const overflow = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)
  expect(overflow).toBeLessThanOrEqual(0)
})

test('a mat is edged with shells: its last round divides by six, and they are counted at the hook', async ({
  page,
}) => {
  await withDemo(page)
  const mat = '/project/tin-mug-mats/piece/mats'
  await page.goto(`${mat}/plan`)
  const rounds = page.getByRole('table', { name: 'Rounds of the piece' })
  await page.getByRole('button', { name: /^Rounds, openings/ }).click()
  await page.getByRole('radio', { name: 'Shells' }).click()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('button', { name: /^Rounds, openings/ })).toContainText('shells')
  await expect(rounds).toContainText('(sl st, skip 2, 5 dc in one st, skip 2) × 8')
  await page.reload()
  await expect(rounds).toContainText('5 dc in one st')
  await page.getByRole('button', { name: /^Rounds, openings/ }).click()
  await page.getByRole('radio', { name: 'None', exact: true }).click()
  await page.keyboard.press('Escape')
  await expect(rounds).not.toContainText('5 dc in one st')
})
