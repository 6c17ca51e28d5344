import fc from 'fast-check'
import { gaugeFromTable } from '../gauge/gaugeFromTable.ts'
import type { PieceSpec } from '../plan/plan.ts'
import { planPiece } from '../plan/planPiece.ts'
import { bundleByRound, metresOfYarn } from '../plan/yarnAndTime.ts'
import { strandRuns, tailsIn } from '../plan/yarnChanges.ts'
import { yarnCheck } from '../fit/yarnCheck.ts'
import { pieceProgress } from '../worklog/progress.ts'
import { discSpec } from '../testing/specs.ts'
import { measuredMetres, yarnUseOf, type Calibration } from './calibration.ts'
import { sameYarns, strandsOf, yarnsIn } from './strands.ts'

/** The usual disc with so many strands; the stitches stay as large, so that only the yarn differs. */
const held = (strands: number, colours: PieceSpec['colours']): PieceSpec => ({
  ...discSpec(200),
  gauge: { ...discSpec(200).gauge, strands },
  colours,
})
const metresIn = (spec: PieceSpec) => new Map(planPiece(spec).yarn.map(({ yarn, metres }) => [yarn, metres]))
const sum = (numbers: readonly number[]) => numbers.reduce((total, one) => total + one, 0)

test('every strand takes the length: k strands of one yarn take k times the metres', () => {
  const one = metresIn(held(1, [{ fromRound: 1, yarn: 'fog' }])).get('fog')!
  for (const strands of [2, 3, 6]) {
    const many = metresIn(held(strands, [{ fromRound: 1, yarn: 'fog' }])).get('fog')!
    expect(many).toBeCloseTo(strands * one, 9)
  }
})

test('two yarns held together take their share each, and together as much as one of both strands', () => {
  const one = metresIn(held(1, [{ fromRound: 1, yarn: 'fog' }])).get('fog')!
  const both = metresIn(held(2, [{ fromRound: 1, yarn: 'fog', beside: ['soot'] }]))
  expect(both.get('fog')).toBeCloseTo(one, 9)
  expect(both.get('soot')).toBeCloseTo(one, 9)
  const three = metresIn(held(3, [{ fromRound: 1, yarn: 'fog', beside: ['soot'] }]))
  expect(three.get('fog')).toBeCloseTo(2 * one, 9)
  expect(three.get('soot')).toBeCloseTo(one, 9)
})

test('yarns of any run add up to the strands times the bundle, their tails and what is carried up', () => {
  const yarn = fc.constantFrom('fog', 'soot', 'pine')
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 6 }),
      fc.array(yarn, { minLength: 1, maxLength: 4 }),
      fc.array(yarn, { maxLength: 5 }),
      (strands, mains, beside) => {
        fc.pre(beside.length < strands)
        const spec = held(
          strands,
          mains.map((main, index) => ({ fromRound: 3 * index + 1, yarn: main, beside })),
        )
        const plan = planPiece(spec)
        const runs = strandRuns(plan.rounds, spec)
        const carried = runs.flatMap(({ carriedFrom, from }) =>
          carriedFrom === undefined
            ? []
            : [plan.rounds[from - 2]!.at.arc - plan.rounds[carriedFrom - 1]!.at.arc],
        )
        expect(sum(plan.yarn.map(({ metres }) => metres))).toBeCloseTo(
          strands * sum(bundleByRound(plan.rounds, spec)) + 0.15 * tailsIn(runs) + sum(carried) / 1000,
          6,
        )
        for (const use of plan.yarn) {
          expect(sum(metresOfYarn(plan.rounds, spec, use.yarn))).toBeCloseTo(use.metres, 6)
        }
      },
    ),
  )
})

test('a yarn is used in rounds where it is only held beside another', () => {
  const spec = held(2, [
    { fromRound: 1, yarn: 'fog' },
    { fromRound: 9, yarn: 'fog', beside: ['soot'] },
  ])
  const plan = planPiece(spec)
  const check = yarnCheck({
    spec,
    plan,
    position: { round: 'r1', unit: 0 },
    yarn: 'soot',
    left: 100,
    leftSd: 1,
  })
  expect(check.needed).toBeCloseTo(plan.yarn.find(({ yarn }) => yarn === 'soot')!.metres, 9)
  const short = yarnCheck({
    spec,
    plan,
    position: { round: 'r1', unit: 0 },
    yarn: 'soot',
    left: 3,
    leftSd: 0.2,
  })
  expect(short.runsOut!.round).toBeGreaterThanOrEqual(9)
  const progress = pieceProgress(plan, 1, [
    { number: 1, plan, finished: false, position: { round: 'r9', unit: 0 } },
  ])
  expect(progress.metresLeft.get('soot')).toBeCloseTo(check.needed, 9)
})

test('who holds what, and when the yarns in hand change', () => {
  expect([...strandsOf({ yarn: 'fog' }, 2)]).toEqual([['fog', 2]])
  expect([...strandsOf({ yarn: 'fog', beside: ['soot', 'soot'] }, 3)]).toEqual([
    ['fog', 1],
    ['soot', 2],
  ])
  expect(yarnsIn({ yarn: 'fog', beside: ['soot', 'fog'] })).toEqual(['fog', 'soot'])
  expect(sameYarns({ yarn: 'fog' }, { yarn: 'fog', beside: [] })).toBe(true)
  expect(sameYarns({ yarn: 'fog' }, { yarn: 'fog', beside: ['soot'] })).toBe(false)
})

test('more yarns than strands are refused at the yarn, in words', () => {
  const attempt = () => planPiece(held(1, [{ fromRound: 1, yarn: 'fog', beside: ['soot'] }]))
  expect(attempt).toThrow(expect.objectContaining({ path: 'colours' }))
  expect(attempt).toThrow(/2 yarns cannot be held in one strand/)
})

test('what two strands weigh is shared between them; what is pulled out lies together', () => {
  const gauge = gaugeFromTable('sc', { weight: 4, strands: 2, hook: 6.5 })
  const weighed: Calibration = {
    id: 'w',
    at: 1,
    kind: 'weighed',
    stitch: 'sc',
    stitches: 300,
    gramsBefore: 100,
    gramsAfter: 70,
    metresPerBall: 85,
    gramsPerBall: 50,
  }
  const { metres } = measuredMetres(weighed, 2)
  expect(metres).toBeCloseTo(51 / 2, 9)
  const pulled: Calibration = {
    id: 'p',
    at: 1,
    kind: 'unravelled',
    stitch: 'sc',
    stitches: 300,
    length: metres * 1000,
  }
  expect(measuredMetres(pulled, 2).metres).toBeCloseTo(metres, 9)
  // Both say the same of the same yarn.
  expect(yarnUseOf(gauge, [weighed]).factor).toBeCloseTo(yarnUseOf(gauge, [pulled]).factor, 1)
})
