import fc from 'fast-check'
import { planPiece } from '../plan/planPiece.ts'
import { differenceOf, withYarnFrom } from '../plan/workedOtherwise.ts'
import { verify } from '../rounds/verify.ts'
import { PIECES_TO_WRITE } from '../testing/patternSpecs.ts'
import { discSpec, promise, seenAcross } from '../testing/specs.ts'
import { unitsOf } from '../worklog/moves.ts'
import { stitchesMade } from '../worklog/workView.ts'
import { learnFromPiece } from './learnFromPiece.ts'
import { onHookFrom } from './onHookFrom.ts'
import { slipHere } from './repairCount.ts'
import { among, runs } from '../testing/runs.ts'

const names = Object.keys(PIECES_TO_WRITE)

test('a stitch more or fewer where the hook is: it adds up, the next round takes it up, and what is made stays made', () => {
  let slips = 0
  fc.assert(
    fc.property(
      fc.constantFrom(...names),
      fc.nat(),
      fc.nat(),
      fc.constantFrom(1 as const, -1 as const),
      (name, at, hook, off) => {
        const spec = PIECES_TO_WRITE[name]!
        const plan = planPiece(spec)
        const round = plan.rounds[at % plan.rounds.length]!
        const unit = hook % (unitsOf(round).length + 1)
        const slip = slipHere(spec, plan, round.number, unit, off)
        if (!slip) return
        slips++
        const { rounds } = slip.plan
        expect(verify(rounds)).toEqual([])
        const worked = rounds[round.number - 1]!
        expect(worked.count).toBe(round.count + off)
        expect(rounds.slice(round.number).map(({ count }) => count)).toEqual(
          plan.rounds.slice(round.number).map(({ count }) => count),
        )
        expect(rounds.slice(0, round.number - 1)).toEqual(plan.rounds.slice(0, round.number - 1))
        const made = stitchesMade(unitsOf(worked), slip.unit)
        const before = stitchesMade(unitsOf(round), unit)
        // Stitches in a ring stand in nothing: what is more or fewer there is to come, unless all are made.
        expect(made - before).toBe(round.from === 0 && unit < unitsOf(round).length ? 0 : off)
        expect(slip.unit).toBeLessThanOrEqual(unitsOf(worked).length)
        // What is still to come in it is as planned.
        if (round.from > 0) {
          expect(
            unitsOf(worked)
              .slice(slip.unit)
              .map(({ makes }) => makes),
          ).toEqual(
            unitsOf(round)
              .slice(unit)
              .map(({ makes }) => makes),
          )
        }
        const kinds = differenceOf(plan.rounds, rounds).map(({ kind }) => kind)
        expect(kinds[0]).toBe('count')
        expect(kinds.slice(1)).toEqual(kinds.length > 1 ? ['steps'] : [])
      },
    ),
    // Rows of the off-centre disc stand on a part of its ninth round.
    { numRuns: runs(300), examples: [['off-centre disc', 8, 1, 1]] },
  )
  expect(slips).toBeGreaterThan(among(150))
})

test('told once a ring is whole, a stitch more or fewer leaves it whole', () => {
  const told = [-1, 1].flatMap((off) =>
    names.flatMap((name) => {
      const spec = PIECES_TO_WRITE[name]!
      const plan = planPiece(spec)
      const first = plan.rounds[0]!
      const slip = first.from === 0 && slipHere(spec, plan, 1, unitsOf(first).length, off as 1 | -1)
      return slip ? [unitsOf(slip.plan.rounds[0]!).length - slip.unit] : []
    }),
  )
  expect(told.length).toBeGreaterThan(5)
  expect(new Set(told)).toEqual(new Set([0]))
})

test('before the first stitch of a round there is no slip to tell', () => {
  const spec = discSpec(200)
  expect(slipHere(spec, planPiece(spec), 6, 0, 1)).toBeUndefined()
})

test('on a larger hook the rounds made stay and fewer come after them, to the same size; a text keeps its rounds', () => {
  const spec = discSpec(240)
  const plan = planPiece(spec)
  const otherwise = onHookFrom(spec, plan, 8, 5, 7)!
  expect(otherwise.plan.rounds.slice(0, 7).map(({ steps }) => steps)).toEqual(
    plan.rounds.slice(0, 7).map(({ steps }) => steps),
  )
  // By hand: the root of 7/5 is 1.183, so that nine rounds to come are as wide as 7.6 of them.
  expect(otherwise.spec.gauge.hook).toBe(7)
  expect(otherwise.spec.gauge.w / spec.gauge.w).toBeCloseTo(1.1832, 4)
  expect(otherwise.plan.rounds.length).toBeLessThan(plan.rounds.length)
  // Half a round, on either side.
  expect(Math.abs(promise(otherwise.plan.finished, 'across').value - 240)).toBeLessThan(
    otherwise.spec.gauge.h,
  )

  const { rounds } = plan
  const given = rounds.map(({ id, section, closed, side, fabric, hosts, steps }) => ({
    id,
    section,
    closed,
    side,
    fabric,
    hosts,
    steps,
  }))
  const text = { ...spec, constraints: { given } }
  const kept = onHookFrom(text, planPiece(text), 8, 5, 6)!
  expect(kept.plan.rounds.map(({ count }) => count)).toEqual(rounds.map(({ count }) => count))
  expect(promise(kept.plan.finished, 'across').value).toBeGreaterThan(
    promise(plan.finished, 'across').value + 5,
  )
  expect(onHookFrom(spec, plan, 8, 5, 5)).toBeUndefined()
})

test('another yarn from a round on stays until the next change that is planned', () => {
  const spec = {
    ...discSpec(240),
    colours: [
      { fromRound: 1, yarn: 'fog' },
      { fromRound: 9, yarn: 'soot' },
    ],
  }
  const plan = planPiece(spec)
  const otherwise = withYarnFrom(spec, plan, 5, 'pine')!
  expect(otherwise.plan.rounds.map(({ yarn }) => yarn).slice(3, 10)).toEqual([
    'fog',
    'pine',
    'pine',
    'pine',
    'pine',
    'soot',
    'soot',
  ])
  expect(
    differenceOf(plan.rounds, otherwise.plan.rounds).map(({ kind, round }) => [kind, round.number]),
  ).toEqual([5, 6, 7, 8].map((number) => ['yarn', number]))
  const metres = (of: typeof plan) => of.yarn.reduce((sum, use) => sum + use.metres, 0)
  // A yarn more has a beginning and an end.
  expect(metres(otherwise.plan) - metres(plan)).toBeCloseTo(0.3, 6)
  expect(withYarnFrom(spec, plan, 5, 'fog')).toBeUndefined()
})

test('what was worked on two hooks teaches neither of their gauges', () => {
  const spec = discSpec(240)
  const plan = planPiece(spec)
  const otherwise = onHookFrom(spec, plan, 8, 5, 6)!
  const learned = (of: typeof plan, as: typeof spec) => {
    const afterRound = of.rounds.length
    const reading = {
      id: 'reading',
      copyId: 'copy',
      at: 1000,
      planVersion: 1,
      afterRound,
      seen: seenAcross(afterRound, 238),
      edge: { kind: 'flat' },
    } as const
    return learnFromPiece(reading, of, as, 'Mat')
  }
  expect(learned(plan, spec)).toMatchObject({ kind: 'round', across: [238] })
  expect(learned(otherwise.plan, otherwise.spec)).toBeUndefined()
})
