import fc from 'fast-check'
import { SpecError } from '../errors/specError.ts'
import { startOfFabric } from '../shape/startOfFabric.ts'
import { planPiece } from '../plan/planPiece.ts'
import { discSpec } from '../testing/specs.ts'
import { mm } from '../units/millimetres.ts'
import type { Sizes } from './family.ts'
import { familyOf, FAMILY_FIELDS, type Form } from './registry.ts'

/** A form of every family, of any size its fields take. */
const anyForm: fc.Arbitrary<Form> = fc.oneof(
  ...FAMILY_FIELDS.map(({ family, fields }) =>
    fc
      .record(
        Object.fromEntries(
          fields.map(({ key, least, most }) => [key, fc.double({ min: least, max: most, noNaN: true })]),
        ),
      )
      .map((lengths) => ({ family, ...lengths }) as unknown as Form),
  ),
)

const anySizes: fc.Arbitrary<Sizes> = fc
  .record({
    w: fc.double({ min: 2, max: 15, noNaN: true }),
    ratio: fc.double({ min: 0.8, max: 2.7, noNaN: true }),
    chains: fc.option(fc.integer({ min: 3, max: 60 })),
  })
  .map(({ w, ratio, chains }) => {
    const h = w * ratio
    const start = chains === null ? { kind: 'magicRing' as const } : { kind: 'chainRing' as const, chains }
    return { w, h, start: startOfFabric(start, 'sc', w, h) }
  })

const valid = (form: Form, sizes: Sizes): boolean => {
  try {
    familyOf(form).validate(form, sizes)
    return true
  } catch (error) {
    if (error instanceof SpecError) return false
    throw error
  }
}

test('whatever a family takes has sections that can be worked, one after the other', () => {
  fc.assert(
    fc.property(anyForm, anySizes, (form, sizes) => {
      if (!valid(form, sizes)) return
      const sections = familyOf(form).sections(form, sizes)
      expect(sections.length).toBeGreaterThan(0)
      expect(new Set(sections.map(({ id }) => id)).size).toBe(sections.length)
      for (const { guide } of sections) {
        expect(guide.length).toBeGreaterThanOrEqual(2 * sizes.h - 1e-9)
        for (let share = 0.1; share <= 1; share += 0.1) {
          const around = guide.perimeter(share * guide.length)
          expect(around).toBeGreaterThan(0)
          // No fabric widens by more than a flat disc does.
          const before = guide.perimeter((share - 0.1) * guide.length)
          expect(around - before).toBeLessThanOrEqual(2 * Math.PI * 0.1 * guide.length + 1e-6)
        }
      }
    }),
  )
})

test('what it refuses is refused at one of its fields, with what would be right', () => {
  fc.assert(
    fc.property(anyForm, anySizes, (form, sizes) => {
      const family = familyOf(form)
      for (const { key } of family.fields) {
        for (const wrong of [0, -5, Number.NaN, 1e7]) {
          const spoiled = { ...form, [key]: wrong } as Form
          expect(() => family.validate(spoiled, sizes)).toThrow(SpecError)
          try {
            family.validate(spoiled, sizes)
          } catch (error) {
            expect((error as SpecError).path).toBe(`form.${key}`)
            expect((error as SpecError).valid).toMatch(/\d/)
          }
        }
      }
    }),
    { numRuns: 40 },
  )
})

test('a disc wants 2πr at every radius, from the edge of its hole to its own', () => {
  fc.assert(
    fc.property(fc.double({ min: 200, max: 900, noNaN: true }), anySizes, (across, sizes) => {
      const form: Form = { family: 'disc', across: mm(across) }
      const [{ guide }] = familyOf(form).sections(form, sizes) as [
        ReturnType<ReturnType<typeof familyOf>['sections']>[number],
      ]
      expect(guide.lies).toBe('flat')
      expect(guide.perimeter(guide.length)).toBeCloseTo(Math.PI * across, 6)
      expect(guide.perimeter(0)).toBeCloseTo(2 * Math.PI * sizes.start.hole, 9)
      expect(familyOf(form).target(form)).toEqual({ of: 'across', value: across })
    }),
  )
})

test('planned rounds belong to the sections of their form', () => {
  const spec = discSpec(180)
  const ids = familyOf(spec.form)
    .sections(spec.form, { w: 8, h: 7.64, start: startOfFabric({ kind: 'magicRing' }, 'sc', 8, 7.64) })
    .map(({ id }) => id)
  for (const { section } of planPiece(spec).rounds) expect(ids).toContain(section)
})
