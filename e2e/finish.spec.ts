import { expect, test, type Page } from '@playwright/test'
import { field, withDemo } from './shelf.ts'
import { stored } from './storage.ts'

const holder = '/project/pot-holder/pieces'
const stations = (page: Page) => page.getByRole('region', { name: 'In this order' }).getByRole('listitem')
const station = (page: Page, name: RegExp) =>
  page.getByRole('region', { name: 'In this order' }).getByRole('button', { name })

test('a case becomes one by keyboard: its hinge is there, changed, taken out and brought back', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto('/project/headlamp-case/pieces')
  const joint = page.getByRole('button', { name: /^Joint, Body to Lid/ })
  await expect(joint).toHaveAccessibleName(/: 8 = 8$/)
  await joint.press('Enter')
  const panel = page.getByRole('region', { name: 'Joint' })
  await expect(panel.getByText(/Leave a tail of/)).toBeVisible()
  // Both are joined where their plans say that the hinge is.
  await expect(field(page, 'Body: from stitch')).toHaveValue('20')
  const many = field(page, 'Lid: how many')
  await many.fill('12')
  await many.press('Enter')
  await expect(panel.getByText(/12 stitches on 8 are 50% more: that gathers/)).toBeVisible()
  await many.fill('40')
  await many.press('Enter')
  await expect(panel.getByText(/2 to 38/i)).toBeVisible()
  await many.fill('9')
  await many.press('Enter')
  await expect(panel.getByText(/2 in one at st \d; it will be seen a little/)).toBeVisible()
  await expect(joint).toHaveAccessibleName(/: 8 on 9$/)
  await panel.getByRole('button', { name: /^Back stitch/ }).press('Enter')
  await expect(panel.getByText(/^Back stitch\. 2 in one/)).toBeVisible()
  await page.reload()
  await expect(page.getByText(/^Back stitch\. 2 in one/)).toBeVisible()
  await page.getByRole('button', { name: 'Take this joint out' }).press('Enter')
  await expect(page.getByRole('heading', { name: 'Join two edges' })).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).press('Enter')
  await expect(joint).toBeVisible()
})

test('steps go where the rules let them, by keys and by mouse; what closes asks first, and says what is still to go in', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto(holder)
  await expect(stations(page)).toHaveCount(8)
  const ends = station(page, /^Ends inside/)
  await ends.press('Enter')
  await expect(page.getByText('Before Disc 1 to 2: it needs the inside.')).toBeVisible()
  // It may go after the loop or before it, never after both layers are one.
  await ends.press('Shift+ArrowRight')
  await expect(
    page.getByText('Ends inside stays before Disc 1 to 2: it needs the inside.', { exact: true }),
  ).toBeVisible()
  await ends.press('Shift+ArrowLeft')
  await expect(stations(page).nth(1)).toContainText('Ends inside')
  await page.reload()
  await expect(stations(page).nth(1)).toContainText('Ends inside')

  // Dragged beyond what holds it, it stops there.
  const [from, to] = [
    await station(page, /^Loop, make it/).boundingBox(),
    await station(page, /^Weave in/).boundingBox(),
  ]
  await page.mouse.move(from!.x + 20, from!.y + 20)
  await page.mouse.down()
  await page.mouse.move(to!.x, to!.y + 20, { steps: 12 })
  await page.mouse.move(to!.x + 30, to!.y + 20, { steps: 4 })
  await page.mouse.up()
  await expect(stations(page).nth(3)).toContainText('Loop')

  await page.getByRole('button', { name: 'Add a step' }).click()
  await page.getByRole('combobox', { name: 'What' }).selectOption('hardware')
  await page.getByLabel('Called').fill('Magnet')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(page.getByText(/None for babies or children under three/)).toBeVisible()
  await expect(stations(page)).toHaveCount(9)
  await expect(page.getByText('Before Disc 1 to 2: it needs the inside.')).toBeVisible()
  const [project] = (
    await stored<{ id: string; finish?: { steps: { name: string }[]; order: string[] } }>(page, 'projects')
  ).filter(({ id }) => id === 'pot-holder')
  expect(project!.finish!.steps.map(({ name }) => name)).toEqual(['Magnet'])
  expect(project!.finish!.order.length).toBe(8)

  // A wish of one's own that goes around in a circle is named; one that does not is kept, and given up again.
  await station(page, /^Ends inside/).click()
  await page.getByRole('combobox', { name: 'Only after' }).selectOption({ label: 'Disc 1 to 2' })
  await expect(page.getByText(/would wait for one another: .*Ends inside.*Disc 1 to 2/)).toBeVisible()
  await page.getByRole('combobox', { name: 'Only after' }).selectOption({ label: 'Loop' })
  await expect(page.getByText('After Loop: as you wanted it.')).toBeVisible()
  await page.getByRole('button', { name: 'Not any more' }).click()
  await expect(page.getByText('After Loop: as you wanted it.')).toHaveCount(0)
})

test('a seam is counted by keys, stitch by stitch; its step is done with the last, and in hand again one back', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto('/project/headlamp-case/pieces')
  const seam = page.getByRole('region', { name: 'Seam in hand' })
  const count = seam.getByRole('button', { name: 'Count a stitch' })
  await expect(seam.getByText('Next: st 20 of Body with st 20 of Lid.')).toBeVisible()
  await count.focus()
  for (let stitch = 1; stitch <= 3; stitch++) {
    await page.keyboard.press('Space')
    await expect(seam.getByLabel('Stitches of the seam')).toHaveText(`${stitch} of 8`)
  }
  await page.reload()
  await expect(seam.getByText('Next: st 23 of Body with st 23 of Lid.')).toBeVisible()
  await count.focus()
  for (let stitch = 4; stitch <= 8; stitch++) {
    await page.keyboard.press('Enter')
    await expect(seam.getByLabel('Stitches of the seam')).toHaveText(`${stitch} of 8`)
  }
  await expect(seam.getByText('All of it is joined.')).toBeVisible()
  await expect(station(page, /^Body to Lid, .*done/)).toBeVisible()
  await seam.getByRole('button', { name: 'One back' }).click()
  await expect(station(page, /^Body to Lid, 8 = 8, to come/)).toBeVisible()
})

test('a set of two discs is joined through both on a phone, filled through an opening, with odd numbers refused', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await withDemo(page)
  await page.goto('/project/pan-handle-sleeve/pieces')
  await page.getByRole('button', { name: 'Join them' }).click()
  const panel = page.getByRole('region', { name: 'Joint' })
  const open = field(page, 'Stays open until it is filled, sts')
  await open.fill('0')
  await open.press('Enter')
  await expect(panel.getByText(/from 2 to/i).first()).toBeVisible()
  await open.fill('300 sts')
  await open.press('Enter')
  await expect(open).toHaveAttribute('aria-invalid', 'true')
  await open.fill('4')
  await open.press('Enter')
  await expect(stations(page).filter({ hasText: 'Fill' })).toContainText('through 4 sts')
  await expect(stations(page).filter({ hasText: /^Close/ })).toContainText('the last 4')
  const close = station(page, /^Close/)
  await close.click()
  await expect(page.getByText('After this there is no way inside.')).toBeVisible()
  await page.goBack()
  await page.goForward()
  await expect(stations(page).filter({ hasText: /^Close/ })).toContainText('the last 4')
})

test('a small part is made of chains and put on; what a small child would swallow is refused', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto('/project/pot-holder/pieces')
  await page.getByRole('button', { name: 'Add a step' }).press('Enter')
  await page.getByRole('combobox', { name: 'What' }).selectOption({ label: 'Small part' })
  await field(page, 'Long').fill('30 cm')
  await page.getByRole('checkbox', { name: 'Firm: back along it' }).check()
  await page.getByRole('button', { name: 'Add', exact: true }).press('Enter')
  // By hand: 300 / 9.2 mm = 33 chains; one more to turn, 33 back.
  await expect(page.getByText(/^Ch 34, then back along it: .* 33 in all\./)).toBeVisible()
  await expect(page.getByRole('list', { name: 'Yarn, piece by piece' })).toContainText(/Soot, lot 87: /)
  // FIELD §14: 8 × 7.1 mm of mattress stitch × 2.6, and 15 cm.
  await page.goto('/project/headlamp-case/piece/headlamp-body/sheet')
  await expect(page.getByRole('list', { name: 'Tails' })).toHaveText(
    /^Leave a tail of 3\d\.0 cm for Body to Lid\.$/,
  )
  await page.goto('/project/cradle-booties/pieces')
  await page.getByRole('button', { name: 'Add a step' }).press('Enter')
  await page.getByRole('combobox', { name: 'What' }).selectOption({ label: 'Small part' })
  await page.getByRole('combobox', { name: 'Which' }).selectOption({ label: 'Pompom' })
  await page.getByRole('button', { name: 'Add', exact: true }).press('Enter')
  await expect(page.getByRole('alert')).toHaveText(/threads come off .* Embroider it instead\./)
})

test('two edges of unequal counts are planned together: one press, and the other way back', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto('/new/together?make=box')
  await page.getByRole('button', { name: 'Plan them' }).press('Enter')
  await expect(page.getByRole('heading', { name: 'Box', exact: true }).first()).toBeVisible()
  await page.getByRole('button', { name: 'Join them' }).press('Enter')
  const offer = page.getByRole('button', { name: /^Plan Cover with \d+ sts/ })
  const count = /with (\d+) sts/.exec(await offer.innerText())![1]!
  await offer.press('Enter')
  await expect(page.getByText('Stitch to stitch.', { exact: false }).first()).toBeVisible()
  await expect(page.getByRole('button', { name: `Joint, Box to Cover: ${count} = ${count}` })).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).press('Enter')
  await expect(offer).toBeVisible()
})

test('the finished thing has its promised measures and one photo, made small; no other file is taken', async ({
  page,
}) => {
  await withDemo(page)
  await page.goto('/project/pot-holder/pieces')
  await page.getByRole('button', { name: /^Wash, measure/ }).click()
  await expect(page.getByRole('list', { name: 'Final measures' })).toContainText(
    /Disc: 18\.\d ± 0\.\d cm across/,
  )
  const input = page.locator('input[type=file]')
  await input.setInputFiles({ name: 'notes.txt', mimeType: 'text/plain', buffer: Buffer.from('no picture') })
  await expect(page.getByRole('alert')).toHaveText(/no picture that can be read/)
  // A large picture of one colour.
  const picture = await page.evaluate(() => {
    const canvas = document.createElement('canvas')
    ;[canvas.width, canvas.height] = [2400, 1200]
    canvas.getContext('2d')!.fillRect(0, 0, 2400, 1200)
    return canvas.toDataURL('image/png').split(',')[1]!
  })
  await input.setInputFiles({ name: 'a.png', mimeType: 'image/png', buffer: Buffer.from(picture, 'base64') })
  const photo = page.getByRole('img', { name: 'Pot holder, finished' })
  await expect(photo).toBeVisible()
  expect(
    await photo.evaluate((image: HTMLImageElement) => [image.naturalWidth, image.naturalHeight]),
  ).toEqual([960, 480])
  await expect(page.getByRole('alert')).toHaveCount(0)
  await page.reload()
  await page.getByRole('button', { name: /^Wash, measure/ }).click()
  await expect(photo).toBeVisible()
  await page.getByRole('button', { name: 'Take it out' }).press('Enter')
  await expect(photo).toHaveCount(0)
})

test.describe('with hands full, on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 } })

  test('a round through both is counted by taps and by Space; before it shuts something out it asks', async ({
    page,
  }) => {
    await withDemo(page)
    await page.goto('/project/pot-holder/pieces')
    await page.getByRole('link', { name: 'Work it with hands full' }).click()
    const count = page.getByTestId('count')
    await expect(count).toHaveText('0')
    await page.getByTestId('tap-area').click()
    await expect(count).toHaveText('1')
    for (let stitch = 2; stitch <= 57; stitch++) await page.keyboard.press('Space')
    await expect(count).toHaveText('57')
    await expect(page.getByText('Next: st 58 of Disc 1 with st 58 of Disc 2.')).toBeVisible()
    await page.reload()
    await expect(count).toHaveText('57')
    await page.keyboard.press('Space')
    const dialog = page.getByRole('dialog', { name: 'Still to go inside' })
    await expect(dialog).toContainText('Ends inside')
    await dialog.getByRole('button', { name: 'Leave it open' }).click()
    await expect(count).toHaveText('57')
    await page.keyboard.press('Backspace')
    await expect(count).toHaveText('56')
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(count).toHaveText('55')
    await page.getByRole('link', { name: 'To the pieces' }).click()
    await expect(page.getByRole('heading', { name: 'Pot holder' })).toBeVisible()
  })
})
