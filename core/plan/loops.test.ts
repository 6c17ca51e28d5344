import fc from 'fast-check'
import { newPiece, UNMEASURED_GAUGE } from '../exchange/newPiece.ts'
import { specOf } from '../exchange/specOf.ts'
import { repairCount } from '../fit/repairCount.ts'
import { learnFromPiece } from '../fit/learnFromPiece.ts'
import { writeRoundBody } from '../pattern/writeRound.ts'
import { verify } from '../rounds/verify.ts'
import { discSpec, tubeSpec } from '../testing/specs.ts'
import type { PieceSpec } from './plan.ts'
import { planPiece } from './planPiece.ts'
import { runs } from '../testing/runs.ts'

const inLoops = (spec: PieceSpec, loops: 'back' | 'front', free: 0 | 2 = 0): PieceSpec => ({
  ...spec,
  construction: { ...spec.construction, freeLastRounds: free, loops },
})

test('from round 2 on every stitch goes into that loop; the start and an edging take both', () => {
  fc.assert(
    fc.property(
      fc.constantFrom('back' as const, 'front' as const),
      fc.integer({ min: 120, max: 400 }),
      fc.boolean(),
      (loops, size, tube) => {
        const plain = tube ? tubeSpec({ girth: size, length: size / 2 }) : discSpec(size)
        const { rounds } = planPiece(inLoops({ ...plain, tolerance: 1 as never }, loops, 2))
        expect(verify(rounds)).toEqual([])
        rounds.forEach((round, index) => {
          const into = index === 0 || round.stitch === 'slst' ? undefined : loops
          expect(round.steps.every(({ ops }) => ops.every((op) => op.loops === into))).toBe(true)
          const [host] = round.hosts
          if (index > 0 && host?.of.kind === 'top') expect(host.of.loops).toBe(into ?? 'both')
        })
        // The same counts as through both loops: only the gauge makes them others.
        const both = planPiece({ ...plain, construction: { ...plain.construction, freeLastRounds: 0 } })
        const one = planPiece(inLoops(plain, loops))
        expect(one.rounds.map(({ count }) => count)).toEqual(both.rounds.map(({ count }) => count))
        expect(one.seconds).toBeGreaterThan(both.seconds)
      },
    ),
    { numRuns: runs(25) },
  )
})

test('it is said in the round’s words, and mended in the same loop', () => {
  const spec = inLoops(discSpec(220), 'back')
  const plan = planPiece(spec)
  expect(plan.rounds.slice(0, 3).map((round) => writeRoundBody(round, 'US'))).toEqual([
    '6 sc in ring',
    'inc × 6, all in back loops',
    '(sc, inc) × 6, all in back loops',
  ])
  expect(writeRoundBody(planPiece(inLoops(tubeSpec({}), 'front')).rounds[4]!, 'UK')).toBe(
    'dc in front loop of each st',
  )
  const { mending } = repairCount(spec, plan, 8, plan.rounds[7]!.count + 1)
  expect(mending!.steps.every(({ ops }) => ops.every(({ loops }) => loops === 'back'))).toBe(true)
})

test('its gauge is asked for one loop: as wide, and 5 to 10% taller by the label', () => {
  const piece = newPiece({
    id: 'p',
    projectId: 'p',
    gaugeId: 'g',
    yarnId: 'y',
    form: { family: 'disc', across: 200 },
  })
  const gauge = { ...UNMEASURED_GAUGE, id: 'g' }
  const both = specOf(piece, gauge, 18).gauge
  const ridged = specOf({ ...piece, construction: { ...piece.construction, loops: 'back' } }, gauge, 18)
  expect(ridged.gauge.w).toBeCloseTo(both.w, 9)
  expect(ridged.gauge.h / both.h).toBeGreaterThan(1.05)
  expect(ridged.gauge.h / both.h).toBeLessThan(1.1)
  // More of them a round, since they are taller: 2π·h/w.
  expect(planPiece(ridged).rounds[1]!.count).toBeGreaterThanOrEqual(12)
})

test('a finished piece teaches the gauge of one loop', () => {
  const spec = inLoops(discSpec(160), 'back')
  const plan = planPiece(spec)
  const last = plan.rounds.length
  const reading = {
    id: 'r',
    copyId: 'c',
    at: 1,
    planVersion: 1,
    afterRound: last,
    seen: [{ of: 'across' as const, at: last, values: [161] }],
    edge: { kind: 'flat' as const },
  }
  expect(learnFromPiece(reading, plan, spec, 'mat')).toMatchObject({ loops: 'single' })
})
