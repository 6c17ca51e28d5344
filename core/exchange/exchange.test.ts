import { slipperSpec, sockSpec, strapSpec, wedgeSpec } from '../testing/rowSpecs.ts'
import { usualAccent } from '../rounds/texture.ts'
import fc from 'fast-check'
import { smallWorkshop } from '../testing/smallWorkshop.ts'
import { bootieSpec, caseSpec, ovalSpec, pouchSpec } from '../testing/chainSpecs.ts'
import {
  anySpec,
  ballSpec,
  capSpec,
  coneSpec,
  discSpec,
  drawnSpec,
  tubeSpec,
  vesselSpec,
} from '../testing/specs.ts'
import { SpecError } from '../errors/specError.ts'
import { readProjectFile } from './readProjectFile.ts'
import { DEFAULT_SETTINGS, type Records } from './records.ts'
import { specOf } from './specOf.ts'
import { withFreshIds } from './withFreshIds.ts'
import { projectFile, writeProjectFile } from './writeProjectFile.ts'
import { runs } from '../testing/runs.ts'

const NOW = '2026-11-24T08:00:00.000Z'

test('what is written is read back without loss', () => {
  fc.assert(
    fc.property(anySpec, fc.string({ minLength: 1, maxLength: 40 }), fc.nat(20), (spec, name, taps) => {
      let content: Records
      try {
        content = smallWorkshop(spec, name, taps)
      } catch (error) {
        if (error instanceof SpecError) return
        throw error
      }
      const file = projectFile(content, NOW, DEFAULT_SETTINGS)
      const read = readProjectFile(writeProjectFile(file))
      expect(read).toEqual({ ok: true, file: JSON.parse(JSON.stringify(file)) })
    }),
    { numRuns: runs(40) },
  )
})

test('a mat with an opening far wider than a hand, edged with shells, is read back as it was pinned', () => {
  const plain = discSpec(400)
  const spec = {
    ...plain,
    construction: { ...plain.construction, rim: 'shell' as const },
    constraints: { openings: [{ section: 'flat', along: 160, at: 0.5, width: 260 }] },
  }
  const file = projectFile(smallWorkshop(spec), NOW, DEFAULT_SETTINGS)
  // By hand: 260 mm of 8 mm stitches.
  expect(JSON.stringify(file.planVersions)).toContain('"makes":33,"manner":"slit"')
  expect(readProjectFile(writeProjectFile(file))).toEqual({
    ok: true,
    file: JSON.parse(JSON.stringify(file)),
  })
})

test('what work was begun on is read back: a part in a spiral, an opening too tight, any family, washed readings', () => {
  const opening = { section: 'base', along: 40, at: 0.5, width: 30, passes: 200 }
  const begun = [
    {
      ...vesselSpec({}),
      sections: { wall: { rounds: 'spiral' as const } },
      constraints: { openings: [opening] },
    },
    { ...capSpec({}), sections: { wall: { rounds: 'turned' as const } } },
    drawnSpec({}),
    drawnSpec({ foot: 'open', of: 'object', ease: -0.05, between: 'straight' }),
    coneSpec({}),
    { ...discSpec(200), constraints: { accents: [{ round: 6, texture: usualAccent('popcorn') }] } },
    {
      ...capSpec({ head: 560 }),
      constraints: { wallCount: 72, splits: [{ part: 'wall', along: 40 }] },
      sections: { 'wall-2': { stitch: 'hdc' as const } },
    },
    ballSpec({}),
    tubeSpec({}),
    { ...ovalSpec({ edge: 'crisp' }), constraints: { chains: 16 } },
    ovalSpec({ ends: 'fewer' }),
    bootieSpec({ side: 'right', cuff: 'ribbed' }),
    caseSpec({ base: 'slim', part: 'lid' }),
    pouchSpec(),
    wedgeSpec({ finish: 'bowed', share: 0.3 }),
    slipperSpec(),
    strapSpec({ end: 'pointed' }),
    strapSpec({ end: 'slanted' }),
    sockSpec({ cuff: 'ribbed', heel: 'soft' }),
    capSpec({ brim: 'earFlaps' }),
    caseSpec({ closing: 'flap' }),
  ]
  for (const spec of begun) {
    const content = smallWorkshop(spec)
    const washed = content.readings.map((reading) => ({
      ...reading,
      id: `${reading.id}-w`,
      washed: true as const,
    }))
    const pieces = content.pieces.map((piece) => ({ ...piece, washed: true as const }))
    const file = projectFile(
      { ...content, pieces, readings: [...content.readings, ...washed] },
      NOW,
      DEFAULT_SETTINGS,
    )
    expect(readProjectFile(writeProjectFile(file))).toEqual({
      ok: true,
      file: JSON.parse(JSON.stringify(file)),
    })
  }
  expect(JSON.stringify(smallWorkshop(begun[0]).planVersions)).toContain('"code":"openingTight"')
})

test('an empty workshop is a file too', () => {
  const empty = {
    projects: [],
    pieces: [],
    gauges: [],
    yarns: [],
    copies: [],
    planVersions: [],
    events: [],
    readings: [],
    photos: [],
  }
  expect(readProjectFile(writeProjectFile(projectFile(empty, NOW)))).toMatchObject({ ok: true })
})

/** A valid file with one thing spoiled. */
const spoiled = (path: readonly (string | number)[], value: unknown): string => {
  const file = JSON.parse(writeProjectFile(projectFile(smallWorkshop(), NOW))) as Record<string, unknown>
  let at: Record<string | number, unknown> = file
  for (const part of path.slice(0, -1)) at = at[part] as Record<string | number, unknown>
  const last = path.at(-1)!
  if (value === undefined) delete at[last]
  else at[last] = value
  return JSON.stringify(file)
}

test.each([
  ['{"format":"uzel", "vers', '', /not JSON/],
  ['[]', '', /not a Uzel file/],
  ['{"format":"other","version":1}', 'format', /not a Uzel file/],
  [spoiled(['version'], 11), 'version', /reads up to 10/],
  [spoiled(['version'], 0), 'version', /a version from 1 to 10/],
  [spoiled(['version'], 2.5), 'version', /a version from 1 to 10/],
  [spoiled(['version'], undefined), 'version', /a version from 1 to 10/],
  [
    spoiled(
      ['pieces', 0, 'colours'],
      [
        { fromRound: 1, yarn: 'fog' },
        { fromRound: 1, yarn: 'fog' },
      ],
    ),
    'pieces[0].colours',
    /Two yarns begin at the same round/,
  ],
  [
    spoiled(['pieces', 0, 'constraints'], { firstCount: 7, multiples: [{ fromRound: 1, of: 3 }] }),
    'pieces[0].constraints.firstCount',
    /do not divide by 3/,
  ],
  [
    spoiled(['pieces', 0, 'colours', 0, 'beside'], ['nowhere']),
    'pieces[0].colours[0].beside[0]',
    /Nothing in the file/,
  ],
  [spoiled(['pieces', 0, 'form', 'across'], -3), 'pieces[0].form.across', /greater than or equal/],
  [spoiled(['pieces', 0, 'form', 'family'], 'cube'), 'pieces[0].form', /disc/],
  [spoiled(['pieces', 0, 'form', 'across'], '110'), 'pieces[0].form.across', /number/],
  [spoiled(['pieces', 0, 'form', 'across'], undefined), 'pieces[0].form.across', /required/],
  [spoiled(['pieces', 0, 'rhythm'], 1e300), 'pieces[0].rhythm', /safe number/],
  [spoiled(['pieces', 0, 'gaugeId'], 'nowhere'), 'pieces[0].gaugeId', /Nothing in the file/],
  [
    spoiled(['pieces', 0, 'construction', 'rounds'], { kind: 'spiral', turned: true }),
    'pieces[0].construction.rounds',
    /./,
  ],
  [spoiled(['yarns', 0, 'colour'], 'url(x)'), 'yarns[0].colour', /pattern/],
  [spoiled(['yarns', 0, 'surprise'], 1), 'yarns[0].surprise', /not allowed/],
  [spoiled(['events', 2, 'seq'], 9), 'events[3]', /does not add up. After event 2 comes 4/],
  [spoiled(['events', 1, 'type'], 'explode'), 'events[1]', /not an event/],
  [
    spoiled(['planVersions', 0, 'plan', 'rounds', 3, 'hosts', 0, 'to'], 25),
    'planVersions[0].plan.rounds[3].hosts',
    /stitch 25 of Rnd 3, which has 18/,
  ],
  [
    spoiled(['planVersions', 0, 'plan', 'rounds', 3, 'steps', 0, 'times'], 2),
    'planVersions[0].plan.rounds[3].steps',
    /works off \d+ stitches; below it there are 18/,
  ],
  [spoiled(['copies', 0, 'planVersion'], 2), 'copies[0].planVersion', /missing/],
])('case %# is refused where it is wrong', (text, path, message) => {
  const read = readProjectFile(text)
  expect(read.ok).toBe(false)
  if (read.ok) return
  expect(read.faults[0]!.path).toBe(path)
  expect(read.faults[0]!.message).toMatch(message)
})

test('fresh ids keep every reference, so a copy can stand beside the original', () => {
  let next = 0
  const original = smallWorkshop()
  const fresh = withFreshIds(original, () => `new-${next++}`, new Set(['fog']))
  const ids = (some: Records) =>
    Object.values(some).flatMap((table: readonly { id: string }[]) => table.map(({ id }) => id))
  expect(ids(fresh).filter((id) => ids(original).includes(id))).toEqual(['fog'])
  expect(readProjectFile(writeProjectFile(projectFile(fresh, NOW)))).toMatchObject({ ok: true })
})

test('a stored piece becomes the spec of its own gauge, carried over to its stitch', () => {
  const { pieces, gauges } = smallWorkshop()
  const spec = specOf({ ...pieces[0]!, stitch: 'dc' }, gauges[0]!, 18)
  expect(spec.gauge).toMatchObject({ stitch: 'dc', certainty: 'guess' })
  expect(spec.gauge.h / spec.gauge.w).toBeCloseTo(1.91, 6)
})
