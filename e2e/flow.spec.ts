import { expect, test } from '@playwright/test'
import { countOf, emptyShelf, field, openShelf, withDemo } from './shelf.ts'

test('a new maker plans a mat from their own gauge, works it, and finds everything where it was', async ({
  page,
}) => {
  await emptyShelf(page)
  await page.getByRole('link', { name: 'Plan a round mat' }).click()
  await page.getByLabel('How wide?').fill('18,5 cm')
  await expect(page.getByText(/\d+ rounds, \d+ stitches in Medium yarn/)).toBeVisible()
  await page.getByLabel('What is it for?').fill('Pot mat <b>bold</b>')
  await page.getByRole('button', { name: 'Plan it' }).click()
  await expect(page.getByRole('heading', { name: 'Pot mat <b>bold</b>' })).toBeVisible()
  // Nothing measured yet: a range, never a size.
  await expect(page.getByText(/Comes out \d+\.\d to \d+\.\d cm/)).toBeVisible()

  await page.getByRole('button', { name: /^Gauge in 10 cm/ }).click()
  await page.getByRole('radio', { name: 'Counted on rounds' }).click()
  await page.getByRole('textbox', { name: 'sc sts' }).fill('12,5')
  await page.getByRole('textbox', { name: 'rounds' }).fill('13')
  await page.getByRole('textbox', { name: 'sc sts' }).focus()
  await page.keyboard.press('Escape')
  await page.keyboard.press('Escape')
  await expect(page.getByText(/Comes out 18\.\d ± 0\.\d cm, flat/)).toBeVisible()

  // The first rows of the ledger, in crochet words; the counts add up to what is said.
  const rows = page.getByRole('table', { name: 'Rounds of the piece' }).locator('tbody tr')
  await expect(rows.nth(0)).toContainText('6 sc in ring')
  await expect(rows.nth(1)).toContainText('inc × 6')
  const counts = await rows.locator('td:nth-of-type(3)').allInnerTexts()
  const said = await page.getByText(/rounds, \d+ stitches\. Comes out/).innerText()
  const total = counts.reduce((sum, count) => sum + Number(count), 0)
  expect(said).toContain(`${counts.length} rounds, ${total} stitches`)

  await page.getByRole('button', { name: 'Begin Rnd 1' }).click()
  await expect(page.getByText('Begin: magic ring, ch 1.')).toBeVisible()
  for (let stitch = 0; stitch < 6; stitch++) await page.keyboard.press('Space')
  await expect(page.getByText('Rnd 1 is done. Count it.')).toBeVisible()
  // A hurried tap right after the last stitch does not start the next round.
  await page.waitForTimeout(500)
  await page.getByRole('button', { name: '6: on to Rnd 2' }).click()
  await page.getByTestId('tap-area').click()
  await page.getByTestId('tap-area').click()
  await expect(countOf(page)).toHaveText('4')

  // Closing the laptop: another page of the same browser finds the same stitch.
  await page.close()
  const again = await page.context().newPage()
  await again.goto('/')
  await again.getByRole('link', { name: 'Work on Pot mat <b>bold</b>' }).click()
  await expect(countOf(again)).toHaveText('4')
})

test('by keyboard alone: from the shelf to a counted round and back', async ({ page }) => {
  await openShelf(page)
  await page.getByRole('link', { name: 'Kettle trivet', exact: true }).focus()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Kettle trivet' })).toBeVisible()

  const edge = page.getByRole('slider', { name: 'Outer edge: target across' })
  await edge.focus()
  await page.keyboard.press('ArrowUp')
  await expect(page.getByRole('textbox', { name: 'Target across' })).toHaveValue('23.8')
  await page.keyboard.press('ArrowDown')
  await expect(page.getByRole('textbox', { name: 'Target across' })).toHaveValue('22.0')

  await page.getByRole('textbox', { name: 'Target across' }).focus()
  await page.keyboard.press('+')
  await expect(page.getByRole('textbox', { name: 'Target across' })).toHaveValue('22.5')
  await page.keyboard.press('-')

  await page.getByRole('link', { name: 'Go on' }).focus()
  await page.keyboard.press('Enter')
  await expect(countOf(page)).toHaveText('17')
  await page.keyboard.press('ArrowRight')
  await expect(countOf(page)).toHaveText('18')
  await page.keyboard.press('Enter')
  await expect(countOf(page)).toHaveText('20')
  await page.keyboard.press('Shift+ArrowRight')
  await expect(countOf(page)).toHaveText('27')
  await page.keyboard.press('Backspace')
  await page.keyboard.press('ArrowLeft')
  await expect(countOf(page)).toHaveText('18')
  await page.keyboard.press('Shift+Enter')
  await expect(page.getByText('Rnd 7 is done. Count it.')).toBeVisible()
  await expect(page.getByText(/^Round ends with/)).toBeVisible()
  await page.waitForTimeout(500)
  await page.keyboard.press('Enter')
  await expect(page.getByText('repeat 1 of 5')).toBeHidden()
  await expect(countOf(page)).toHaveText('0')
  await page.keyboard.press('g')
  await page.getByRole('textbox', { name: 'Round, of' }).fill('3')
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'Go there' }).click()
  await expect(page.getByText('repeat 1 of 6')).toBeVisible()
  await page.keyboard.press('p')
  await expect(page.getByRole('slider', { name: 'Outer edge: target across' })).toBeVisible()
})

test('odd input gets a sentence, and nothing is lost', async ({ page }) => {
  await openShelf(page)
  await page.goto('/piece/kettle-trivet/plan')
  const target = page.getByRole('textbox', { name: 'Target across' })
  const drawing = page.getByRole('group', { name: /Drawing of the piece/ })
  await expect(drawing).toHaveAccessibleName('Drawing of the piece, 13 rounds')
  for (const [typed, says] of [
    ['0', /From 1 mm to 300 cm/],
    ['1', /under two rounds/],
    ['', /Type a length/],
    ['wide', /is not a length/],
    ['900000', /Up to 100 m/],
    ['5000', /From 1 mm to 300 cm/],
  ] as const) {
    await target.fill(typed)
    await expect(page.getByRole('alert')).toHaveText(says)
    // The last drawing that could be made stays.
    await expect(drawing).toBeVisible()
  }
  await target.fill('8 5/8 in')
  await expect(page.getByRole('alert')).toHaveCount(0)
  await target.blur()
  await expect(target).toHaveValue('21.9')

  await page.reload()
  await expect(target).toHaveValue('21.9')

  await page.goBack()
  await expect(page.getByRole('link', { name: 'Kettle trivet', exact: true })).toBeVisible()
  await page.goto('/piece/nowhere/plan')
  await expect(page.getByRole('heading', { name: 'This piece is not on the shelf' })).toBeVisible()
})

test('a drag on the edge changes the target, and every view follows', async ({ page }) => {
  await withDemo(page)
  await page.goto('/piece/kettle-trivet/plan')
  const edge = page.getByRole('slider', { name: 'Outer edge: target across' })
  const box = (await edge.boundingBox())!
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width / 2 + 34, box.y + box.height / 2 + 34, { steps: 8 })
  await expect(page.getByRole('group', { name: /Drawing of the piece, 1[01] rounds/ })).toBeVisible()
  await page.mouse.up()
  const rows = page.getByRole('table', { name: 'Rounds of the piece' }).locator('tbody tr')
  await expect.poll(() => rows.count()).toBeLessThan(13)
  await rows.nth(4).hover()
  await expect(rows.nth(4)).toHaveClass(/bg-film-2/)
})

test('what is planned while a mat is on the hook does not touch that mat', async ({ page }) => {
  await withDemo(page)
  await page.goto('/piece/tin-mug-mats/plan')
  await page.getByRole('textbox', { name: 'Target across' }).fill('14')
  await expect(page.getByText(/No. 4 is on the hook and stays with the plan/)).toBeVisible()
  await page.getByRole('link', { name: 'Go on: no. 4' }).click()
  await expect(page.getByText('no. 4 of 8')).toBeVisible()
  const before = await countOf(page).innerText()
  expect(Number(before)).toBeGreaterThan(0)
})

test('a set is finished one by one, to the same plan', async ({ page }) => {
  await withDemo(page)
  await page.goto('/piece/tin-mug-mats/work')
  await expect(page.getByText('no. 4 of 8')).toBeVisible()
  for (let round = 5; ; round++) {
    await page.getByRole('button', { name: 'End of round' }).click()
    const go = page.getByRole('button', { name: /: on to Rnd|: finish/ })
    await expect(go).toBeVisible()
    const last = (await go.innerText()).includes('finish')
    await page.waitForTimeout(500)
    await go.click()
    if (last) break
    expect(round).toBeLessThan(20)
  }
  await expect(page.getByRole('heading', { name: 'No. 4 of 8 is made' })).toBeVisible()
  await page.getByRole('button', { name: 'Begin no. 5, same plan' }).click()
  await expect(page.getByText('no. 5 of 8')).toBeVisible()
  await expect(countOf(page)).toHaveText('0')
})

test('a wrong count is named, and can be noted or worked again', async ({ page }) => {
  await withDemo(page)
  await page.goto('/piece/kettle-trivet/work')
  await page.getByRole('button', { name: 'End of round' }).click()
  await page.getByLabel('I count another number').fill('41')
  await expect(page.getByRole('alert')).toContainText('41 counted, 42 expected.')
  await page.getByRole('button', { name: 'Back to the start of Rnd 7' }).click()
  await expect(countOf(page)).toHaveText('0')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText('Rnd 7 is done. Count it.')).toBeVisible()
})

test('an accent round, by keyboard: its neighbours take its increases over; odd ones are refused; the hook is told before', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto('/piece/tin-mug-mats/plan')
  const rounds = page.getByRole('region', { name: 'Rounds' })
  const stitch = page.getByRole('button', { name: /^Stitch/ })
  await stitch.press('Enter')
  await page.getByRole('button', { name: 'Add an accent round' }).press('Enter')
  await field(page, 'Accent 1: round').fill('1')
  await expect(page.getByRole('alert')).toContainText('2')
  await field(page, 'Accent 1: round').fill('5')
  await page.getByLabel('Rnd 5: plain ones between').selectOption('2')
  // Around a post of single crochet nothing goes.
  await page.getByLabel('Rnd 5: texture').selectOption('Rib')
  await expect(page.getByText(/There is no post in/).first()).toBeVisible()
  await expect(page.getByLabel('Rnd 5: texture')).toHaveValue('popcorn')
  await page.keyboard.press('Escape')
  await expect(stitch).toContainText('1 accent')
  await expect(rounds).toContainText(/\(2 sc, 5-sc popcorn\) × \d+/)
  await page.reload()
  await expect(rounds).toContainText(/\(2 sc, 5-sc popcorn\) × \d+/)
  await stitch.click()
  await page.getByRole('button', { name: 'Take Rnd 5 out' }).click()
  await expect(rounds).not.toContainText('popcorn')
})
