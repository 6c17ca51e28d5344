import { readFileSync } from 'node:fs'
import { expect, test, type Page } from '@playwright/test'
import { countOf, field, withDemo } from './shelf.ts'

const ROUNDS = [
  'Tin-mug coaster',
  'Size: 9 cm across',
  'With Fog.',
  'R1: 6 sc in magic ring (6)',
  'R2: inc around (12)',
  'R3: (sc, inc) x 6 (18)',
  'R4: (2 sc, inc) x 6 (24)',
  'R5: *3 sc, inc; rep from * around (36)',
  'R6: (4 sc, inc) x 6 (36)',
  'Change to Pine.',
  'R7: (5 sc, inc) 6 times — 42',
  'Dry it flat.',
]

const line = (page: Page, text: string) =>
  page.getByRole('listitem').filter({ has: page.locator('textarea').getByText(text) })
const bar = (page: Page) => page.getByRole('region', { name: 'What does not add up' })

/** The text as it stands, line by line. */
const linesOf = (page: Page) =>
  page
    .getByRole('list', { name: 'The pattern, line by line' })
    .locator('textarea')
    .evaluateAll((fields) => fields.map((one) => (one as HTMLTextAreaElement).value))

test('somebody’s rounds are pasted, checked, mended by one press, and worked as they are written', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto('/new')
  await page.getByRole('link', { name: 'read a pattern' }).click()
  await page.getByRole('textbox', { name: 'The pattern' }).fill(ROUNDS.join('\n'))
  await page.getByRole('button', { name: 'Line by line' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Tin-mug coaster')
  await expect(page.getByText('Rnd 5 says 36; its steps make 30.')).toBeVisible()
  await expect(page.getByText('That is the total of Rnd 6.')).toBeVisible()
  // By hand: 3 and 2 in one, on 24 stitches six times: 30.
  await expect(page.getByText('30 made')).toBeVisible()
  await expect(page.getByText(/7 rounds read, 1 line kept as text\./)).toBeVisible()
  await bar(page).getByRole('button', { name: 'Write 30 there' }).click()
  await expect(page.getByText(/Every round adds up/)).toBeVisible()
  expect(await linesOf(page)).toContain('R5: *3 sc, inc; rep from * around (30)')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText('Rnd 5 says 36; its steps make 30.')).toBeVisible()
  await page.reload()
  await expect(page.getByText('Rnd 5 says 36; its steps make 30.')).toBeVisible()
  await bar(page).getByRole('button', { name: 'Write 30 there' }).click()
  await page.getByRole('button', { name: 'Work it as written' }).click()

  await expect(page.getByText('Worked as written:')).toBeVisible()
  const rounds = page.getByRole('table', { name: 'Rounds of the piece' })
  await expect(rounds).toContainText('(4 sc, inc) × 6')
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Tin-mug coaster')
  await page.getByRole('button', { name: /Begin/ }).click()
  await expect(page.getByRole('heading', { level: 1, name: /Rnd 1 of 7/ })).toBeAttached()
  for (let tap = 0; tap < 5; tap++) await page.keyboard.press('Space')
  await expect(countOf(page)).toHaveText('5')

  // The draft is gone: the next text begins empty.
  await page.goto('/new/text')
  await expect(page.getByRole('textbox', { name: 'The pattern' })).toHaveValue('')
})

test('a text is corrected line by line with the keyboard alone; a size changed plans it anew, and back', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto('/piece/wash-house-mat/plan')
  await page.getByRole('link', { name: 'Text', exact: true }).press('Enter')
  await expect(page.getByText('Rnd 5 says 36; its steps make 30.')).toBeVisible()
  const fifth = page.getByRole('textbox', { name: 'Line 8', exact: true })
  await fifth.focus()
  await page.keyboard.press('End')
  for (let back = 0; back < 4; back++) await page.keyboard.press('Backspace')
  await page.keyboard.type('(30)')
  await expect(page.getByText(/Every round adds up/)).toBeVisible()
  // One more round at the end: Enter cuts the line, and what is typed goes into the new one.
  await page.getByRole('textbox', { name: 'Line 14', exact: true }).focus()
  await page.keyboard.press('End')
  await page.keyboard.press('Enter')
  await page.keyboard.type('R11: sc in each st around')
  await expect(page.getByText(/11 rounds read/)).toBeVisible()
  await page.getByRole('link', { name: 'Plan', exact: true }).press('Enter')
  const rounds = page.getByRole('table', { name: 'Rounds of the piece' })
  await expect(rounds.getByRole('row')).toHaveCount(12)
  const across = field(page, 'Target across')
  await across.fill('20')
  await across.press('Enter')
  await expect(
    page.getByText('Planned anew in its character; the text is kept.', { exact: true }),
  ).toBeVisible()
  await expect(page.getByText('Worked as written:')).toHaveCount(0)
  await page.getByRole('button', { name: 'As written' }).press('Enter')
  await expect(page.getByText('Worked as written:')).toBeVisible()
  await across.fill('20')
  await across.press('Enter')
  await page.getByRole('link', { name: 'Text', exact: true }).press('Enter')
  // Round by round beside the text: the twelfth is there only now.
  const beside = page.getByRole('table', { name: /planned anew/ })
  await expect(beside.getByRole('row').nth(6)).toHaveText('63636')
  await page.getByRole('button', { name: 'Work it as written' }).press('Enter')
  await page.getByRole('link', { name: 'Plan', exact: true }).press('Enter')
  await expect(page.getByText('Worked as written:')).toBeVisible()
})

test('odd texts: tags, other alphabets, nothing, far too much, no text at all; nothing is run or lost', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto('/new/text')
  const whole = page.getByRole('textbox', { name: 'The pattern' })
  await whole.fill(
    '<img src=x onerror="document.title=\'run\'">\nשורה\nRnd 1: 300 sc in magic ring (300)\nRnd 2: rep 999999 times',
  )
  await expect(
    page.getByText(/Rnd 2 is not understood|would have thousands|never ends/).first(),
  ).toBeVisible()
  expect(await page.title()).not.toBe('run')
  await whole.fill('')
  await expect(page.getByText('Paste somebody’s written rounds')).toBeVisible()
  const file = page.getByLabel('A text file')
  const long = Buffer.from('Rnd 1: 6 sc in magic ring (6)\n'.repeat(9000))
  await file.setInputFiles({ name: 'long.txt', mimeType: 'text/plain', buffer: long })
  await expect(page.getByText(/thousand characters; no pattern has/)).toBeVisible()
  await file.setInputFiles({
    name: 'mat.pdf',
    mimeType: 'text/plain',
    buffer: Buffer.from('%PDF\u0000\u0001\u0002'.repeat(99)),
  })
  await expect(page.getByText('This is no text: it may be a picture or a PDF.')).toBeVisible()
  await file.setInputFiles({
    name: 'mat.md',
    mimeType: 'text/markdown',
    buffer: Buffer.from('# Mat\n- Rnd 1: MR 6 (6)\n- Rnd 2: inc x 6 (12)'),
  })
  await expect(page.getByText(/2 rounds read/)).toBeVisible()
  await page.goBack()
  await page.goForward()
  await expect(page.getByText(/2 rounds read/)).toBeVisible()
})

test('a round that nobody understands ends at what its maker says, and the rest is worked from there', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto('/new/text')
  const whole = page.getByRole('textbox', { name: 'The pattern' })
  await whole.fill('Rnd 1: 6 sc in magic ring (6)\nRnd 2: twirl the yarn about\nRnd 3: (sc, inc) x 6 (18)')
  await page.getByRole('button', { name: 'Line by line' }).click()
  await expect(page.getByText('Rnd 2 is not understood.')).toBeVisible()
  const ends = field(page, 'Rnd 2 ends at')
  await ends.fill('0')
  await expect(page.getByText(/0 will not do/)).toBeVisible()
  await ends.fill('11')
  await page.getByRole('button', { name: 'Say so' }).press('Enter')
  await expect(page.getByText('11, by your word')).toBeVisible()
  await page.getByRole('button', { name: 'Take back' }).press('Enter')
  await ends.fill('12')
  await page.getByRole('button', { name: 'Say so' }).press('Enter')
  await expect(page.getByText('12, by your word')).toBeVisible()
  await expect(page.getByText(/Every round adds up/)).toBeVisible()
  // What is written above it moves it down, and its count with it.
  const first = page.getByRole('textbox', { name: 'Line 1', exact: true })
  await first.press('Home')
  await page.keyboard.type('Hut mat')
  await page.keyboard.press('Enter')
  await expect(page.getByText('12, by your word')).toBeVisible()
  await page.getByRole('button', { name: 'Work it as written' }).click()
  await expect(page.getByRole('table', { name: 'Rounds of the piece' })).toContainText('inc')
})

test('any piece is given away in words, and read back as the same rounds', async ({ page }) => {
  await withDemo(page)
  await page.goto('/piece/kettle-trivet/sheet')
  const words = page.getByRole('region', { name: 'In words' })
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    words.getByRole('button', { name: 'Text', exact: true }).click(),
  ])
  expect(download.suggestedFilename()).toBe('kettle-trivet.txt')
  const text = readFileSync(await download.path(), 'utf8')
  expect(text).toMatch(/^Kettle trivet\n\nTerms: US\nSize: /)
  await words.getByText('See it').click()
  await expect(words.locator('pre')).toContainText('Rnd 2: ch 1, inc × 6, join with sl st in first st. (12)')
  await page.goto('/new/text')
  await page.getByRole('textbox', { name: 'The pattern' }).fill(text)
  await expect(page.getByText(/Every round adds up/)).toBeVisible()
  await expect(page.getByText(/ rounds read/)).toBeVisible()
})

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 } })

  test('text above, rounds below; a finding is mended, and the mat begun', async ({ page }) => {
    await withDemo(page)
    await page.goto('/new/text')
    await page.getByRole('textbox', { name: 'The pattern' }).fill(ROUNDS.join('\n'))
    await page.getByRole('button', { name: 'Line by line' }).click()
    const fifth = line(page, 'R5: *3 sc')
    await expect(fifth).toContainText('30 made')
    await bar(page).getByRole('button', { name: 'Write 30 there' }).click()
    await page.getByRole('textbox', { name: 'What is it for?' }).fill('Shelf coaster')
    await page.getByRole('button', { name: 'Work it as written' }).click()
    await expect(page.getByRole('heading', { level: 1, name: 'Shelf coaster' })).toBeVisible()
  })
})

test('two sides that a text joins are joined in the project that comes of it; a seam that cannot be is found', async ({
  page,
}) => {
  const pad = (total: number) =>
    [
      'Kettle pad',
      'Side (make 2)',
      'Rnd 1: 6 sc in magic ring (6)',
      'Rnd 2: inc x 6 (12)',
      'Rnd 3: (sc, inc) x 6 (18)',
      'Rnd 4: (2 sc, inc) x 6 (24)',
      `Hold both sides together, wrong sides facing, and sc through both layers around (${total}).`,
    ].join('\n')
  await withDemo(page)
  await page.goto('/new/text')
  const text = page.getByRole('textbox', { name: 'The pattern' })
  await text.fill(pad(20))
  await expect(page.getByText('The seam says 20; both edges have 24.')).toBeVisible()
  await page.getByRole('button', { name: 'Write 24 there' }).click()
  await expect(page.getByText(/Every round adds up/)).toBeVisible()
  await page.getByRole('button', { name: 'Line by line' }).click()
  await expect(page.getByText('Side to the second Side: sc through both, 24 sts')).toBeVisible()
  await page.getByRole('button', { name: 'Work it as written' }).click()
  await expect(page.getByText('Worked as written:')).toBeVisible()
  await page.getByRole('link', { name: 'Pieces' }).click()
  await expect(page.getByText(/Sc through both/i).first()).toBeVisible()
  await expect(page.getByText('24').first()).toBeVisible()
})
