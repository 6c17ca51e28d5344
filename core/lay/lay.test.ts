import fc from 'fast-check'
import { USUAL_STIFFNESS, type Cloth, type ClothRound, type Stiffness } from './cloth.ts'
import { lay, layFlat } from './lay.ts'
import { runs } from '../testing/runs.ts'

/** Cloth that hardly bends and that no hand pats: what is left is geometry. */
const LIMP: Stiffness = { ...USUAL_STIFFNESS, bending: 1e-3, middle: 0 }
const free = (rounds: readonly ClothRound[], centre = 0): Cloth => ({
  rounds,
  centre,
  hole: 0,
  patted: false,
})
const patted = (rounds: readonly ClothRound[], centre: number): Cloth => ({
  rounds,
  centre,
  hole: 0,
  patted: true,
})

/** Any size of stitch a maker may have, and h/w. */
const anySize = fc.record({
  w: fc.double({ min: 2, max: 15, noNaN: true }),
  ratio: fc.double({ min: 0.85, max: 2.6, noNaN: true }),
})
/** A count at every radius a guide asks for, unrounded, so that nothing but `lay` is judged. */
const along = (rounds: number, w: number, h: number, radius: (s: number) => number): ClothRound[] =>
  Array.from({ length: rounds }, (_, index) => ({
    count: (2 * Math.PI * radius((index + 1) * h)) / w,
    w,
    h,
  }))

const disc = (rounds: number, off: number, w = 7.25, h = 0.955 * w): ClothRound[] =>
  along(rounds, w, h, (s) => s * (1 + off))
const rim = (cloth: Cloth, stiffness?: Stiffness) => lay(cloth, stiffness).rings.at(-1)!
const within = (is: number, ought: number, share: number) =>
  expect(Math.abs(is / ought - 1)).toBeLessThanOrEqual(share)

describe('against closed forms, within 1%', () => {
  const sized = (rounds: fc.Arbitrary<number>, judge: (w: number, h: number, rounds: number) => void) =>
    fc.assert(
      fc.property(anySize, rounds, ({ w, ratio }, many) => judge(w, w * ratio, many)),
      { numRuns: runs(60) },
    )

  test('a disc lies flat at Σh', () => {
    sized(fc.integer({ min: 4, max: 60 }), (w, h, rounds) => {
      for (const cloth of [free(disc(rounds, 0, w, h)), patted(disc(rounds, 0, w, h), 0)]) {
        const { radius, z, arc } = rim(cloth)
        within(radius, rounds * h, 1e-9)
        expect(z).toBe(0)
        expect(arc).toBeCloseTo(rounds * h, 9)
      }
    })
  })

  test('an even tube from a foundation is a cylinder', () => {
    sized(fc.integer({ min: 3, max: 40 }), (w, h, rounds) => {
      const count = 12 + rounds * 3
      const cloth: Cloth = {
        ...free(Array.from({ length: rounds }, () => ({ count, w, h }))),
        foundation: { count, w },
      }
      for (const { radius } of lay(cloth).rings) within(radius, (count * w) / (2 * Math.PI), 1e-6)
      within(rim(cloth).z, rounds * h, 1e-6)
    })
  })

  test('a constant increase is a cone: radii rise evenly, sin θ = d·w/2πh', () => {
    fc.assert(
      fc.property(
        anySize,
        fc.integer({ min: 12, max: 60 }),
        fc.double({ min: 0.1, max: 0.85, noNaN: true }),
        ({ w, ratio }, rounds, sine) => {
          const h = w * ratio
          const rings = lay(free(along(rounds, w, h, (s) => s * sine)), LIMP).rings
          within(rings.at(-1)!.radius, rounds * h * sine, 0.01)
          within(rings.at(-1)!.z, rounds * h * Math.sqrt(1 - sine * sine), 0.01)
          const rises = rings.slice(1).map(({ radius }, index) => radius - rings[index]!.radius)
          for (const rise of rises.slice(3, -3)) within(rise, h * sine, 0.02)
        },
      ),
      { numRuns: runs(60) },
    )
  })

  test('a half sphere and a sphere: r = R sin(s/R)', () => {
    sized(fc.integer({ min: 18, max: 60 }), (w, h, rounds) => {
      const half = (2 * rounds * h) / Math.PI
      const { radius, z } = rim(free(along(rounds, w, h, (s) => half * Math.sin(s / half))), LIMP)
      within(radius, half, 0.01)
      within(z, half, 0.01)
      const whole = (rounds * h) / Math.PI
      const rings = lay(free(along(rounds - 1, w, h, (s) => whole * Math.sin(s / whole))), LIMP).rings
      within(Math.max(...rings.map((ring) => ring.radius)), whole, 0.01)
      within(rings.at(-1)!.z, whole * (1 + Math.cos(h / whole)), 0.02)
    })
  })

  test('a base that stops increasing turns into a wall on its girth, softly', () => {
    sized(fc.integer({ min: 8, max: 25 }), (w, h, rounds) => {
      const girth = (2 * Math.PI * rounds * h) / w
      const wall = Array.from({ length: rounds }, () => ({ count: girth, w, h }))
      const base = disc(rounds, 0, w, h)
      const soft = lay(patted([...base, ...wall], 0)).rings
      within(soft.at(-1)!.radius, rounds * h, 0.015)
      // A corner as round as ρ takes (2 − π/2)·ρ less fabric than a sharp one.
      expect(soft.at(-1)!.z / h - rounds).toBeGreaterThan(0)
      expect(soft.at(-1)!.z / h - rounds).toBeLessThan((2 - Math.PI / 2) * 3)
      // A crisp turn takes the corner sharp.
      const [first, ...others] = wall
      const crisp = lay(patted([...base, { ...first!, crisp: true }, ...others], 0)).rings
      expect(crisp.at(-1)!.z).toBeLessThan(soft.at(-1)!.z)
    })
  })
})

describe('what a hand pats flat', () => {
  const edge = (rounds: number, off: number) => rim(patted(disc(rounds, off), 0.3 * 6.92))

  test('15 rounds evenly 4% short just lie flat, and stand up clearly at 8%', () => {
    expect(edge(15, -0.037).z).toBe(0)
    expect(edge(15, -0.045).z).toBeGreaterThan(5)
    expect(edge(15, -0.08).z).toBeGreaterThan(25)
    // FIELD §3 once it cups: r = N·w(1 + g/2)/2π, and what is left of h(1 − g/2) goes up.
    within(edge(15, -0.08).radius, ((15 * 6.92375 * 0.92) / 1) * 1.02, 0.015)
  })

  test.each([8, 25, 40, 60])('of %i rounds, 3% short lies flat and 8% stands', (rounds) => {
    expect(edge(rounds, -0.03).z).toBe(0)
    expect(edge(rounds, -0.08).z).toBeGreaterThan(rounds)
  })

  test('two low rounds early are evened out by the rest', () => {
    for (const at of [3, 5, 8]) {
      const rounds = disc(18, 0).map((round, index) => ({
        ...round,
        count: round.count * (index === at || index === at + 1 ? 0.9 : 1),
      }))
      expect(rim(patted(rounds, 2)).z).toBe(0)
    }
  })

  test('within the flat tolerance it is the plain least squares', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -0.03, max: 0.03, noNaN: true }), { minLength: 6, maxLength: 40 }),
        (offs) => {
          const rounds = disc(offs.length, 0).map((round, index) => ({
            ...round,
            count: round.count * (1 + offs[index]!),
          }))
          const radii = [...layFlat(patted(rounds, 2))]
          const cost = (all: readonly number[]) =>
            all.reduce((sum, r, index) => {
              const { count, w, h } = rounds[index]!
              const below = index > 0 ? all[index - 1]! : 2
              return sum + count * (((r - below - h) / h) ** 2 + ((2 * Math.PI * r) / count / w - 1) ** 2)
            }, 0)
          const least = cost(radii)
          radii.forEach((_, at) => {
            for (const by of [-0.01, 0.01]) {
              expect(cost(radii.map((r, index) => (index === at ? r + by : r)))).toBeGreaterThan(least)
            }
          })
        },
      ),
      { numRuns: runs(30) },
    )
  })

  test('too many stitches wave about a radius that stays near the flat one', () => {
    for (const off of [0.08, 0.2, 0.5]) {
      const { radius, z } = edge(15, off)
      expect(z).toBe(0)
      within(radius, 15.3 * 6.92, 0.02)
    }
    // In between it takes some of it up.
    expect(edge(15, 0.04).radius).toBeGreaterThan(edge(15, 0).radius)
  })
})

test('it never jumps: h/w by 0.0005 moves no diameter by more than 0.2%', () => {
  for (const rounds of [6, 15, 40]) {
    for (const off of [0, 0.03]) {
      let before: number | undefined
      for (let ratio = 0.85; ratio < 1.15; ratio += 0.0005) {
        const counted = Array.from({ length: rounds }, (_, index) => ({
          count: Math.round(6 * (1 + off) * (index + 1)),
          w: 8,
          h: 8 * ratio,
        }))
        const { radius } = rim(patted(counted, 0.3 * 8 * ratio))
        if (before !== undefined) expect(Math.abs(radius / before - 1)).toBeLessThan(0.002)
        before = radius
      }
    }
  }
})

test('sizes scale, and answer to w, h and the centre as they say they do', () => {
  const cloths = [disc(15, 0), disc(15, -0.02), disc(15, 0.03), disc(15, 0.09), disc(12, -0.2)]
  for (const rounds of cloths) {
    const cloth = patted(rounds, 2)
    const twice = rounds.map((round) => ({ ...round, w: 2 * round.w, h: 2 * round.h }))
    const { rings, moves } = lay(cloth)
    lay(patted(twice, 4)).rings.forEach(({ radius, z }, index) => {
      expect(radius).toBeCloseTo(2 * rings[index]!.radius, 4)
      expect(z).toBeCloseTo(2 * rings[index]!.z, 3)
    })
    const by = 1e-4
    const again = (change: (round: ClothRound) => ClothRound, centre = 2) =>
      lay(patted(rounds.map(change), centre)).rings.at(-1)!
    const last = rounds.length - 1
    const { radius: here, z: up } = rings.at(-1)!
    const { lnW, lnH, centre } = moves()
    const close = (told: number, real: number) => expect(Math.abs(told - real)).toBeLessThan(0.02 * here)
    for (const [told, real] of [
      [lnW, again((round) => ({ ...round, w: round.w * (1 + by) }))],
      [lnH, again((round) => ({ ...round, h: round.h * (1 + by) }))],
      [centre, again((round) => round, 2 + by)],
    ] as const) {
      close(told.radius[last]!, (real.radius - here) / by)
      close(told.z[last]!, (real.z - up) / by)
    }
    // Everything scaled together scales the radius, and the height with it.
    close(lnW.radius[last]! + lnH.radius[last]! + 2 * centre.radius[last]!, here)
    close(lnW.z[last]! + lnH.z[last]! + 2 * centre.z[last]!, up)
  }
})

test('an edging of slip stitches follows the round below', () => {
  const rounds = disc(12, 0)
  const edging = { count: rounds.at(-1)!.count, w: 7, h: 2.5, edging: true }
  const [without, withIt] = [rim(patted(rounds, 2)), rim(patted([...rounds, edging], 2))]
  expect(withIt.radius - without.radius).toBeCloseTo(2.5, 6)
})
