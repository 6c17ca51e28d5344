import { expect, type Page } from '@playwright/test'
import { put, stored } from './storage.ts'

/** Desk, tablet and phone. */
export const ROOMS = [
  { width: 1280, height: 800 },
  { width: 820, height: 1180 },
  { width: 390, height: 844 },
]

/** Every view of the application, with the demo on the shelf. */
export const PLACES = [
  ['shelf', '/'],
  ['new', '/new'],
  ['several pieces', '/new/together'],
  ['a new text', '/new/text'],
  ['a text', '/piece/wash-house-mat/text'],
  ['plan', '/piece/kettle-trivet/plan'],
  ['a set', '/piece/tin-mug-mats/plan'],
  ['a tube', '/piece/lamp-glass-sleeve/plan'],
  ['a cap', '/piece/wardens-cap/plan'],
  ['a basket', '/piece/kindling-basket/plan'],
  ['booties', '/piece/cradle-booties/plan'],
  ['pieces', '/project/pot-holder/pieces'],
  ['seam', '/project/pot-holder/seam/layers'],
  ['work', '/piece/kettle-trivet/work'],
  ['check', '/piece/kettle-trivet/check'],
  ['sheet', '/piece/kettle-trivet/sheet'],
  ['blocking', '/piece/drying-rack-mat/block'],
  ['gauges', '/gauges/cotton-single'],
  ['yarns', '/yarns'],
  ['log', '/log'],
  ['from another device', '/carry'],
  ['measure', '/measure'],
  ['measuring sheet', '/sheet'],
  ['settings', '/settings'],
] as const

/** Opens the shelf of a browser that was never here: the demo workshop is on it. */
export async function openShelf(page: Page): Promise<void> {
  await page.goto('/')
  await expect(page.getByRole('heading', { name: 'Skarn Hut' })).toBeVisible()
  await expect(page.getByRole('link', { name: 'Kettle trivet', exact: true })).toBeVisible()
}

/** Brings the demo to a browser that was never here, by a page that plans nothing: for walks that begin elsewhere. */
export async function withDemo(page: Page): Promise<void> {
  await page.goto('/sheet')
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  await page.waitForFunction(async () => (await indexedDB.databases()).some(({ version }) => version! > 1))
  // Its settings are written last.
  const kept = async () => (await stored<object>(page, 'settings')).length
  await expect.poll(kept, { intervals: [100] }).toBe(1)
}

/** The projects of the demo, by the names they have on the shelf; three of them are under way. */
export const DEMO = [
  'Kettle trivet',
  'Tin-mug mats',
  'Lamp-glass sleeve',
  'Warden’s cap',
  'Kindling basket',
  'Door-stop ball',
  'Pan-handle sleeve',
  'Lamp-glass cover',
  'Cradle booties',
  'Headlamp case',
  'Compass pouch',
  'Half-round pot rest',
  'Bed socks',
  'Pot holder',
  'Drying-rack mat',
  'Wash-house mat',
] as const

/** Their pieces: the case has a body and a lid, the pot holder a disc made twice and a loop. */
export const DEMO_PIECES = DEMO.length + 2

/** The shelf of a maker who has taken every piece off it. */
export async function emptyShelf(page: Page): Promise<void> {
  await withDemo(page)
  for (const project of await stored<object>(page, 'projects')) {
    await put(page, 'projects', { ...project, deletedAt: Date.now() })
  }
  await page.goto('/')
  await expect(page.getByRole('link', { name: 'Plan a round mat' })).toBeVisible()
  for (const other of DEMO) await expect(page.getByRole('link', { name: other, exact: true })).toHaveCount(0)
}

/** The address of a demo project's piece once more, with nothing of it worked, and what it is called by in the store. */
export async function onceMore(
  page: Page,
  name: string,
): Promise<{ readonly at: string; readonly id: string }> {
  await openShelf(page)
  await page.getByRole('button', { name: `More for ${name}`, exact: true }).click()
  await page.getByRole('menuitem', { name: 'Duplicate' }).click()
  await expect(page.getByRole('link', { name: `${name} 2`, exact: true })).toBeVisible()
  const projects = await stored<{ id: string; name: string }>(page, 'projects')
  const project = projects.find((one) => one.name === `${name} 2`)!
  const pieces = await stored<{ id: string; projectId: string }>(page, 'pieces')
  const { id } = pieces.find(({ projectId }) => projectId === project.id)!
  return { at: `/project/${project.id}/piece/${id}`, id }
}

/** The count on its tag in the work screen. */
export const countOf = (page: Page) => page.getByTestId('count')

/** Begins a piece of the demo from its plan and goes to the end of a round. */
export async function workTo(page: Page, plan: string, round: number): Promise<void> {
  await withDemo(page)
  await page.goto(plan)
  await page.getByRole('button', { name: /Begin/ }).click()
  await expect(countOf(page)).toHaveText('0')
  await page.getByRole('button', { name: 'Go to' }).click()
  await page.getByRole('dialog').getByRole('textbox').first().fill(String(round))
  await page.getByRole('dialog').getByRole('button', { name: /Go/ }).click()
  await expect(
    page.getByRole('heading', { level: 1, name: new RegExp(`(Rnd|Row) ${round} of`) }),
  ).toBeAttached()
  await endRound(page)
}

/** To the end of the round on the hook, and as long as a hurried key after its last stitch would not start the next. */
export async function endRound(page: Page): Promise<void> {
  await page.getByRole('button', { name: /^End of (round|row)$/ }).click()
  await expect(page.getByText(/^(Rnd|Row) \d+ is done\. Count it\.$/)).toBeVisible()
  await page.waitForTimeout(500)
}

/** Begins a piece of the demo and finishes it at once. */
export async function finishAt(page: Page, plan: string, last: number): Promise<void> {
  await workTo(page, plan, last)
  await page.getByRole('button', { name: /: finish$/ }).click()
}

/** The field that a label names, and no other. */
export const field = (page: Page, name: string) => page.getByRole('textbox', { name, exact: true })
