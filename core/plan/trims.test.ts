import fc from 'fast-check'
import { specOf } from '../exchange/specOf.ts'
import { newPiece, UNMEASURED_GAUGE } from '../exchange/newPiece.ts'
import { SpecError } from '../errors/specError.ts'
import { discSpec, promise } from '../testing/specs.ts'
import { mm } from '../units/millimetres.ts'
import type { Construction, Notice, PieceSpec } from './plan.ts'
import { planPiece } from './planPiece.ts'
import { farthestOffFlat } from './offFlat.ts'
import { runs } from '../testing/runs.ts'

const free: Construction = { ...discSpec(1).construction, freeLastRounds: 2 }
/** A disc whose size is known well: trims mean something. */
function known(across: number, tolerance: number, changes: Partial<PieceSpec> = {}): PieceSpec {
  const spec = discSpec(across, { construction: free, ...changes })
  return {
    ...spec,
    tolerance: mm(tolerance),
    gauge: { ...spec.gauge, varLnW: 1e-6, varLnH: 1e-6, covLnWLnH: 0 },
  }
}
const codes = (notices: readonly Notice[]) => notices.map(({ code }) => code)
const trimmed = (spec: PieceSpec) => planPiece(spec).rounds.some(({ stitch }) => stitch !== spec.stitch)

describe('trims need a reason', () => {
  test('while whole rounds land within half the tolerance no stitch is changed, and otherwise it helps', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 80, max: 300, noNaN: true }),
        fc.double({ min: 1, max: 12, noNaN: true }),
        (across, tolerance) => {
          const spec = known(across, tolerance)
          const whole = planPiece({ ...spec, construction: { ...free, freeLastRounds: 0 } })
          const plan = planPiece(spec)
          const miss = (one: typeof plan) => Math.abs(promise(one.finished).value - across)
          if (miss(whole) <= tolerance / 2) expect(plan.rounds).toEqual(whole.rounds)
          else if (trimmed(spec)) {
            expect(miss(plan)).toBeLessThan(miss(whole))
            expect(miss(plan) <= tolerance / 2 || miss(whole) > tolerance).toBe(true)
          }
        },
      ),
      { numRuns: runs(60) },
    )
  })

  test('the mug mats of 11 cm are sc to the end', () => {
    const mat = newPiece({
      id: 'm',
      projectId: 'p',
      gaugeId: 'g',
      yarnId: 'fog',
      form: { family: 'disc', across: 110 },
    })
    const gauge = { ...UNMEASURED_GAUGE, id: 'g' }
    const { rounds } = planPiece(specOf(mat, gauge, 18))
    expect(rounds.every(({ stitch }) => stitch === 'sc')).toBe(true)
  })

  test('a size that is only guessed is planned in whole rounds, and says that the trim waits', () => {
    const spec = known(220, 3)
    expect(trimmed(spec)).toBe(true)
    const guess = { ...spec, gauge: { ...spec.gauge, varLnW: 0.0144, varLnH: 0.0144, covLnWLnH: 0.0127 } }
    expect(trimmed(guess)).toBe(false)
    const plan = planPiece(guess)
    expect(plan.notices).toContainEqual({
      code: 'trimWaits',
      by: promise(plan.finished).value - 220,
      plusMinus: promise(plan.finished).plusMinus,
    })
    // Measured on the way, it is known, and the trim is offered.
    const worked = plan.rounds.slice(0, 11)
    const again = planPiece(spec, { rounds: worked, edge: { radius: worked[10]!.at.radius, z: 0, sd: 0.5 } })
    expect(again.rounds.slice(11).some(({ stitch }) => stitch !== 'sc')).toBe(true)
  })
})

describe('what a repeat costs', () => {
  const multiples = (of: number, fromRound = 2) => ({ multiples: [{ fromRound, of }] })

  test('is the size against the plan without it, with its sign, and how far off flat it comes', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 9 }),
        fc.integer({ min: 1, max: 8 }),
        fc.double({ min: 0.86, max: 1.05, noNaN: true }),
        (of, fromRound, ratio) => {
          const spec = discSpec(190, { constraints: multiples(of, fromRound) }, ratio)
          const without = planPiece({ ...spec, constraints: undefined })
          const held = planPiece(spec)
          const said = held.notices.find((notice) => notice.code === 'repeatCost')
          const counts = (plan: typeof held) => plan.rounds.map(({ count }) => count).join()
          const same = counts(held) === counts(without)
          if (same) expect(said).toBeUndefined()
          if (said?.code !== 'repeatCost') return
          expect(said.by).toBeCloseTo(promise(held.finished).value - promise(without.finished).value, 9)
          const worst = farthestOffFlat(held.rounds)
          expect(said).toMatchObject({ of, round: worst.number, flatness: worst.flatness })
        },
      ),
      { numRuns: runs(60) },
    )
  })

  test('nothing is said where it changes no count', () => {
    expect(codes(planPiece(discSpec(190, { constraints: multiples(6) })).notices)).not.toContain('repeatCost')
  })

  test('rules hold in whatever order they were put in', () => {
    const rules = [
      { fromRound: 3, of: 2 },
      { fromRound: 8, of: 4 },
    ]
    const counts = (list: typeof rules) =>
      planPiece(discSpec(190, { constraints: { multiples: list } }, 0.9)).rounds.map(({ count }) => count)
    expect(counts([...rules].reverse())).toEqual(counts(rules))
    for (const count of counts(rules).slice(7)) expect(count % 4).toBe(0)
  })

  test('a first count that does not divide by its repeat gets a sentence', () => {
    const attempt = () => planPiece(discSpec(190, { constraints: { ...multiples(4, 1), firstCount: 6 } }))
    expect(attempt).toThrow(SpecError)
    expect(attempt).toThrow(expect.objectContaining({ path: 'constraints.firstCount', valid: '4 or 8.' }))
  })
})

test('stacked increases are said to make a polygon, with an even or a slip stitch round at the end too', () => {
  const stacked = { ...free, placement: 'stacked' as const }
  const polygon = expect.objectContaining({ code: 'polygon' })
  expect(planPiece(discSpec(190, { construction: stacked })).notices).toContainEqual(polygon)
  const even = discSpec(2 * 10 * 7.64, {
    construction: { ...stacked, freeLastRounds: 0 },
    constraints: { evenRounds: [10] },
  })
  expect(planPiece(even).rounds).toHaveLength(10)
  expect(planPiece(even).notices).toContainEqual(polygon)
  const edged = known(221, 3, { construction: stacked })
  expect(planPiece(edged).rounds.at(-1)!.stitch).toBe('slst')
  expect(planPiece(edged).notices).toContainEqual(polygon)
})

test('sentences of the core are said in the maker’s unit and terms', () => {
  const inches = {
    length: (mm: number) => `${(mm / 25.4).toFixed(2)} in`,
    stitch: (name: string) => `UK ${name}`,
  }
  const errorOf = (spec: PieceSpec) => {
    try {
      planPiece(spec)
    } catch (error) {
      return error as SpecError
    }
    throw new Error('It was planned.')
  }
  const small = errorOf(discSpec(5))
  expect(small.message).toContain('5 mm is under two rounds')
  expect(small.said(inches)).toBe(
    '0.20 in is under two rounds of this stitch. At least 1.22 in in this gauge.',
  )
  expect(errorOf(discSpec(100, { stitch: 'slst' })).said(inches)).toContain('UK sc, UK hdc, UK dc, UK tr')
})
