import { expect, test, type Page } from '@playwright/test'
import { countOf, withDemo } from './shelf.ts'

const field = (page: Page, name: string | RegExp) => page.getByRole('textbox', { name })

/** A trivet that comes out small and cups after Rnd 6. */
async function measureCup(page: Page): Promise<void> {
  await page.goto('/piece/kettle-trivet/check')
  await field(page, 'Across').fill('9,8')
  await field(page, 'A quarter turn on').fill('9.9 cm')
  await page.getByRole('radio', { name: 'stands up' }).click()
  await field(page, 'Stands up by').fill('6 mm')
  await field(page, 'Rnd 6, planned 36').fill('36')
}

test('a cupping trivet: what it means, the ways out, the plan changed on the hook, and taken back', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto('/piece/kettle-trivet/work')
  await expect(countOf(page)).toHaveText('17')
  await page.keyboard.press('m')
  await expect(page.getByRole('heading', { name: 'Measure after Rnd 6' })).toBeVisible()
  await measureCup(page)
  await expect(page.getByRole('heading', { name: 'After Rnd 6: 0.8 cm small, and it cups' })).toBeVisible()
  await expect(page.getByText('You work tighter here than your gauge says.')).toBeVisible()
  await expect(page.getByText(/Unchanged, it ends at 2\d\.\d ± \d\.\d cm/)).toBeVisible()
  // Reload in the middle: what was typed is there.
  await page.reload()
  await expect(field(page, 'Stands up by')).toHaveValue('0.6')

  const ways = page.getByRole('list', { name: 'Ways out' }).getByRole('listitem')
  const replan = ways.filter({ hasText: 'Change the rounds ahead' })
  const rounds = /(\d+) rounds in all/.exec(await replan.innerText())![1]!
  await expect(ways.filter({ hasText: 'Accept it' })).toContainText('0 min')
  await replan.getByRole('button', { name: 'Use this plan' }).click()
  await expect(page).toHaveURL(/\/work/)
  await expect(page.getByText(`of ${rounds}`, { exact: true })).toBeVisible()
  // Rnd 7 stays as it was: the stitches made in it are still made.
  await expect(countOf(page)).toHaveText('17')
  await page.reload()
  await expect(page.getByText(`of ${rounds}`, { exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText('of 13', { exact: true })).toBeVisible()
  await expect(countOf(page)).toHaveText('17')
})

test('by keyboard alone: measured, a way chosen by its number, and back at the hook', async ({ page }) => {
  await withDemo(page)
  await page.goto('/piece/kettle-trivet/work')
  await expect(countOf(page)).toHaveText('17')
  await page.keyboard.press('c')
  await field(page, 'Across').focus()
  await page.keyboard.type('11,3')
  await page.keyboard.press('Tab')
  await page.keyboard.type('11.4')
  await expect(page.getByRole('heading', { name: /^After Rnd 6: 0\.\d cm large$/ })).toBeVisible()
  await page.getByRole('radio', { name: 'lies flat' }).focus()
  await page.keyboard.press('1')
  await expect(page).toHaveURL(/\/work/)
  await expect(page.getByText(/of 1[0-3]$/).first()).toBeVisible()
})

test('a count that is off asks for the one look that tells; going back is asked once', async ({ page }) => {
  await withDemo(page)
  await page.goto('/piece/kettle-trivet/check')
  await field(page, 'Across').fill('10.3')
  await field(page, 'Rnd 6, planned 36').fill('33')
  // Two mistakes that no tape tells apart: both are said, and ways out wait for the count.
  await expect(page.getByText(/^Either .*, or .*: the size cannot tell\.$/)).toBeVisible()
  await expect(page.getByText(/To be sure:/)).toBeVisible()
  await expect(page.getByRole('list', { name: 'Ways out' })).toHaveCount(0)
  await page.getByRole('button', { name: 'I cannot tell: show them all the same' }).click()
  await expect(page.getByRole('list', { name: 'Ways out' })).toBeVisible()
  const looked = field(page, /^Rnd \d has$/)
  const round = Number(
    /Rnd (\d)/.exec(
      await looked.evaluate((input) => (input as HTMLInputElement).labels![0]!.textContent),
    )![1],
  )
  await looked.fill(String(round * 6))
  await expect(page.getByText(/3 increases missed, in or about Rnd \d\./)).toBeVisible()
  const back = page.getByRole('listitem').filter({ hasText: 'Back to Rnd' })
  await back.getByRole('button', { name: 'Go back' }).click()
  const question = page.getByRole('dialog')
  await expect(question).toContainText(/stitches are pulled out/)
  await question.getByRole('button', { name: 'Leave them' }).click()
  await expect(page).toHaveURL(/\/check/)
  await back.getByRole('button', { name: 'Go back' }).click()
  await question.getByRole('button', { name: 'Pull them out' }).click()
  await expect(page).toHaveURL(/\/work/)
  await expect(countOf(page)).toHaveText('0')
})

test('odd readings are questioned at once, and change nothing', async ({ page }) => {
  await withDemo(page)
  await page.goto('/piece/kettle-trivet/check')
  for (const [typed, says] of [
    ['0', /From 1 mm to 300 cm/],
    ['105', /Did you mean 10\.5 cm/],
    ['300 sts', /“sts” is not a unit here/],
  ] as const) {
    await field(page, 'Across').fill(typed)
    await expect(page.getByRole('alert')).toHaveText(says)
    await expect(page.getByRole('list', { name: 'Ways out' })).toHaveCount(0)
  }
  await field(page, 'Across').fill('4 1/8 in')
  await expect(page.getByRole('alert')).toHaveCount(0)
  await expect(page.getByRole('list', { name: 'Ways out' })).toBeVisible()
  await page.goto('/piece/kettle-trivet/work')
  await expect(page.getByText('of 13', { exact: true })).toBeVisible()
})

test('43 where 42 were planned: the next round mends it, to the stitch', async ({ page }) => {
  await withDemo(page)
  await page.goto('/piece/kettle-trivet/work')
  await page.getByRole('button', { name: 'End of round' }).click()
  await page.getByLabel('I count another number').fill('43')
  // Rnd 8 leaves an increase out instead of working two together.
  const mending = page.getByText(/^Rnd 8, mending:/).locator('..')
  await expect(mending).toContainText('48 sts')
  await expect(mending).not.toContainText('2tog')
  await page.getByRole('button', { name: 'Fix in next round' }).click()
  await expect(countOf(page)).toHaveText('0')
  await page.getByRole('button', { name: 'End of round' }).click()
  await expect(page.getByText('Rnd 8 is done. Count it.')).toBeVisible()
  await expect(page.getByRole('button', { name: '48: on to Rnd 9' })).toBeVisible()
})

test('the ball is weighed: what is safe, and where it runs out', async ({ page }) => {
  await withDemo(page)
  await page.goto('/piece/kettle-trivet/work')
  await page.getByRole('button', { name: 'Yarn' }).click()
  const soot = page.getByRole('dialog').getByRole('region', { name: 'Soot' })
  await expect(soot).toContainText('It finishes this piece.')
  await soot.getByRole('textbox', { name: 'Whole balls beside it' }).fill('0')
  await soot.getByRole('textbox', { name: 'Begun ball of Soot' }).fill('7')
  await expect(soot).toContainText('It does not finish this piece.')
  await expect(soot).toContainText(/It runs out in Rnd 1[12], some \d+ sts before its end\./)
})

test('a finished mat is measured, and its gauge and record learn from it', async ({ page }) => {
  await withDemo(page)
  await page.goto('/piece/tin-mug-mats/work?copy=2')
  await expect(
    page.getByText(/Your last three pieces against what was foretold: \+0\.\d% ± 0\.\d%/),
  ).toBeVisible()
  // How far the edge stands up is asked, never assumed; what cannot be is refused.
  const keep = page.getByRole('button', { name: 'Keep it anew' })
  await page.getByRole('radio', { name: 'stands up' }).click()
  await expect(keep).toBeDisabled()
  await field(page, 'Stands up by').fill('30')
  await expect(page.getByRole('alert')).toHaveText(/cannot stand up/)
  await page.getByRole('radio', { name: 'lies flat' }).click()
  await field(page, 'Across').fill('10.6')
  await page.getByRole('button', { name: 'Keep it anew' }).click()
  await expect(page.getByText(/has learned from it/).first()).toBeVisible()
  await page.goto('/gauges/cotton-single')
  await expect(page.getByRole('button', { name: /Tin-mug mats no\. 2/ })).toBeVisible()
  await expect(page.getByText('4 measurements and the label.')).toBeVisible()
})
