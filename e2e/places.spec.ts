import { expect, test } from '@playwright/test'
import { countOf, field, withDemo } from './shelf.ts'

const cap = '/piece/wardens-cap'

test('a mirrored pair of marks by keyboard: by round and stitch, by centimetres and angle, drawn, told, on paper', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto(`${cap}/plan`)
  await page.getByRole('button', { name: /Rounds, openings/ }).press('Enter')
  await page.getByRole('button', { name: 'Name a place' }).press('Enter')
  await page.getByLabel('What goes there').fill('ear tie')
  await field(page, 'ear tie: round').fill('18')
  await field(page, 'ear tie: round').press('Enter')
  await field(page, 'ear tie: stitch').fill('19')
  await field(page, 'ear tie: stitch').press('Enter')
  // By hand: the middle of st 19 of 72 is 18.5 / 72 of the way around.
  await expect(page.getByText('of 72').first()).toBeVisible()
  await expect(field(page, 'ear tie: from the start')).toHaveValue(/^9[23]$/)
  await page.getByRole('checkbox', { name: /And a second one, mirrored/ }).check()
  await expect(page.getByText('Rnd 18, st 19 and st 54')).toBeVisible()
  await field(page, 'ear tie: round').fill('300')
  await expect(page.getByText(/300 will not do. A round of the piece/)).toBeVisible()
  await field(page, 'ear tie: round').fill('18')
  await field(page, 'ear tie: stitch').fill('')
  await expect(page.getByText(/Nothing is typed. A stitch of that round/)).toBeVisible()
  await field(page, 'ear tie: stitch').fill('19')
  await page.getByRole('button', { name: 'Name a place' }).press('Enter')
  const second = page.getByRole('group', { name: 'place 2' })
  await second.getByLabel('What goes there').fill('ear tie')
  await expect(second.getByRole('alert')).toHaveText('Another place is called so.')
  await page.getByRole('button', { name: 'Take place 2 out' }).press('Enter')
  await page.keyboard.press('Escape')
  await expect(
    page.getByRole('group', { name: /Drawing of the piece/ }).getByText(/ear tie/),
  ).not.toHaveCount(0)
  await page.goto(`${cap}/sheet`)
  await expect(page.getByRole('list', { name: 'Places' })).toContainText(
    'Rnd 18, st 54: place the mark “ear tie, 2 of 2”',
  )
})

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 } })

  test('the stitch of a place is told before it, and at it', async ({ page }) => {
    await withDemo(page)
    await page.goto(`${cap}/plan`)
    await page.getByRole('button', { name: /Rounds, openings/ }).click()
    await page.getByRole('button', { name: 'Name a place' }).click()
    await page.getByLabel('What goes there').fill('tie')
    await field(page, 'tie: round').fill('2')
    await field(page, 'tie: round').press('Enter')
    await field(page, 'tie: stitch').fill('3')
    await field(page, 'tie: stitch').press('Enter')
    await page.keyboard.press('Escape')
    await page.getByRole('button', { name: /Begin/ }).click()
    await page.getByRole('button', { name: 'Go to' }).click()
    await page.getByRole('dialog').getByRole('textbox').first().fill('2')
    await page.getByRole('dialog').getByRole('button', { name: /Go/ }).click()
    await expect(page.getByText('After st 3: place the mark “tie”.')).toBeVisible()
    await page.getByTestId('tap-area').click()
    await expect(countOf(page)).toHaveText('2')
    await page.getByTestId('tap-area').click()
    await expect(countOf(page)).toHaveText('4')
    await expect(page.getByText('At this stitch: place the mark “tie”.')).toBeVisible()
    await page.getByTestId('tap-area').click()
    await expect(page.getByText(/place the mark “tie”/)).toHaveCount(0)
  })
})
