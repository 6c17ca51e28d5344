import { readFile } from 'node:fs/promises'
import { expect, test, type Page } from '@playwright/test'
import { countOf, openShelf, withDemo, endRound } from './shelf.ts'

const left = (page: Page) => page.getByRole('region', { name: 'Where you left off' })
const tapArea = (page: Page) => page.getByTestId('tap-area')

test('after a pause it says where the hook is and what is under it, until the first stitch', async ({
  page,
}) => {
  await withDemo(page)
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
  await withDemo(page)
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
  await page.getByRole('link', { name: 'Log', exact: true }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Log')
  const sittings = page.getByRole('group', { name: 'Sittings' }).getByRole('row')
  await expect(sittings).toHaveCount(11)
  await expect(sittings.nth(1)).toContainText('Tin-mug mats no. 4')
  // Three mats of 216 stitches each, in 11 to 12 minutes.
  await expect(page.getByRole('heading', { name: /The next one takes 11 min ± \d+ min\./ })).toBeVisible()
  await expect(page.getByRole('list', { name: 'Copies' }).getByRole('listitem')).toHaveCount(4)
  await page.getByLabel('Of which piece').selectOption('Kettle trivet')
  await expect(page.getByText('30 sts, from Rnd 6 back to Rnd 5.')).toBeVisible()
  await expect(page.getByText('Worked into the join twice: two stitches over.')).toBeVisible()
  const kept = page.waitForEvent('download')
  await page.getByRole('button', { name: 'As a table' }).click()
  const lines = (await readFile(await (await kept).path(), 'utf8')).split('\n')
  expect(lines[0]).toBe(
    'date,from,to,project,piece,copy,first round,last round,stitches made,stitches taken out,minutes at work',
  )
  expect(lines).toHaveLength(11)
  expect(lines[1]).toMatch(/^2026-11-09,.*,Kettle trivet,Mat,1,1,3,36,0,/)
  // A stitch more is a sitting more: it is days later.
  await page.getByRole('link', { name: 'Kettle trivet' }).first().click()
  await tapArea(page).click()
  await page.getByRole('link', { name: 'Log', exact: true }).click()
  await expect(sittings).toHaveCount(12)
  await expect(sittings.nth(1)).toContainText('Kettle trivet')
})

test('a workshop in which nothing was worked has a log that says so', async ({ page }) => {
  await withDemo(page)
  await page.goto('/settings')
  await page.getByRole('button', { name: 'Keep the demo aside' }).click()
  await expect(page.getByText('kept aside, under “Demo” on the shelf')).toBeVisible()
  await page.goto('/log')
  await expect(page.getByText('Nothing was worked yet.')).toBeVisible()
})

test('by evening and in high contrast every place can be read, and paper stays paper', async ({ page }) => {
  await withDemo(page)
  await page.goto('/settings')
  await page.getByRole('radio', { name: 'Evening' }).click()
  const ground = () => page.evaluate(() => getComputedStyle(document.body).backgroundColor)
  const root = page.locator('html')
  await expect(root).toHaveAttribute('data-look', 'evening')
  for (const path of ['/', '/piece/kettle-trivet/plan', '/piece/kettle-trivet/work', '/log', '/settings']) {
    await page.goto(path)
    await expect(root).toHaveAttribute('data-look', 'evening')
    await expect(page.getByText('Opening…')).toHaveCount(0)
    expect(await faintWords(page), path).toEqual([])
  }
  await page.goto('/piece/kettle-trivet/sheet')
  await expect(page.getByRole('article')).toHaveCSS('background-color', 'rgb(255, 255, 255)')
  await page.emulateMedia({ media: 'print' })
  expect(await page.evaluate(() => getComputedStyle(document.documentElement).color)).toBe('rgb(14, 39, 48)')
  await page.emulateMedia({ media: 'screen' })
  await page.goto('/settings')
  await page.getByRole('radio', { name: 'High' }).click()
  await expect(root).toHaveAttribute('data-look', 'evening contrast')
  await page.reload()
  await expect(root).toHaveAttribute('data-look', 'evening contrast')
  expect(await faintWords(page)).toEqual([])
  expect(await ground()).not.toBe('rgb(229, 236, 234)')
})

/** Words that stand out less than 4.5 : 1 from what they lie on (WCAG), of those that are seen and can be used. */
const faintWords = (page: Page) =>
  page.evaluate(() => {
    const parts = (colour: string) => (colour.match(/[\d.]+/g) ?? []).map(Number)
    const light = (colour: string) => {
      const [r, g, b] = parts(colour).map((part) => {
        const share = part / 255
        return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4
      })
      return 0.2126 * r! + 0.7152 * g! + 0.0722 * b!
    }
    const under = (element: Element): string => {
      for (let one: Element | null = element; one; one = one.parentElement) {
        const { backgroundColor } = getComputedStyle(one)
        if ((parts(backgroundColor)[3] ?? 1) > 0.5) return backgroundColor
      }
      return 'rgb(255, 255, 255)'
    }
    const faint: string[] = []
    for (const element of document.querySelectorAll('main *, header *, footer *')) {
      const own = [...element.childNodes].some(
        (node) => node.nodeType === 3 && node.textContent!.trim() !== '',
      )
      const box = element.getBoundingClientRect()
      if (!own || element.closest('svg, [aria-hidden], :disabled, .visually-hidden') || box.width < 2)
        continue
      const style = getComputedStyle(element)
      if (style.visibility === 'hidden' || Number(style.opacity) < 1) continue
      const [one, other] = [light(style.color), light(under(element))].sort((a, b) => b - a)
      if ((one! + 0.05) / (other! + 0.05) < 4.5) faint.push(element.textContent.trim().slice(0, 40))
    }
    return [...new Set(faint)]
  })

test('a pedal’s own key counts; locked nothing does until it is held; a second touch at once counts once', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto('/piece/kettle-trivet/work')
  const made = (count: number) => expect(page.getByRole('status').getByText(`${count} of 42`)).toBeAttached()
  await made(17)
  await page.keyboard.press('?')
  const keys = page.getByRole('dialog', { name: 'Keys at the hook' })
  await keys.getByRole('button', { name: 'Another key: Count one stitch' }).click()
  await page.keyboard.press('PageDown')
  await expect(keys.getByText('PageDown')).toBeVisible()
  await keys.getByRole('button', { name: 'Close' }).click()
  await page.keyboard.press('PageDown')
  await made(18)
  await page.reload()
  await made(18)
  // The next is an increase: two stitches.
  await page.keyboard.press('PageDown')
  await made(20)
  await page.keyboard.press('l')
  const lock = page.getByRole('dialog', { name: 'Locked' })
  await expect(lock).toBeVisible()
  await page.keyboard.press('PageDown')
  await page.mouse.click(640, 300)
  await lock.getByRole('button').click()
  await expect(lock).toBeVisible()
  await made(20)
  const box = (await lock.getByRole('button').boundingBox())!
  await page.mouse.move(box.x + 20, box.y + 20)
  await page.mouse.down()
  await expect(lock).toBeHidden()
  await page.mouse.up()
  await page.goto('/settings')
  await page.getByRole('radio', { name: 'Within 0.3 s count once' }).click()
  await page.goto('/piece/kettle-trivet/work')
  await made(20)
  await tapArea(page).dblclick({ delay: 5 })
  await made(21)
  await page.waitForTimeout(350)
  await tapArea(page).click()
  await made(22)
})

test('what is heard, felt and said follows the hands, where it is wanted, and never where it is not', async ({
  page,
}) => {
  await page.addInitScript(() => {
    const told: string[] = []
    Object.assign(window, { told })
    navigator.vibrate = (pattern) => told.push(`felt ${JSON.stringify(pattern)}`) > 0
    speechSynthesis.speak = ({ text }) => void told.push(`said ${text}`)
  })
  const told = () => page.evaluate(() => (window as unknown as { told: string[] }).told)
  await withDemo(page)
  await page.goto('/piece/kettle-trivet/work')
  await tapArea(page).click()
  await expect(page.getByRole('status').getByText('18 of 42')).toBeAttached()
  expect(await told()).toEqual([])
  await page.goto('/settings')
  await page.getByRole('radio', { name: 'Says every count as well' }).click()
  await page
    .getByRole('radiogroup', { name: 'Vibration' })
    .getByRole('radio', { name: 'For every stitch' })
    .click()
  await page
    .getByRole('radiogroup', { name: 'Sound' })
    .getByRole('radio', { name: 'A tick for every stitch' })
    .click()
  await page.goto('/piece/kettle-trivet/work')
  await expect(tapArea(page)).toBeVisible()
  await tapArea(page).click()
  await expect.poll(told).toEqual(['felt [12,40,12]', 'said 20'])
  await page.keyboard.press('Backspace')
  await endRound(page)
  await expect.poll(told).toContain('said Rnd 7 is done. 42.')
  await page.keyboard.press('Enter')
  await expect.poll(async () => (await told()).at(-1)).toMatch(/^said Rnd 8\. .*increase.* 48 in all\.$/)
})

test('another device goes on where this one stopped: by its code, checked, and only when it is told to', async ({
  page,
  browser,
}) => {
  await withDemo(page)
  await page.goto('/piece/kettle-trivet/work')
  await page.getByRole('button', { name: 'Go to' }).click()
  const goTo = page.getByRole('dialog', { name: 'Go to a round' })
  await goTo.getByRole('textbox', { name: 'Round, of 13' }).fill('9')
  await goTo.getByRole('textbox', { name: 'Stitches made in it' }).fill('5')
  await goTo.getByRole('button', { name: 'Go there' }).click()
  await page.getByRole('button', { name: 'Go to' }).click()
  await goTo.getByRole('button', { name: 'Another device' }).click()
  const dialog = page.getByRole('dialog', { name: 'Go on with another device' })
  const label = await dialog.getByRole('img', { name: /^The code / }).getAttribute('aria-label')
  const code = label!.replace('The code ', '')
  expect(code).toMatch(/^[0-9A-Z]{4}(-[0-9A-Z]{4}){3}$/)

  const phone = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage()
  await openShelf(phone)
  await phone.goto('/carry')
  const field = phone.getByLabel('The code', { exact: true })
  await field.fill('Rnd 9!')
  await expect(phone.getByRole('alert')).toContainText('A code has letters and digits only')
  await field.fill(code.slice(0, 9))
  await expect(phone.getByRole('alert')).toContainText('sixteen letters and digits')
  await field.fill(code.startsWith('2') ? `3${code.slice(1)}` : `2${code.slice(1)}`)
  await expect(phone.getByRole('alert')).toContainText('does not agree with itself')
  await phone.goto(`/carry?code=${code.toLowerCase()}`)
  const found = phone.getByRole('region', { name: 'What the code says' })
  await expect(found).toContainText('Kettle trivet: Rnd 9, 5 of 54')
  await expect(found).toContainText('On this device: Rnd 7, 17 of 42.')
  await found.getByRole('button', { name: 'Leave it as it is here' }).click()
  await expect(phone.getByRole('heading', { level: 1 })).toContainText('Rnd 7 of 13')
  await phone.goBack()
  await found.getByRole('button', { name: 'Go on there' }).click()
  await expect(phone.getByRole('heading', { level: 1 })).toContainText('Rnd 9 of 13')
  await phone.getByRole('button', { name: 'Undo' }).click()
  await expect(phone.getByRole('heading', { level: 1 })).toContainText('Rnd 7 of 13')
  await phone.context().close()
})

test('an even round put in and a round left out become rounds of this copy, and the next one has them too', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto('/piece/lamp-glass-sleeve/plan')
  const make = page.getByLabel('Make', { exact: true })
  await make.fill('2')
  await make.press('Enter')
  await page.getByRole('button', { name: /^Begin/ }).click()
  const title = page.getByRole('heading', { level: 1 })
  await expect(title).toContainText('Rnd 1 of 25')
  await endRound(page)
  await page.getByRole('button', { name: /: on to Rnd 2$/ }).click()
  await page.getByRole('button', { name: 'Note' }).click()
  await page.getByRole('button', { name: 'An even round more after this' }).click()
  await expect(title).toContainText('Rnd 2 of 26')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(title).toContainText('Rnd 2 of 25')
  await page.getByRole('button', { name: 'Note' }).click()
  await page.getByRole('button', { name: 'An even round more after this' }).click()
  await expect(title).toContainText('Rnd 2 of 26')
  await page.getByRole('button', { name: 'Go to' }).click()
  const goTo = page.getByRole('dialog', { name: 'Go to a round' })
  await goTo.getByRole('textbox', { name: 'Round, of 26' }).fill('26')
  await goTo.getByRole('button', { name: 'Go there' }).click()
  await expect(title).toContainText('Rnd 26 of 26')
  await page.reload()
  await expect(title).toContainText('Rnd 26 of 26')
  await endRound(page)
  await page.getByRole('button', { name: /: finish$/ }).click()
  await expect(page.getByRole('region', { name: 'Worked otherwise' })).toContainText(
    /Rnd 3: a round more, .* sts\./,
  )
  await page.getByRole('button', { name: 'Begin no. 2, with its change' }).click()
  await expect(title).toContainText('Rnd 1 of 26')
  await page.getByRole('button', { name: 'Note' }).click()
  await page.getByRole('button', { name: 'Rnd 2 left out' }).press('Enter')
  await expect(title).toContainText('Rnd 1 of 25')
})

/** Puts the hook at the beginning of a round. */
async function goToRound(page: Page, round: number): Promise<void> {
  await expect(tapArea(page)).toBeVisible()
  await page.keyboard.press('g')
  const dialog = page.getByRole('dialog', { name: 'Go to a round' })
  await dialog.getByRole('textbox', { name: /^Round, of/ }).fill(String(round))
  await dialog.getByRole('button', { name: 'Go there' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toContainText(`Rnd ${round} of`)
}

test('the yarn on the hook is told, and before a change whether it is carried or cut', async ({ page }) => {
  await withDemo(page)
  await page.goto('/piece/kettle-trivet/work')
  await goToRound(page, 9)
  await expect(page.getByText('On the hook: Fog')).toBeVisible()
  // Two strands end with it, and two begin.
  await expect(
    page.getByText('In 2 rounds: change to Soot at the join; cut Fog; 4 tails to hide.'),
  ).toBeVisible()
  await goToRound(page, 11)
  await expect(page.getByText('On the hook: Soot')).toBeVisible()
})

test('on a phone that lies on its side all of the work is on the screen, and a tap anywhere counts', async ({
  page,
}) => {
  await openShelf(page)
  for (const [width, height] of [
    [844, 390],
    [667, 340],
    [915, 412],
  ] as const) {
    await page.setViewportSize({ width, height })
    await page.goto('/piece/kettle-trivet/work')
    await goToRound(page, 9)
    await expect(countOf(page)).toHaveText('0')
    await tapArea(page).click()
    await expect(countOf(page)).toHaveText('1')
    const stage = (await tapArea(page).boundingBox())!
    expect(stage.y + stage.height).toBeLessThan(height)
    for (const part of [countOf(page), page.getByText('On the hook: Fog'), page.getByText('In 2 rounds:')]) {
      const box = (await part.boundingBox())!
      expect(box.y).toBeGreaterThanOrEqual(stage.y)
      expect(box.y + box.height).toBeLessThanOrEqual(stage.y + stage.height)
    }
    // The tape is the last drawing of the stage.
    const tape = (await tapArea(page).locator('svg').last().boundingBox())!
    expect(tape.y + tape.height).toBeLessThanOrEqual(stage.y + stage.height + 1)
    const small = await tapArea(page).evaluate((area) =>
      [...area.querySelectorAll('p, span')]
        .filter((one) => one.textContent && !one.closest('.visually-hidden'))
        .map((one) => Number.parseFloat(getComputedStyle(one).fontSize))
        .filter((size) => size < 13.9),
    )
    expect(small).toEqual([])
    await page.keyboard.press('Backspace')
  }
})

test('a stitch more just here, another hook and another yarn become rounds of this copy; undo takes each back', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto('/piece/kettle-trivet/work')
  await goToRound(page, 8)
  for (let stitch = 0; stitch < 9; stitch++) await page.keyboard.press('Space')
  await expect(page.getByText('of 48', { exact: true })).toBeVisible()
  // An sc, an increase, 6 sc and an increase.
  const made = 11
  await expect(countOf(page)).toHaveText(String(made))
  await page.keyboard.press('n')
  await page.getByRole('button', { name: 'A stitch more just here' }).press('Enter')
  await expect(page.getByText('of 49', { exact: true })).toBeVisible()
  await expect(page.getByText(/Otherwise than first planned: 49 sts instead of 48/)).toBeVisible()
  await expect(countOf(page)).toHaveText(String(made + 1))
  await page.reload()
  await expect(countOf(page)).toHaveText(String(made + 1))
  await page.keyboard.press('Backspace')
  await expect(page.getByText('of 48', { exact: true })).toBeVisible()
  await expect(countOf(page)).toHaveText(String(made))

  await page.keyboard.press('n')
  const dialog = page.getByRole('dialog', { name: 'Note' })
  const take = dialog.getByRole('button', { name: 'Take this hook' })
  await expect(take).toBeDisabled()
  await dialog.getByLabel('Hook from Rnd 9 on').selectOption('9')
  await take.click()
  await expect(page.getByText(/^From Rnd 9 on with 9 mm: 13 in all, 22\.\d ± /).first()).toBeVisible()
  await expect(dialog).toBeHidden()
  await expect(countOf(page)).toHaveText(String(made))
  await page.keyboard.press('n')
  await expect(dialog.getByLabel('Hook from Rnd 9 on')).toHaveValue('9')
  await dialog.getByRole('button', { name: 'Close' }).press('Enter')
  await expect(dialog).toBeHidden()
  await page.keyboard.press('Backspace')
  await page.keyboard.press('n')
  await expect(dialog.getByLabel('Hook from Rnd 9 on')).toHaveValue('6.5')
  await dialog.getByLabel('Yarn from Rnd 9 on').selectOption('Pine')
  await dialog.getByRole('button', { name: 'Take this yarn' }).press('Enter')
  await expect(dialog).toBeHidden()
  await expect(page.getByText(/Next round: change to Pine/)).toBeVisible()
  await goToRound(page, 9)
  await expect(page.getByText('Pine instead of Fog')).toBeVisible()
})

test('a photo is kept with its round, made small; it goes into a file when asked for, and no text is one', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto('/piece/kettle-trivet/work')
  await expect(tapArea(page)).toBeVisible()
  await page.keyboard.press('n')
  const dialog = page.getByRole('dialog', { name: 'Note' })
  const input = dialog.getByLabel('Add a photo')
  await input.setInputFiles({ name: 'a.png', mimeType: 'image/png', buffer: Buffer.from('no picture') })
  await expect(dialog.getByRole('alert')).toContainText('no picture that can be read')
  await input.setInputFiles('docs/screenshots/shelf.png')
  const photo = dialog.getByRole('img', { name: 'Photo, Rnd 7, taken' })
  await expect(photo).toBeVisible()
  expect(await photo.evaluate((one: HTMLImageElement) => [one.naturalWidth, one.src.slice(0, 22)])).toEqual([
    960,
    'data:image/jpeg;base64',
  ])
  await dialog.getByRole('button', { name: 'Take it out' }).click()
  await expect(photo).toHaveCount(0)
  await page.getByRole('button', { name: 'Bring it back' }).click()
  await expect(photo).toBeVisible()
  await page.goto('/')
  const fileOf = async (press: () => Promise<void>) => {
    const download = page.waitForEvent('download')
    await press()
    return JSON.parse(await readFile(await (await download).path(), 'utf8')) as { photos: unknown[] }
  }
  const without = await fileOf(() => page.getByRole('button', { name: 'Export', exact: true }).click())
  expect(without.photos).toEqual([])
  await expect(page.getByText('One photo is not in the file.').first()).toBeVisible()
  const all = await fileOf(() => page.getByRole('button', { name: 'Export with photos' }).click())
  expect(all.photos).toMatchObject([{ copyId: 'trivet-1' }])
})
