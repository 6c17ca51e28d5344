import fc from 'fast-check'
import { SpecError } from '../errors/specError.ts'
import { planPiece } from '../plan/planPiece.ts'
import type { Plan } from '../plan/plan.ts'
import { anySpec } from '../testing/specs.ts'
import { writeRound, writeRoundBody } from './writeRound.ts'
import { runs } from '../testing/runs.ts'

/**
 * A reader of its own for what Uzel writes, that shares no code with the writer: what a maker who follows the
 * words would make, and use of the round below.
 */
function followed(text: string): { makes: number; uses: number } {
  let [makes, uses] = [0, 0]
  const add = (more: { makes: number; uses: number }, times = 1) => {
    makes += times * more.makes
    uses += times * more.uses
  }
  const repeats = /\(([^()]*)\) × (\d+)/g
  for (const [, inner, times] of text.matchAll(repeats)) add(followed(inner!), Number(times))
  for (const part of text
    .replace(repeats, '')
    .split(',')
    .map((piece) => piece.trim())) {
    const run = /^(?:(\d+) )?(?:sl st|sc|hdc|dc|tr)$/.exec(part)
    const single = /^(inc|(?:sc|hdc|dc|tr)2tog|sc|hdc|dc|tr)(?: × (\d+))?$/.exec(part)
    if (run && !single) add({ makes: Number(run[1] ?? 1), uses: Number(run[1] ?? 1) })
    else if (single) {
      const times = Number(single[2] ?? 1)
      const [does] = single.slice(1)
      if (does === 'inc') add({ makes: 2, uses: 1 }, times)
      else if (does!.endsWith('2tog')) add({ makes: 1, uses: 2 }, times)
      else add({ makes: 1, uses: 1 }, times)
    } else if (part !== '') throw new Error(`A maker could not read “${part}” in “${text}”.`)
  }
  return { makes, uses }
}

function planned(spec: Parameters<typeof planPiece>[0]): Plan | undefined {
  try {
    return planPiece(spec)
  } catch (error) {
    if (error instanceof SpecError) return undefined
    throw error
  }
}

test('whoever follows the words makes every count, whatever the construction', () => {
  fc.assert(
    fc.property(anySpec, (spec) => {
      const plan = planned(spec)
      if (!plan || plan.rounds.length > 25) return
      plan.rounds.forEach((round, index) => {
        const below = plan.rounds[index - 1]
        const { start, body } = writeRound(round, { spec, terms: 'US', below })
        // The chain that counts, or the standing stitch, is the first; an increase is completed in the same stitch.
        const counted = /counts as 1|standing|skipped ch count as 1/.test(`${start} ${body}`) ? 1 : 0
        const completed = / in same st$/.test(start) ? 1 : 0
        if (index === 0) {
          const made = /^(?:(\d+) )?\S+ (?:st )?in /.exec(body)!
          expect(Number(made[1] ?? 1) + counted).toBe(round.count)
          return
        }
        if (body.endsWith('in each st')) {
          expect([round.count, counted]).toEqual([round.from, 0])
          return
        }
        const { makes, uses } = followed(body)
        expect([makes + counted + completed, uses + counted]).toEqual([round.count, round.from])
      })
    }),
    { numRuns: runs(60) },
  )
})

test('the ledger says the same round without its beginning', () => {
  fc.assert(
    fc.property(anySpec, (spec) => {
      const plan = planned(spec)
      if (!plan || plan.rounds.length > 25) return
      for (const round of plan.rounds.slice(1)) {
        const text = writeRoundBody(round, 'US')
        if (text.endsWith('in each st')) expect(round.count).toBe(round.from)
        else expect(followed(text)).toEqual({ makes: round.count, uses: round.from })
      }
    }),
    { numRuns: runs(40) },
  )
})
