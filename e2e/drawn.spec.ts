import { expect, test } from '@playwright/test'
import { emptyShelf, field, withDemo } from './shelf.ts'

test('a new maker draws the shape of a lantern by keyboard alone: typed, moved, closed on a crisp foot', async ({
  page,
}) => {
  await emptyShelf(page)
  await page.getByRole('link', { name: 'Plan a drawn shape' }).press('Enter')
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('A drawn shape')
  await expect(page.getByText(/\d+ rounds, [\d,]+ stitches/)).toBeVisible()
  // 120 across all the way up to 16 cm: a straight side.
  for (const number of [1, 2, 3, 4]) await field(page, `Point ${number} across`).fill('12,0')
  await page.getByRole('button', { name: 'Take out point 3' }).press('Enter')
  await expect(
    page.getByRole('list', { name: 'Points, from the foot up' }).getByRole('listitem'),
  ).toHaveCount(3)
  await page.getByRole('combobox', { name: 'What foot?' }).selectOption('crisp')
  await page.getByRole('combobox', { name: 'What is drawn?' }).selectOption('itself')
  await page.getByRole('button', { name: 'Plan it' }).press('Enter')
  await expect(page).toHaveURL(/plan$/)
  const rounds = page.getByRole('table', { name: 'Rounds of the piece' })
  await expect(rounds).toContainText('in back loop of each st')
  // Its top point is moved in: by keys, half a centimetre each, and the rounds follow.
  await page.getByRole('button', { name: /^Shape/ }).press('Enter')
  const top = page.getByRole('button', { name: /^Point 3: 12\.0 cm across, 16\.0 cm up/ })
  await top.focus()
  await page.keyboard.press('Shift+ArrowLeft')
  await expect(page.getByRole('button', { name: /^Point 3: 7\.0 cm across/ })).toBeFocused()
  await page.keyboard.press('ArrowUp')
  await expect(field(page, 'Point 3 up')).toHaveValue('16.5')
  await page.keyboard.press('Escape')
  await page.reload()
  await page.getByRole('button', { name: /^Shape/ }).click()
  await expect(field(page, 'Point 3 across')).toHaveValue('7.0')
})

test('its points are dragged on the grid; what cannot be is refused where it is typed, and nothing is lost', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto('/new?form=drawn')
  await page.getByRole('combobox', { name: 'Gauge' }).selectOption('cotton-single')
  await page.getByRole('button', { name: 'Plan it' }).click()
  await expect(page).toHaveURL(/plan$/)
  await expect(
    page.getByText(/It strays from its shape by \d mm at the most: \d mm in at Rnd \d/),
  ).toBeVisible()
  await page.getByRole('button', { name: /^Shape/ }).click()
  const point = page.getByRole('button', { name: /^Point 2:/ })
  const box = (await point.boundingBox())!
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width / 2 + 40, box.y + box.height / 2 - 10, { steps: 6 })
  await page.mouse.up()
  const across = field(page, 'Point 2 across')
  await expect(across).not.toHaveValue('13.0')
  await expect(across).toHaveValue(/^\d+\.[05]$/)
  // A neck of nothing, in the middle: what would be right is said, and the piece stays as it was.
  const kept = await field(page, 'Point 3 across').inputValue()
  await field(page, 'Point 3 across').fill('0')
  await page.keyboard.press('Tab')
  await expect(page.getByText(/stitches go around it.*At least/).first()).toBeVisible()
  await page.reload()
  await page.getByRole('button', { name: /^Shape/ }).click()
  await expect(field(page, 'Point 3 across')).toHaveValue(kept)
  await field(page, 'Point 3 up').fill('400')
  await expect(page.getByRole('alert').first()).toContainText(/From .* to /)
})

test('open at its foot it begins on a chain, on a phone; the way its rounds go is read at the hook', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await withDemo(page)
  await page.goto('/new?form=drawn')
  await page.getByRole('combobox', { name: 'Gauge' }).selectOption('cotton-single')
  await page.getByRole('combobox', { name: 'What foot?' }).selectOption('open')
  await page.getByRole('button', { name: 'Plan it' }).click()
  await expect(page.getByRole('button', { name: /^Start/ })).toContainText('44 ch, joined')
  await page.getByRole('button', { name: /Begin/ }).click()
  await expect(page.getByRole('heading', { level: 1, name: /Rnd 1 of/ })).toBeAttached()
  await page.goBack()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Drawn shape')
})
