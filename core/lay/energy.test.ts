import fc from 'fast-check'
import { factorise, solve } from './banded.ts'
import { hoop, SLIDES, tautness, USUAL_STIFFNESS, type Cloth } from './cloth.ts'
import { BAND, energyOf, roomForLinks } from './energy.ts'
import { layFlat } from './lay.ts'
import { rimHeldFlat } from './rimHeldFlat.ts'
import { resistanceOf, ringsOf } from './rings.ts'
import { runs } from '../testing/runs.ts'

const WIDTH = BAND + 1

describe('a banded system', () => {
  /** A symmetric matrix that is positive definite, since its diagonal outweighs its rows. */
  const anySystem = fc
    .record({
      size: fc.integer({ min: 1, max: 14 }),
      band: fc.integer({ min: 1, max: 5 }),
      numbers: fc.array(fc.double({ min: -1, max: 1, noNaN: true }), { minLength: 120, maxLength: 120 }),
    })
    .map(({ size, band, numbers }) => {
      let next = 0
      const dense = Array.from({ length: size }, () => new Array<number>(size).fill(0))
      for (let row = 0; row < size; row++) {
        for (let column = Math.max(0, row - band); column < row; column++) {
          dense[row]![column] = dense[column]![row] = numbers[next++ % numbers.length]!
        }
        dense[row]![row] = 2 * band + 1 + numbers[next++ % numbers.length]!
      }
      const right = Array.from({ length: size }, () => numbers[next++ % numbers.length]!)
      return { size, band, dense, right }
    })
  const packed = (dense: readonly (readonly number[])[], band: number) => {
    const matrix = new Float64Array(dense.length * (band + 1))
    dense.forEach((line, row) => {
      for (let column = Math.max(0, row - band); column <= row; column++) {
        matrix[row * (band + 1) + row - column] = line[column]!
      }
    })
    return matrix
  }

  test('is solved: multiplied out again it gives the right side', () => {
    fc.assert(
      fc.property(anySystem, ({ size, band, dense, right }) => {
        const factors = packed(dense, band)
        expect(factorise(factors, size, band)).toBe(true)
        const found = Float64Array.from(right)
        solve(factors, size, band, found)
        dense.forEach((line, row) => {
          expect(line.reduce((sum, one, column) => sum + one * found[column]!, 0)).toBeCloseTo(right[row]!, 9)
        })
      }),
    )
  })

  test('that is not positive definite says so', () => {
    fc.assert(
      fc.property(anySystem, fc.nat(), ({ size, band, dense }, which) => {
        const spoiled = dense.map((line) => [...line])
        spoiled[which % size]![which % size] = -1
        expect(factorise(packed(spoiled, band), size, band)).toBe(false)
      }),
    )
  })
})

describe('the energy of a cloth', () => {
  const anyCloth: fc.Arbitrary<Cloth> = fc
    .record({
      counts: fc.array(fc.integer({ min: 5, max: 90 }), { minLength: 2, maxLength: 12 }),
      w: fc.double({ min: 4, max: 9, noNaN: true }),
      ratio: fc.double({ min: 0.85, max: 2, noNaN: true }),
      open: fc.boolean(),
      patted: fc.boolean(),
      crispAt: fc.nat(12),
    })
    .map(({ counts, w, ratio, open, patted, crispAt }) => ({
      rounds: counts.map((count, index) => ({
        count,
        w,
        h: w * ratio,
        crisp: index === crispAt,
        edging: index === 11,
      })),
      centre: 2,
      hole: open ? 3 : 0,
      ...(open ? { foundation: { count: 40, w } } : {}),
      patted,
    }))
  const anyPlace = fc.array(fc.double({ min: -0.4, max: 0.4, noNaN: true }), { minLength: 26, maxLength: 26 })

  test('falls and bends as its gradient and its curvature say, anywhere', () => {
    fc.assert(
      fc.property(anyCloth, anyPlace, (cloth, off) => {
        const rings = ringsOf(cloth, USUAL_STIFFNESS)
        const resistance = resistanceOf(cloth, rings, USUAL_STIFFNESS)
        const size = 2 * rings.size
        const h = cloth.rounds[0]!.h
        // Somewhere between a disc and a wall, no link too short to have a direction.
        const at = Float64Array.from({ length: size }, (_, row) => {
          const ring = row >> 1
          return row % 2 === 0 ? 8 + h * (0.7 * ring + off[row]!) : h * (0.7 * ring + 0.6 + off[row]!)
        })
        const evaluate = (place: Float64Array) => {
          const gradient = new Float64Array(size)
          const matrix = new Float64Array(size * WIDTH)
          const energy = energyOf(
            rings,
            resistance,
            place,
            USUAL_STIFFNESS,
            gradient,
            matrix,
            roomForLinks(rings.size),
          )
          return { energy, gradient, matrix }
        }
        const here = evaluate(at)
        const by = 1e-5
        const scale = Math.max(1, ...here.gradient.map(Math.abs))
        for (let row = 0; row < size; row++) {
          const moved = (step: number) => {
            const place = Float64Array.from(at)
            place[row] = place[row]! + step
            return evaluate(place)
          }
          const [ahead, behind] = [moved(by), moved(-by)]
          const slope = (ahead.energy - behind.energy) / (2 * by)
          expect(Math.abs(slope - here.gradient[row]!) / scale).toBeLessThan(1e-4)
          for (let other = 0; other <= row; other++) {
            const bend = (ahead.gradient[other]! - behind.gradient[other]!) / (2 * by)
            const told = row - other <= BAND ? here.matrix[row * WIDTH + row - other]! : 0
            // Where a round begins to slide or to wave the curvature jumps.
            const kink = Math.abs(
              ahead.gradient[other]! + behind.gradient[other]! - 2 * here.gradient[other]!,
            )
            expect(Math.abs(bend - told) / scale).toBeLessThan(1e-3 + kink / by)
          }
        }
      }),
      { numRuns: runs(25) },
    )
  })

  test('along a round is the integral of its slope, and never pulls harder than it may', () => {
    fc.assert(
      fc.property(fc.double({ min: -0.5, max: 0.8, noNaN: true }), (strain) => {
        const [here, ahead] = [0, 1e-6].map((more) => {
          const one = { energy: 0, slope: 0, curvature: 0 }
          hoop(strain + more, 0.04, one)
          return one
        }) as [Parameters<typeof hoop>[2], Parameters<typeof hoop>[2]]
        expect((ahead.energy - here.energy) / 1e-6).toBeCloseTo(here.slope, 4)
        expect(here.energy).toBeGreaterThanOrEqual(0)
        expect(here.slope).toBeGreaterThanOrEqual(-0.08)
        expect(here.slope).toBeLessThanOrEqual(2 * SLIDES)
      }),
    )
  })

  test('holds whole within the give, nothing from twice the give on, and never jumps between', () => {
    expect([-0.3, 0, 0.04].map((flatness) => tautness(flatness, 0.04))).toEqual([1, 1, 1])
    expect([0.08, 0.2].map((flatness) => tautness(flatness, 0.04))).toEqual([0, 0])
    for (let flatness = 0; flatness < 0.1; flatness += 1e-4) {
      const fall = tautness(flatness, 0.04) - tautness(flatness + 1e-4, 0.04)
      expect(fall).toBeGreaterThanOrEqual(0)
      expect(fall).toBeLessThan(0.006)
    }
  })
})

test('the rim that fitting asks for is the one of the whole disc, whether it waves, slides or lies flat', () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: -0.4, max: 0.4, noNaN: true }), { minLength: 2, maxLength: 30 }),
      fc.double({ min: 0, max: 8, noNaN: true }),
      fc.boolean(),
      (offs, hole, closed) => {
        const [w, h] = [7.25, 6.92]
        const from = closed ? 0 : hole
        const counts = offs.map((off, index) =>
          Math.max(3, Math.round(((2 * Math.PI * (from + (index + 1) * h)) / w) * (1 + off))),
        )
        const beginning = { centre: closed ? 0.3 * h : hole, hole: from }
        const rounds = counts.map((count) => ({ count, w, h }))
        const all = <T>(value: number) => new Float64Array(counts.length).fill(value) as T & Float64Array
        expect(rimHeldFlat({ counts, w: all(w), h: all(h), ...beginning })).toBeCloseTo(
          layFlat({ rounds, ...beginning, patted: true }).at(-1)!,
          6,
        )
      },
    ),
  )
})
