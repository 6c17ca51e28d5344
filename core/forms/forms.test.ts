import fc from 'fast-check'
import { SpecError } from '../errors/specError.ts'
import { measured } from '../lay/measures.ts'
import { startOfFabric } from '../lay/startOfFabric.ts'
import { planPiece } from '../plan/planPiece.ts'
import { sectionsOf, sizesOf } from '../plan/wantedAround.ts'
import { usualStart } from '../exchange/newPiece.ts'
import { bootieSpec, caseSpec, ovalSpec, pouchSpec } from '../testing/chainSpecs.ts'
import {
  anyOutline,
  ballSpec,
  capSpec,
  discSpec,
  drawnSpec,
  points,
  tubeSpec,
  vesselSpec,
} from '../testing/specs.ts'
import { mm } from '../units/millimetres.ts'
import type { Sizes } from './family.ts'
import { FAMILY_NAMES, familyOf, fieldsOf, formOf, roundedForm, usualForm, type Form } from './registry.ts'
import { among, runs } from '../testing/runs.ts'

const name = fc.constantFrom(...FAMILY_NAMES)

/** A form of every family, of any size its fields take. */
const anyForm: fc.Arbitrary<Form> = name.chain((family) =>
  fc
    .record(
      Object.fromEntries(
        fieldsOf(family).map((field) => [
          field.key,
          field.kind === 'choice'
            ? fc.constantFrom(...field.choices)
            : field.kind === 'outline'
              ? anyOutline
              : // Nothing less than nothing: −0 is kept as 0.
                fc.double({ min: field.least, max: field.most, noNaN: true }).map((value) => value + 0),
        ]),
      ),
    )
    .map((values) => ({ family, ...values }) as unknown as Form),
)

const anySizes = (form: Form): fc.Arbitrary<Sizes> =>
  fc
    .record({
      w: fc.double({ min: 2, max: 15, noNaN: true }),
      ratio: fc.double({ min: 0.8, max: 2.7, noNaN: true }),
      kind: fc.constantFrom(...familyOf(form).starts(form)),
      chains: fc.integer({ min: 3, max: 60 }),
    })
    .map(({ w, ratio, kind, chains }) => {
      const h = w * ratio
      const start = kind === 'chainRing' ? { kind, chains } : usualStart(kind)
      return { w, h, start: startOfFabric(start, 'sc', w, h), thickness: 0.6 * w }
    })
const formAndSizes = anyForm.chain((form) => fc.tuple(fc.constant(form), anySizes(form)))

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
  let taken = 0
  fc.assert(
    fc.property(formAndSizes, ([form, sizes]) => {
      if (!valid(form, sizes)) return
      taken++
      const sections = familyOf(form).sections(form, sizes)
      expect(sections.length).toBeGreaterThan(0)
      expect(new Set(sections.map(({ id }) => id)).size).toBe(sections.length)
      const long = sections.reduce((sum, { guide }) => sum + guide.length, 0)
      expect(long).toBeGreaterThanOrEqual(2 * sizes.h - 1e-9)
      for (const { guide } of sections) {
        expect(guide.length).toBeGreaterThan(0)
        for (let share = 0.1; share <= 1; share += 0.1) {
          const around = guide.perimeter(share * guide.length)
          expect(around).toBeGreaterThan(0)
          // No fabric widens by more than a flat disc does, give or take two rounds where it goes by stairs.
          const before = guide.perimeter((share - 0.1) * guide.length)
          const widest = 2 * Math.PI * (0.1 * guide.length + (guide.lies === 'flat' ? 0 : 2 * sizes.h))
          expect(around - before).toBeLessThanOrEqual(widest + 1e-6)
        }
      }
    }),
    { numRuns: runs(300) },
  )
  expect(taken).toBeGreaterThan(among(95))
})

const NO_OUTLINES = [
  [],
  points([100, 0]),
  points([100, 10], [100, 50]),
  points([100, 0], [-5, 50]),
  points([100, 0], [120, 50], [100, 40]),
  points([100, 0], [100, 0]),
  points([100, 0], [160, 0]),
  points([100, 0], [Number.NaN, 60]),
  points([100, 0], [0, 60], [100, 120]),
  points([100, 0], [1e7, 60]),
]

test('what it refuses is refused at one of its fields, with what would be right', () => {
  fc.assert(
    fc.property(formAndSizes, ([form, sizes]) => {
      const family = familyOf(form)
      for (const field of fieldsOf(form.family)) {
        const { key, kind } = field
        const wrongs =
          kind === 'length'
            ? [...(field.least > 0 ? [0] : []), -5, Number.NaN, 1e7]
            : kind === 'share'
              ? [-1, Math.max(2, field.most + 0.1), Number.NaN]
              : kind === 'outline'
                ? NO_OUTLINES
                : ['x']
        for (const wrong of wrongs) {
          const others = formOf(usualForm(form.family))
          const spoiled = { ...others, [key]: wrong }
          expect(() => family.validate(spoiled, { ...sizes, w: 5, h: 5 })).toThrow(SpecError)
          try {
            family.validate(spoiled, { ...sizes, w: 5, h: 5 })
          } catch (error) {
            expect((error as SpecError).path).toBe(`form.${key}`)
            expect((error as SpecError).valid).toMatch(kind === 'choice' ? /one of/ : /\d/)
          }
        }
      }
    }),
    { numRuns: runs(40) },
  )
})

test('asked for what it is to come to, a form is the one that comes to it', () => {
  fc.assert(
    fc.property(formAndSizes, fc.double({ min: 0.8, max: 1.25, noNaN: true }), ([form, sizes], by) => {
      const family = familyOf(form)
      for (const { of, value } of family.targets(form, sizes)) {
        const asked = family.towards(form, sizes, { of, value: value * by })
        for (const target of family.targets(asked, sizes)) {
          const was = family.targets(form, sizes).find((one) => one.of === target.of)!.value
          expect(target.value).toBeCloseTo(target.of === of ? was * by : was, 6)
        }
      }
      const judgedBy = family.measures(form).map(({ of }) => of)
      for (const { of } of family.targets(form, sizes)) expect(judgedBy).toContain(of)
    }),
  )
})

test('a disc wants 2πr at every radius, from the edge of its hole to its own', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 200, max: 900, noNaN: true }),
      fc.integer({ min: 3, max: 30 }),
      (across, chains) => {
        const spec = discSpec(across, {
          construction: { ...discSpec(1).construction, start: { kind: 'chainRing', chains } },
        })
        const [{ guide }] = sectionsOf(spec) as [ReturnType<typeof sectionsOf>[number]]
        expect(guide.lies).toBe('flat')
        expect(guide.perimeter(guide.length)).toBeCloseTo(Math.PI * across, 6)
        const { hole } = startOfFabric({ kind: 'chainRing', chains }, 'sc', spec.gauge.w, spec.gauge.h)
        expect(guide.perimeter(0)).toBeCloseTo(2 * Math.PI * hole, 9)
      },
    ),
  )
})

test('around an object a tube is its girth less the ease, and half its thickness farther out', () => {
  // By hand: 240 mm less 5% is 228 inside; 4.5 mm thick fabric lies π · 4.5 mm farther out at its middle.
  const spec = tubeSpec({ girth: 240, of: 'object', ease: 0.05, length: 160 })
  const [{ guide }] = sectionsOf(spec) as [ReturnType<typeof sectionsOf>[number]]
  expect(guide.perimeter(50)).toBeCloseTo(228 + Math.PI * 4.5, 9)
  expect(guide.length).toBe(160)
  const own = tubeSpec({ girth: 240, of: 'tube', ease: 0.05, length: 160 })
  expect(sectionsOf(own)[0]!.guide.perimeter(50)).toBe(240)
})

test.each([
  ['disc', discSpec(180)],
  ['cap', capSpec({})],
  ['vessel', vesselSpec({})],
  ['ball', ballSpec({})],
  ['tube', tubeSpec({})],
  ['drawn shape', drawnSpec({})],
  ['oval basket', ovalSpec({ edge: 'rounded' })],
  ['bootie', bootieSpec()],
  ['case', caseSpec()],
  ['pouch', pouchSpec()],
])('rounds of a %s belong to the sections of their form, and measure what its edge lies at', (_, spec) => {
  const ids = sectionsOf(spec).map(({ id }) => id)
  for (const { in: places = ids } of familyOf(spec.form).tape) {
    expect(places.some((id) => ids.includes(id))).toBe(true)
  }
  const { rounds, finished } = planPiece(spec)
  for (const { section } of rounds) expect(ids).toContain(section)
  const { closes } = familyOf(spec.form)
  for (const { of, value, at } of finished.promises) {
    const judged = rounds.findLast(({ section }) => !closes || section === closes.at)!
    const by = 1 + (closes?.grows(spec.form) ?? 0)
    expect(at).toBe(judged.number)
    expect(value).toBe(measured(of, { ...judged.at, radius: judged.at.radius * by }, sizesOf(spec).thickness))
  }
})

test('a kept form is the form it was kept of, and a rounded one is in whole millimetres', () => {
  fc.assert(
    fc.property(anyForm, (form) => {
      expect(formOf(JSON.parse(JSON.stringify(form)) as Form)).toEqual(form)
      for (const { key, kind } of fieldsOf(form.family)) {
        const value = (roundedForm(form) as unknown as Record<string, number>)[key]!
        if (kind === 'length') expect(Number.isInteger(value)).toBe(true)
        else if (kind === 'outline') expect(JSON.stringify(value)).not.toMatch(/\./)
        else expect(value).toBe((form as unknown as Record<string, unknown>)[key])
      }
    }),
  )
  expect(formOf(usualForm('disc'))).toEqual({ family: 'disc', across: mm(220) })
})
