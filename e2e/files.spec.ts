import { readFileSync } from 'node:fs'
import { expect, test, type Page } from '@playwright/test'
import { DEMO, openShelf } from './shelf.ts'

async function choose(page: Page, name: string, content: string | Buffer): Promise<void> {
  await page.getByLabel('File to import').setInputFiles({
    name,
    mimeType: 'application/json',
    buffer: Buffer.from(content),
  })
}

async function exported(page: Page): Promise<string> {
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Export', exact: true }).click()
  return readFileSync(await (await download).path(), 'utf8')
}

const withoutTime = (text: string) => text.replace(/"exportedAt": "[^"]*"/, '"exportedAt": ""')

test('the workshop goes out and comes back without loss, and never overwrites unasked', async ({
  page,
  browser,
}) => {
  await openShelf(page)
  const file = await exported(page)

  await choose(page, 'same.uzel.json', file)
  await expect(page.getByText('already on the shelf')).toHaveCount(DEMO.length)
  await page.getByRole('button', { name: 'Take it in' }).click()
  await expect(page.getByRole('link', { name: 'Kettle trivet', exact: true })).toHaveCount(2)

  const elsewhere = await (await browser.newContext()).newPage()
  await openShelf(elsewhere)
  await choose(elsewhere, 'moved.uzel.json', file)
  await elsewhere.getByRole('radio', { name: `Replace these ${DEMO.length}` }).click()
  await elsewhere.getByLabel('Also take the settings of “Skarn Hut”').check()
  await elsewhere.getByRole('button', { name: 'Take it in' }).click()
  await expect(elsewhere.getByText(`All ${DEMO.length} are on the shelf.`).first()).toBeVisible()
  const back = JSON.parse(withoutTime(await exported(elsewhere))) as Record<string, unknown[]>
  const sent = JSON.parse(withoutTime(file)) as Record<string, unknown[]>
  const byId = (records: unknown) =>
    Array.isArray(records)
      ? (records as { id: string }[]).toSorted((one, other) => (one.id < other.id ? -1 : 1))
      : records
  for (const table of Object.keys(sent)) expect(byId(back[table])).toEqual(byId(sent[table]))
})

test('bad files are refused with the path of the fault and change nothing', async ({ page }) => {
  await openShelf(page)
  const good = JSON.parse(await exported(page)) as {
    pieces: { form: { across: unknown } }[]
    version: number
  }
  const before = withoutTime(await exported(page))
  const bent = structuredClone(good)
  bent.pieces[0]!.form.across = -4
  for (const [name, content, says] of [
    ['broken.json', '{"format": "uzel", ', /not JSON/],
    ['other.json', '{"format": "spreadsheet"}', /not a Uzel file/],
    ['newer.json', JSON.stringify({ ...good, version: 99 }), /reads up to 10/],
    ['bent.json', JSON.stringify(bent), /pieces\[0\]\.form\.across/],
    ['noise.json', Buffer.alloc(50_000_000, 'knit one '), /not JSON/],
  ] as const) {
    await choose(page, name, content)
    const dialog = page.getByRole('dialog', { name: 'This file was not taken in' })
    await expect(dialog).toContainText('Nothing was changed.')
    await expect(dialog).toContainText(says)
    await dialog.getByRole('button', { name: 'Close' }).click()
  }
  expect(withoutTime(await exported(page))).toBe(before)
})

test('the shelf: duplicate, rename, delete with undo, search', async ({ page }) => {
  await openShelf(page)
  const deed = async (piece: string, name: string) => {
    await page.getByRole('button', { name: `More for ${piece}`, exact: true }).click()
    await page.getByRole('menuitem', { name }).click()
  }
  await deed('Kettle trivet', 'Duplicate')
  await expect(page.getByRole('link', { name: 'Kettle trivet 2', exact: true })).toBeVisible()
  await deed('Kettle trivet 2', 'Rename')
  await page.getByLabel('Name of the piece').fill('<img src=x onerror=alert(1)>')
  await page.getByRole('button', { name: 'Rename' }).click()
  await expect(page.getByRole('link', { name: '<img src=x onerror=alert(1)>', exact: true })).toBeVisible()
  expect(await page.locator('main img').count()).toBe(0)
  await deed('<img src=x onerror=alert(1)>', 'Delete')
  await expect(page.getByRole('link', { name: '<img src=x onerror=alert(1)>', exact: true })).toHaveCount(0)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('link', { name: '<img src=x onerror=alert(1)>', exact: true })).toBeVisible()
  await page.getByRole('searchbox', { name: 'Find a piece or yarn' }).fill('pine')
  await expect(page.getByRole('link', { name: 'Kettle trivet', exact: true })).toHaveCount(0)
  await expect(page.getByRole('link', { name: 'Tin-mug mats', exact: true })).toBeVisible()
})
