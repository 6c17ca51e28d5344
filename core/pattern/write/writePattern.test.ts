import fc from 'fast-check'
import type { PieceSpec, Plan } from '../../plan/plan.ts'
import { plannedIfAny } from '../../testing/chainSpecs.ts'
import { planPiece } from '../../plan/planPiece.ts'
import { expandSteps } from '../../rounds/steps.ts'
import type { Round } from '../../rounds/round.ts'
import type { Terms } from '../../stitches/stitch.ts'
import { PIECES_TO_WRITE } from '../../testing/patternSpecs.ts'
import { anySpec, discSpec } from '../../testing/specs.ts'
import { mm } from '../../units/millimetres.ts'
import { findingsOf } from '../check/findings.ts'
import { readPattern, roundsOf } from '../read/readPattern.ts'
import { patternText, writePattern } from './writePattern.ts'
import { runs } from '../../testing/runs.ts'

const WORDS = {
  title: 'Hut thing',
  quantity: 1,
  head: ['Hook: 5 mm'],
  nameOfYarn: (yarn: string) => yarn[0]!.toUpperCase() + yarn.slice(1),
  measureAfter: (round: number) => (round % 7 === 0 ? `${round} cm across` : undefined),
}

const textOf = (plan: Plan, spec: PieceSpec, terms: Terms, as: 'text' | 'markdown' = 'text') =>
  patternText(writePattern(plan, spec, terms, WORDS), as)

/** A round by all that a maker does in it, in whatever steps it is told. */
const done = ({ closed, side, hosts, left = [], steps }: Round) => ({
  closed,
  side,
  hosts: hosts.map(({ of, from, to }) => ({
    kind: of.kind,
    from,
    to,
    loops: of.kind === 'top' ? of.loops : '',
  })),
  left: left.map(({ from, to }) => [from, to]),
  units: expandSteps(steps).map(({ stitch, uses, makes, manner, of, loops }) => ({
    stitch,
    uses,
    makes,
    manner,
    of,
    loops,
  })),
})

const expectSame = (text: string, plan: Plan) => {
  const read = readPattern(text)
  expect(findingsOf(read)).toEqual([])
  expect(read.pieces).toHaveLength(1)
  const rounds = roundsOf(read.pieces[0]!, plan.rounds[0]!.yarn)
  expect(rounds.map(done)).toEqual(plan.rounds.map(done))
}

test.each(Object.entries(PIECES_TO_WRITE))(
  '%s: written out and read back it is the same rounds',
  (_, spec) => {
    const plan = planPiece(spec)
    for (const terms of ['US', 'UK'] as const) expectSame(textOf(plan, spec, terms), plan)
    expectSame(textOf(plan, spec, 'US', 'markdown'), plan)
  },
)

test('whatever the construction, the stitch and the pacing: read back it is the same', () => {
  fc.assert(
    fc.property(anySpec, fc.constantFrom<Terms>('US', 'UK'), (spec, terms) => {
      const plan = plannedIfAny(spec)
      if (!plan || plan.rounds.length > 40) return
      expectSame(textOf(plan, spec, terms), plan)
    }),
    { numRuns: runs(40), endOnFailure: true },
  )
})

test('a pattern says its terms, conventions and yarns once, rounds that are alike in one line, and reads its own name', () => {
  const spec: PieceSpec = {
    ...PIECES_TO_WRITE['vessel']!,
    colours: [
      { fromRound: 1, yarn: 'fog' },
      { fromRound: 12, yarn: 'pine' },
    ],
  }
  const plan = planPiece(spec)
  const text = textOf(plan, spec, 'UK')
  expect(text).toMatch(/^Hut thing\n\nTerms: UK\nHook: 5 mm\n/)
  expect(text.match(/is not a stitch/g)).toHaveLength(1)
  expect(text).toMatch(/\nWith Fog\.\nRnd 1: /)
  expect(text).toMatch(/\nChange to Pine\.\nRnd 12: /)
  expect(text).toMatch(/\nRnds \d+–\d+: ch 1, dc in each st, join with sl st in first st\. \(\d+\)\n/)
  const read = readPattern(text)
  expect(read.conventions.terms).toBe('UK')
  expect(read.pieces[0]!.name).toBe('Hut thing')
  expect(read.pieces[0]!.rounds.map(({ yarn }) => yarn)).toEqual(
    plan.rounds.map(({ number }) => (number < 12 ? 'Fog' : 'Pine')),
  )
  const markdown = textOf(planPiece(discSpec(100)), discSpec(100), 'US', 'markdown')
  expect(markdown).toMatch(/^# Hut thing\n\n- Terms: US\n/)
  expect(markdown).toMatch(/\n- Rnd 2: ch 1, inc × 6, join/)
})

test('a round of increases alone in another stitch than the one below says which', () => {
  const small = discSpec(21, {}, 0.82)
  const spec = {
    ...small,
    gauge: { ...small.gauge, w: mm(4.93), h: mm(4.07) },
    construction: { ...small.construction, freeLastRounds: 2 as const },
  }
  const plan = planPiece(spec)
  expect(plan.rounds.map(({ stitch }) => stitch)).toEqual(['sc', 'hdc'])
  expect(textOf(plan, spec, 'US')).toContain('2 hdc in each st')
  expectSame(textOf(plan, spec, 'US'), plan)
  expectSame(textOf(plan, spec, 'UK'), plan)
})
