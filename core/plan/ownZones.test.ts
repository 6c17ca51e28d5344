import fc from 'fast-check'
import { writeRoundBody } from '../pattern/writeRound.ts'
import { expandSteps } from '../rounds/steps.ts'
import { usualTexture } from '../rounds/texture.ts'
import { verify } from '../rounds/verify.ts'
import { zoneAt, zonesOf, type ZoneCount } from '../rounds/zone.ts'
import { bootieSpec, caseSpec, plannedIfAny } from '../testing/chainSpecs.ts'
import { wedgeSpec } from '../testing/rowSpecs.ts'
import { coneSpec, discSpec, drawnSpec, tubeSpec, vesselSpec } from '../testing/specs.ts'
import { forCopy } from './forCopy.ts'
import { leansAt } from './leansAt.ts'
import type { OwnZone, PieceSpec, PlannedRound } from './plan.ts'
import { planPiece } from './planPiece.ts'
import { runs } from '../testing/runs.ts'

const zone = (name: string, from: number, to: number, shapes = false): OwnZone => ({
  name,
  from: from / 360,
  share: (to - from) / 360,
  shapes,
})
const withZones = (spec: PieceSpec, ...zones: OwnZone[]): PieceSpec => ({
  ...spec,
  constraints: { ...spec.constraints, zones },
})
const counted = (round: PlannedRound) =>
  zonesOf(round).map(({ name, zone: kind, count }) => [name ?? kind, count])

/** Stitches of a zone written out: true where it is shaped. */
const shapedIn = ({ steps }: ZoneCount): boolean[] =>
  expandSteps(steps).flatMap(({ kind, uses }) =>
    kind === 'work' ? [false] : new Array<boolean>(uses).fill(true),
  )

test('a zone is as many degrees as stitches have room for, and stays over itself while the count stays', () => {
  const { rounds } = planPiece(
    withZones(tubeSpec({}), zone('left strap', 45, 90), zone('right strap', 270, 315)),
  )
  const { count } = rounds[0]!
  for (const round of rounds) {
    expect(counted(round)).toEqual([
      ['rest', Math.round(count / 8)],
      ['left strap', Math.round(count / 4) - Math.round(count / 8)],
      ['rest', Math.round((3 * count) / 4) - Math.round(count / 4)],
      ['right strap', Math.round((7 * count) / 8) - Math.round((3 * count) / 4)],
      ['rest', count - Math.round((7 * count) / 8)],
    ])
    expect(zoneAt(round, Math.round(count / 8))!.name).toBe('left strap')
    expect(zoneAt(round, count)).toBeUndefined()
  }
})

test('a cone is shaped inside its zones alone, and says so', () => {
  const spec = withZones(
    coneSpec({ from: 140, to: 60, begins: 'open' }),
    zone('front', 40, 140, true),
    zone('back', 220, 320, true),
  )
  const { rounds } = planPiece(spec)
  const narrowing = rounds.filter(({ count, from }) => count < from)
  expect(narrowing.length).toBeGreaterThan(3)
  const sum = narrowing.map((round) => {
    const [front, back] = ['front', 'back'].map(
      (name) => zonesOf(round).find((one) => one.name === name)!.steps,
    )
    expect(
      zonesOf(round)
        .filter(({ zone: kind }) => kind === 'rest')
        .flatMap(shapedIn),
    ).not.toContain(true)
    return { round, front, back }
  })
  const [first] = sum
  expect(writeRoundBody(first!.round, 'US')).toMatch(
    /^\d+ sc; over front .*sc2tog.*; \d+ sc; over back \d+ sc; \d+ sc$/,
  )
})

const anyZones = fc
  .array(fc.tuple(fc.integer({ min: 5, max: 60 }), fc.integer({ min: 20, max: 90 }), fc.boolean()), {
    minLength: 1,
    maxLength: 4,
  })
  .map((gaps) => {
    let at = 0
    return gaps.flatMap(([gap, over, shapes], index) => {
      const from = at + gap
      at = from + over
      return at <= 360 ? [zone(`zone ${index + 1}`, from, at, shapes)] : []
    })
  })
  .filter((zones) => zones.length > 0)

const anyStanding = fc.oneof(
  fc.integer({ min: 60, max: 200 }).map((to) => coneSpec({ from: 130, to, begins: 'open', length: 150 })),
  fc.integer({ min: 0, max: 25 }).map((lean) => vesselSpec({ base: 140, height: 120, lean })),
  fc.constant(drawnSpec({})),
)

test('zones of any piece add up to its rounds; shaping keeps inside, symmetric about their middles', () => {
  fc.assert(
    fc.property(anyStanding, anyZones, (plain, zones) => {
      const spec = withZones(plain, ...zones)
      const plan = plannedIfAny(spec)
      if (!plan) return
      expect(verify(plan.rounds)).toEqual([])
      const same = plannedIfAny(plain)!
      // What is named changes nothing of the size, nor of the counts.
      expect(plan.rounds.map(({ count }) => count)).toEqual(same.rounds.map(({ count }) => count))
      for (const round of plan.rounds) {
        const told = zonesOf(round)
        expect(told.reduce((sum, { count }) => sum + count, 0)).toBe(round.count)
        if (told.every(({ steps }) => steps.length === 0)) continue
        for (const one of told) {
          const shaped = shapedIn(one)
          if (!shaped.includes(true)) continue
          expect(zones.find(({ name }) => name === one.name)!.shapes).toBe(true)
          const [before, after] = [shaped.indexOf(true), shaped.toReversed().indexOf(true)]
          expect(Math.abs(before - after)).toBeLessThanOrEqual(1)
          const inner = shaped.slice(before, shaped.length - after)
          expect(inner).toEqual(inner.toReversed())
        }
      }
    }),
    { numRuns: runs(30) },
  )
})

test('zones of equal width take as much of the shaping, within one stitch, by every round', () => {
  const spec = withZones(
    coneSpec({ from: 150, to: 80, begins: 'open', length: 200 }),
    zone('a', 10, 100, true),
    zone('b', 190, 280, true),
  )
  for (const round of planPiece(spec).rounds) {
    const [a, b] = ['a', 'b'].map((name) => zonesOf(round).find((one) => one.name === name)!.count)
    expect(Math.abs(a! - b!)).toBeLessThanOrEqual(1)
  }
})

test('zones that overlap, go past the start or have no place are refused with what would be right', () => {
  const message = (spec: PieceSpec) => {
    try {
      planPiece(spec)
    } catch (error) {
      return `${(error as { message: string }).message} ${(error as { valid: string }).valid}`
    }
    return ''
  }
  const tube = tubeSpec({})
  expect(message(withZones(tube, zone('front', 0, 90), zone('strap', 60, 120)))).toBe(
    '“front” and “strap” overlap between 60° and 90°. Begin “strap” at 90°, or end “front” at 60°.',
  )
  expect(message(withZones(tube, zone('back', 300, 400)))).toBe(
    '“back” goes past the start of the round. From 300° it can go over 60° at the most.',
  )
  expect(message(withZones(tube, zone('a', 0, 20), zone('a', 40, 60)))).toMatch('Two zones are called “a”.')
  expect(message(withZones(tube, zone(' ', 0, 20)))).toMatch('A zone has no name.')
  expect(message(withZones(discSpec(200), zone('a', 0, 20, true)))).toMatch(
    'What lies flat needs its increases',
  )
  expect(message(withZones(discSpec(200), zone('a', 0, 20)))).toBe('')
  expect(message(withZones(bootieSpec(), zone('a', 0, 20)))).toMatch('has zones by itself')
  expect(message(withZones(wedgeSpec(), zone('a', 0, 20)))).toMatch('worked in rows')
})

test('what stands up with a zone of its own begins a stitch on in every third round; flat fabric does not', () => {
  const tube = withZones(tubeSpec({}), zone('strap', 45, 90))
  const leans = leansAt(tube, planPiece(tube).rounds)
  expect(leans.slice(0, 6)).toEqual([0, 0, 1, 0, 0, 1])
  const mat = withZones(discSpec(200), zone('strap', 45, 90))
  expect(Math.max(...leansAt(mat, planPiece(mat).rounds))).toBe(0)
})

test('a round in a texture, or with an opening, has the zones of the rounds below', () => {
  const plain = caseSpec({})
  const { rounds } = planPiece(plain)
  const body = rounds.find(({ section }) => section === 'body' || section === 'wall')!
  const textured: PieceSpec = {
    ...plain,
    sections: { ...plain.sections, [body.section]: { texture: usualTexture('popcorn') } },
    constraints: {
      ...plain.constraints,
      openings: [{ section: body.section, along: 40, at: 0.3, width: 30 }],
    },
  }
  const plan = planPiece(textured)
  const wall = plan.rounds.filter(({ section }) => section === body.section)
  const told = wall.filter(({ steps }) => steps.every((step) => step.zone === undefined))
  expect(told.length).toBeGreaterThan(2)
  const [first] = wall
  for (const round of told) {
    expect(counted(round)).toEqual(counted(first!))
  }
  // The other one of a pair has them the other way round.
  const boot = bootieSpec()
  const cuffed: PieceSpec = {
    ...boot,
    constraints: { openings: [{ section: 'wall', along: 8, at: 0.5, width: 12 }] },
  }
  const left = planPiece(cuffed)
  const right = forCopy(cuffed, left, 2).plan
  left.rounds.forEach((round, index) => {
    expect(counted(right.rounds[index]!)).toEqual(counted(round).toReversed())
  })
})
