import { expect, test, type Page } from '@playwright/test'
import { countOf, onceMore } from './shelf.ts'

/** `TORMENT_DEEDS=1000` does as many; CI sixty. */
const DEEDS = Number(process.env['TORMENT_DEEDS'] ?? 60)
const SEED = Number(process.env['TORMENT_SEED'] ?? 1)

/** Stitches that each thing done in a round makes, by what the plan says of it: "(2 sc, inc) × 6". */
function unitsOf(text: string, below: number): readonly number[] {
  if (text === 'inc in each st') return Array.from({ length: below }, () => 2)
  const repeats = text.replaceAll(/\(([^()]*)\) × (\d+)/g, (_, inner: string, times: string) =>
    Array.from({ length: Number(times) }, () => inner).join(', '),
  )
  return repeats.split(', ').flatMap((part) => {
    const found = /^(?:(\d+) )?(sc|inc)(?: × (\d+))?$/.exec(part.trim())
    if (!found) throw new Error(`What is “${part}” of “${text}”?`)
    const [, many, what, times] = found
    return Array.from({ length: Number(many ?? times ?? 1) }, () => (what === 'inc' ? 2 : 1))
  })
}

interface Round {
  readonly units: readonly number[]
}

interface At {
  readonly rounds: readonly Round[]
  readonly round: number
  readonly unit: number
}

const sum = (numbers: readonly number[]) => numbers.reduce((all, one) => all + one, 0)
const madeIn = ({ rounds, round, unit }: At) => sum(rounds[round]!.units.slice(0, unit))
const isDone = ({ rounds, round, unit }: At) => unit === rounds[round]!.units.length
/** As it is shown: which round of how many, and how much of it is made. */
const shownOf = (at: At) =>
  isDone(at)
    ? `Rnd ${at.round + 1} of ${at.rounds.length}, done`
    : `Rnd ${at.round + 1} of ${at.rounds.length}, ${madeIn(at)}`

async function seenOn(page: Page): Promise<string> {
  const title = await page.getByRole('heading', { level: 1 }).textContent()
  const rnd = /Rnd \d+ of \d+/.exec(title ?? '')?.[0]
  const done = (await page.getByText(/is done\. Count it\.$/).count()) > 0
  return `${rnd}, ${done ? 'done' : await countOf(page).textContent({ timeout: 300 })}`
}

const isShown = (page: Page, at: At, after: readonly string[]) =>
  expect
    .poll(() => seenOn(page).catch(() => ''), {
      timeout: 30_000,
      intervals: [30, 60, 120, 250],
      message: after.slice(-6).join('; '),
    })
    .toBe(shownOf(at))

/** Numbers from 0 to 1, the same for the same seed (Park and Miller). */
function dice(seed: number): () => number {
  let state = (seed * 48_271) % 2_147_483_647
  return () => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647
}

test('whatever is tapped, undone, re-planned and reloaded in two tabs ends where a simple count of it ends', async ({
  page: first,
  context,
}) => {
  test.setTimeout(120_000 + DEEDS * 2000)
  const { at: address } = await onceMore(first, 'Tin-mug mats')
  await first.goto(`${address}/plan`)
  const rows = first.getByRole('table', { name: 'Rounds of the piece' }).getByRole('row')
  await expect(rows).toHaveCount(9)
  const written = await rows.evaluateAll((all) =>
    all.slice(1).map((row) => row.querySelectorAll('td')[1]?.textContent ?? ''),
  )
  const rounds = written.map((text, index) => ({
    // A yarn that is taken up stands behind it.
    units: index === 0 ? [1, 1, 1, 1, 1, 1] : unitsOf(text.replace(/ Pine$/, ''), 6 * index),
  }))
  expect(rounds.map(({ units }) => sum(units))).toEqual([6, 12, 18, 24, 30, 36, 42, 48])
  await first.getByRole('button', { name: /^Begin/ }).click()
  await expect(countOf(first)).toHaveText('0')
  const second = await context.newPage()
  await second.goto(`${address}/work`)

  const chance = dice(SEED)
  const below = (many: number) => Math.floor(chance() * many)
  let now: At = { rounds, round: 0, unit: 0 }
  const before: At[] = []
  const move = (next: At) => {
    if (next.round === now.round && next.unit === now.unit && next.rounds === now.rounds) return
    before.push(now)
    now = next
  }
  const deeds: Record<string, (page: Page) => Promise<void>> = {
    'count some': async (page) => {
      for (let taps = 1 + below(9); taps > 0 && !isDone(now); taps--) {
        await page.keyboard.press('Space')
        move({ ...now, unit: now.unit + 1 })
      }
    },
    'to the end of the round': async (page) => {
      await page.keyboard.press('Shift+Enter')
      move({ ...now, unit: now.rounds[now.round]!.units.length })
    },
    'on to the next': async (page) => {
      if (!isDone(now) || now.round === now.rounds.length - 1) return
      // A hurried key right after the last stitch does not start the next round.
      await page.waitForTimeout(500)
      await page.keyboard.press('Enter')
      move({ ...now, round: now.round + 1, unit: 0 })
    },
    'take back': async (page) => {
      await page.keyboard.press('Backspace')
      now = before.pop() ?? now
    },
    'count anew': async (page) => {
      await page.keyboard.press('r')
      move({ ...now, unit: 0 })
    },
    'go somewhere': async (page) => {
      const round = below(now.rounds.length)
      const { units } = now.rounds[round]!
      const unit = below(units.length)
      await page.keyboard.press('g')
      const dialog = page.getByRole('dialog', { name: 'Go to a round' })
      await dialog.getByRole('textbox', { name: /^Round, of/ }).fill(String(round + 1))
      await dialog
        .getByRole('textbox', { name: 'Stitches made in it' })
        .fill(String(sum(units.slice(0, unit))))
      await dialog.getByRole('button', { name: 'Go there' }).click()
      await expect(dialog).toBeHidden()
      move({ ...now, round, unit })
    },
    'put an even round in': async (page) => {
      if (isDone(now) || now.rounds.length > 12) return
      await page.keyboard.press('n')
      const dialog = page.getByRole('dialog', { name: 'Note' })
      await dialog.getByRole('button', { name: 'An even round more after this' }).press('Enter')
      await expect(dialog).toBeHidden()
      const even = { units: Array.from({ length: sum(now.rounds[now.round]!.units) }, () => 1) }
      move({ ...now, rounds: now.rounds.toSpliced(now.round + 1, 0, even) })
    },
    'open it anew': async (page) => {
      await page.reload()
    },
  }
  const names = Object.keys(deeds)
  const done: string[] = []
  for (let deed = 0; deed < DEEDS; deed++) {
    const page = chance() < 0.5 ? first : second
    await page.bringToFront()
    await isShown(page, now, done)
    // Counting is what is done most.
    const name = chance() < 0.4 ? 'count some' : names[below(names.length)]!
    done.push(`${page === first ? 1 : 2} ${name}`)
    await test.step(done.at(-1)!, () => deeds[name]!(page))
    await isShown(page, now, done)
  }
  for (const page of [first, second]) {
    await page.bringToFront()
    await page.reload()
    await isShown(page, now, done)
  }
})
