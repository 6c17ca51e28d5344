import { expect, test } from '@playwright/test'
import { countOf, field, withDemo } from './shelf.ts'

const mat = '/piece/drying-rack-mat'
const edging = { name: /Rounds, openings/ }

test('points along an edge: moved by keys and dragged, mirrored, spread again; the sum is always the round', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto(`${mat}/plan`)
  await page.getByRole('button', edging).press('Enter')
  const third = page.getByRole('slider', { name: 'point 3 of 8' })
  // By hand: (104 − 8 × 2) / 8 = 11 from one to the next, the first half of a run in.
  await expect(page.getByText('8 × point of 2 + 88 plain = 104')).toBeVisible()
  await expect(page.getByText('11 plain from one to the next')).toBeVisible()
  await expect(third).toHaveAttribute('aria-valuenow', '33')
  await third.focus()
  await page.keyboard.press('ArrowLeft')
  await page.keyboard.press('ArrowLeft')
  await expect(third).toHaveAttribute('aria-valuetext', 'from stitch 31 of 104')
  await expect(page.getByText('9 to 13 plain from one to the next')).toBeVisible()
  await page.getByRole('checkbox', { name: 'One side mirrors the other' }).check()
  await third.focus()
  await page.keyboard.press('End')
  // As far as the next one lets it, and its mirror image with it: 104 − 44 − 2 + 1.
  const at = Number(await third.getAttribute('aria-valuenow'))
  await expect(page.getByRole('slider', { name: 'point 6 of 8' })).toHaveAttribute(
    'aria-valuenow',
    String(104 - at),
  )
  const box = (await third.boundingBox())!
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await page.mouse.down()
  await page.mouse.move(box.x - 30, box.y + box.height / 2, { steps: 4 })
  await page.mouse.up()
  await expect.poll(async () => Number(await third.getAttribute('aria-valuenow'))).toBeLessThan(at - 4)
  // Mirrored, an odd run has no middle: over the start and opposite it there are 12 and 10.
  await page.getByRole('button', { name: 'Spread evenly' }).press('Enter')
  await expect(page.getByText('10 to 12 plain from one to the next')).toBeVisible()
  // About an axis 26 stitches on, a quarter of the way, they go around with it; and back.
  const axis = field(page, 'Mirrored about: stitches from the start')
  await axis.fill('26')
  await axis.press('Enter')
  await expect(page.getByText('8 × point of 2 + 88 plain = 104')).toBeVisible()
  await axis.fill('52')
  await expect(page.getByText(/0 to 51/).first()).toBeVisible()
  await axis.press('Escape')
  await page.reload()
  await page.getByRole('button', edging).press('Enter')
  await expect(axis).toHaveValue('26')
  await axis.fill('0')
  await axis.press('Enter')
  await page.getByRole('checkbox', { name: 'One side mirrors the other' }).uncheck()
  await expect(page.getByText('11 plain from one to the next')).toBeVisible()
  await page.keyboard.press('Escape')
  await page.reload()
  await page.getByRole('button', edging).press('Enter')
  await expect(page.getByRole('slider', { name: 'point 3 of 8' })).toHaveAttribute('aria-valuenow', '33')
})

test('a motif in the maker’s own words, odd ones refused where they are typed, too many as well', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto(`${mat}/plan`)
  await page.getByRole('button', edging).press('Enter')
  const worked = page.getByRole('textbox', { name: 'Worked, on 2 of the edge' })
  await expect(worked).toHaveValue('ch 5, sl st, sc, hdc, dc, skip 1, sl st')
  await worked.fill('ch 5, sl st, knot')
  await expect(page.getByRole('alert').filter({ hasText: '“knot” is not understood.' })).toBeVisible()
  await worked.fill('ch 5, 4 sl st')
  await expect(page.getByText(/It stands on no stitch of the edge. End it in one/)).toBeVisible()
  await worked.fill('ch 6; skip 2, sl st')
  await expect(page.getByText('8 × point of 3 + 80 plain = 104')).toBeVisible()
  const many = field(page, 'point: how many')
  await many.fill('60')
  await expect(page.getByText(/60 motifs use 180 stitches/).first()).toBeVisible()
  await many.fill('0')
  await expect(page.getByText(/0 will not do/)).toBeVisible()
  await many.fill('6')
  await many.press('Enter')
  await expect(page.getByText(/^6 × point of 3/)).toBeVisible()
  await page.getByRole('button', { name: 'tail', exact: true }).click()
  await expect(page.getByText(/^6 × point of 3 \+ 1 × tail of 1/)).toBeVisible()
  await page.getByRole('slider', { name: /tail/ }).focus()
  await page.keyboard.press('Delete')
  await expect(page.getByText(/^6 × point of 3 \+ \d+ plain/)).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('table', { name: 'Rounds of the piece' })).toContainText(
    /\(ch 6, skip 2, \d+ sl st\) × 5/,
  )
})

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 } })

  test('an edge of points is worked stitch by stitch: chains, back along them, on to the next', async ({
    page,
  }) => {
    await withDemo(page)
    await page.goto(`${mat}/plan`)
    await page.getByRole('button', { name: /Begin/ }).click()
    await page.getByRole('button', { name: 'Go to' }).click()
    await page.getByRole('dialog').getByRole('textbox').first().fill('18')
    await page.getByRole('dialog').getByRole('button', { name: /Go/ }).click()
    await expect(page.getByRole('heading', { level: 1, name: /Rnd 18 of 18/ })).toBeAttached()
    await expect(page.getByText('After a chain, work back along it.')).toBeVisible()
    // 6 plain, then 5 chains and 4 back along them: 8 × (5 + 4) + 104 − 8 skipped.
    await expect(page.getByText('of 168', { exact: true })).toBeVisible()
    for (let stitch = 1; stitch <= 15; stitch++) {
      await page.keyboard.press('Space')
      await expect(countOf(page)).toHaveText(String(stitch))
    }
    await page.reload()
    await expect(countOf(page)).toHaveText('15')
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(countOf(page)).toHaveText('14')
  })
})
