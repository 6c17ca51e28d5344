import fc from 'fast-check'
import { carryOnPlan } from '../plan/carryOnPlan.ts'
import { pin, unpin } from '../plan/pinnedPlan.ts'
import { planPiece } from '../plan/planPiece.ts'
import type { PieceSpec, Plan } from '../plan/plan.ts'
import { newPiece } from '../exchange/newPiece.ts'
import { specOf } from '../exchange/specOf.ts'
import { UNMEASURED_GAUGE } from '../exchange/newPiece.ts'
import { PIECES_TO_WRITE } from '../testing/patternSpecs.ts'
import { acrossOf, ballSpec, capSpec, discSpec, seenAcross } from '../testing/specs.ts'
import { diagnose } from '../fit/diagnose.ts'
import { waysOut } from '../fit/waysOut.ts'
import { asWritten } from './asPiece.ts'
import { bandsOver, hasRowsBeyond, inProportion, plannedAnew } from './plannedAnew.ts'
import { rimSteps } from '../rounds/rim.ts'
import { readPattern } from './read/readPattern.ts'
import { recognise, type Recognised } from './recognise.ts'
import { studyPattern } from './studyPattern.ts'
import { patternText, writePattern } from './write/writePattern.ts'
import { runs } from '../testing/runs.ts'

const written = (plan: Plan, spec: PieceSpec): string =>
  patternText(
    writePattern(plan, spec, 'US', {
      title: 'Hut thing',
      quantity: 1,
      head: [],
      nameOfYarn: (yarn) => yarn,
      measureAfter: () => undefined,
    }),
    'text',
  )

function recognised(spec: PieceSpec): { plan: Plan; is: Recognised } {
  const plan = planPiece(spec)
  const found = recognise(readPattern(written(plan, spec)).pieces[0]!, { gauge: spec.gauge, pace: 18 })
  if (!found.ok) throw new Error(JSON.stringify(found.why))
  return { plan, is: found.is }
}

const sizes = ({ finished }: Plan) =>
  Object.fromEntries(finished.promises.map(({ of, value }) => [of, value]))

test.each([
  ['disc', 'disc'],
  ['disc in a spiral', 'disc'],
  ['disc, chain counts', 'disc'],
  ['disc on a ring of chains', 'disc'],
  ['tube', 'tube'],
  ['vessel', 'vessel'],
  ['oval', 'oval'],
  ['sock', 'sock'],
  ['bootie', 'bootie'],
  ['disc with picots', 'disc'],
  ['disc with shells', 'disc'],
  ['ribbed wall', 'vessel'],
  ['checked wall', 'vessel'],
  ['wall of posts', 'vessel'],
  ['wall of popcorns', 'vessel'],
  ['wall of spikes', 'vessel'],
  ['wall of mesh', 'vessel'],
  ['strap', 'strap'],
  ['strap with a point', 'strap'],
  ['strap with a slanted end', 'strap'],
  ['wall of clusters', 'vessel'],
  ['oval of hdc with one fewer', 'oval'],
  ['cap', 'cap'],
  ['cap with ear flaps', 'cap'],
  ['ball', 'ball'],
  ['case with a flap', 'case'],
  ['pouch', 'pouch'],
  ['half round', 'wedge'],
  ['slipper', 'slipper'],
  ['off-centre disc', 'offCentre'],
])('%s is recognised by its rounds alone, and comes out as large as it was planned', (name, family) => {
  const { plan, is } = recognised(PIECES_TO_WRITE[name]!)
  expect(is.form.family).toBe(family)
  for (const [of, value] of Object.entries(sizes(plan))) {
    expect(Math.abs(sizes(is.plan)[of]! - value)).toBeLessThan(0.6)
  }
  expect(is.plan.rounds.map(({ count }) => count)).toEqual(plan.rounds.map(({ count }) => count))
  expect(is.plan.rounds.map(({ section }) => section)).toEqual(plan.rounds.map(({ section }) => section))
  expect(is.plan.stitches).toBe(plan.stitches)
  expect(Math.abs(is.plan.yarn[0]!.metres / plan.yarn[0]!.metres - 1)).toBeLessThan(0.02)
})

test('a shape that is none of those is drawn as it comes to lie; what nobody can lay yet says so', () => {
  for (const name of ['cone', 'drawn']) {
    const { plan, is } = recognised(PIECES_TO_WRITE[name]!)
    expect(is.form.family).toBe('drawn')
    const [widest, planned] = [is.plan, plan].map(({ rounds }) =>
      Math.max(...rounds.map(({ at }) => at.radius)),
    )
    // A funnel that is worked free lies as one that is planned.
    expect(Math.abs(widest! / planned! - 1)).toBeLessThan(0.12)
  }
  const { gauge } = PIECES_TO_WRITE['vessel']!
  const waist = readPattern(
    'Ch 13\nRow 1: 12 sc (12)\nRow 2: sc2tog, 8 sc, sc2tog (10)\nRow 3: inc, 8 sc, inc (12)',
  )
  expect(recognise(waist.pieces[0]!, { gauge, pace: 18 })).toEqual({ ok: false, why: { kind: 'form' } })
  const broken = readPattern('Rnd 1: 6 sc in magic ring (6)\nRnd 2: inc x 5 (10)')
  expect(recognise(broken.pieces[0]!, { gauge, pace: 18 })).toMatchObject({
    ok: false,
    why: { kind: 'flaw', round: 1 },
  })
})

const RECORD = { ...UNMEASURED_GAUGE, id: 'gauge' }
const pieceOf = (is: Recognised) => ({
  ...newPiece({ id: 'p', projectId: 'q', gaugeId: 'gauge', yarnId: 'fog', form: { ...is.form } }),
  ...asWritten(is),
})

test.each(['dome', 'tall', 'flat'] as const)(
  'a %s crown with its wall is a cap where its name says so',
  (crown) => {
    const spec = capSpec({ crown })
    const plan = planPiece(spec)
    const [piece] = readPattern(written(plan, spec)).pieces
    const seen = (called: string) => {
      const found = recognise(piece!, { gauge: spec.gauge, pace: 18, called })
      return found.ok ? found.is.form : undefined
    }
    expect(seen('Porter’s cap')).toMatchObject({ family: 'cap', crown, brim: 'plain' })
    expect(seen('Ash bowl')?.family).not.toBe('cap')
  },
)

test.each(['tightened', 'ribbed', 'flared'] as const)('a %s brim is told by its first round', (brim) => {
  const { plan, is } = recognised(capSpec({ brim }))
  expect(is.form).toMatchObject({ family: 'cap', crown: 'rounded', brim })
  expect(is.plan.rounds.map(({ section }) => section)).toEqual(plan.rounds.map(({ section }) => section))
  expect(sizes(is.plan)['depth']).toBeCloseTo(sizes(plan)['depth']!, 3)
})

test('an egg is longer than wide, its widest place where it is', () => {
  const { plan, is } = recognised(ballSpec({ longer: 0.5 }))
  expect(is.form).toMatchObject({ family: 'ball', widest: 0.5 })
  expect(is.form.family === 'ball' && is.form.longer).toBeGreaterThan(0.3)
  expect(sizes(is.plan)['around']).toBeCloseTo(sizes(plan)['around']!, 3)
})

test('given rounds are planned as they are, kept, and carried on from what was really worked', () => {
  fc.assert(
    fc.property(
      fc.constantFrom('disc', 'vessel', 'oval', 'tube'),
      fc.integer({ min: 4, max: 9 }),
      (name, after) => {
        const { is } = recognised(PIECES_TO_WRITE[name]!)
        const spec = specOf(pieceOf(is), RECORD, 18)
        const plan = planPiece(spec)
        expect(plan.rounds.map(({ steps }) => steps)).toEqual(is.given.map(({ steps }) => steps))
        expect(unpin(spec, pin(plan)).rounds).toEqual(plan.rounds)
        const { at } = plan.rounds[after - 1]!
        const edge = { radius: at.radius * 1.02, z: at.z, sd: 1, along: { arc: at.arc, sd: 1 } }
        const worked = plan.rounds.slice(0, after)
        const again = planPiece(spec, { rounds: worked, edge })
        expect(again.rounds.map(({ count }) => count)).toEqual(plan.rounds.map(({ count }) => count))
        expect(again.rounds).toEqual(carryOnPlan(spec, plan, worked, edge).rounds)
      },
    ),
    { numRuns: runs(12), endOnFailure: true },
  )
})

test('found large on the way, the rounds ahead are planned to its size; carried on or with another hook they are as written', () => {
  const { is } = recognised(PIECES_TO_WRITE['disc']!)
  const spec = specOf(pieceOf(is), RECORD, 18)
  const plan = planPiece(spec)
  const across = 2 * plan.rounds[5]!.at.radius * 1.25
  const reading = {
    id: 'r',
    copyId: 'c',
    at: 0,
    planVersion: 1,
    afterRound: 6,
    seen: seenAcross(6, across, across),
  }
  const diagnosis = diagnose({ spec, rounds: plan.rounds.slice(0, 6), readings: [reading] })
  const { unchanged, ways } = waysOut({ spec, hook: 5, plan, afterRound: 6, diagnosis })
  const size = ({ plan: { finished } }: { plan: Plan }) => finished.promises[0]!.value
  const wanted = acrossOf(spec)
  const replanned = ways.find(({ kind }) => kind === 'replan')!
  expect(Math.abs(size(replanned) - wanted)).toBeLessThan(Math.abs(size(unchanged) - wanted))
  expect(replanned.spec.constraints?.given).toBeUndefined()
  for (const way of ways.filter(({ kind }) => kind === 'anotherHook')) {
    expect(way.plan.rounds.map(({ count }) => count)).toEqual(plan.rounds.map(({ count }) => count))
  }
})

test('a size changed plans it anew in its stitch, start and way; its bands of yarn keep their share', () => {
  const { is } = recognised(PIECES_TO_WRITE['disc, chain counts']!)
  const piece = pieceOf(is)
  expect(
    plannedAnew(piece, { ...piece, name: 'Other', colours: [{ fromRound: 1, yarn: 'pine' }] }).constraints
      .given,
  ).toBe(is.given)
  const larger = plannedAnew(piece, { ...piece, form: { family: 'disc', across: 260 } })
  expect(larger.constraints).toEqual({})
  const plan = planPiece(specOf(larger, RECORD, 18))
  expect(plan.rounds.every(({ stitch }) => stitch === 'dc')).toBe(true)
  expect(larger.construction).toMatchObject({
    start: { kind: 'magicRing' },
    rounds: { begins: 'countingChain' },
  })
  // Rounds 1 to 6 of 8 and the last two: of 12, nine and three.
  expect(
    bandsOver(
      [
        { fromRound: 1, yarn: 'fog' },
        { fromRound: 7, yarn: 'pine' },
      ],
      8,
      12,
    ),
  ).toEqual([
    { fromRound: 1, yarn: 'fog' },
    { fromRound: 10, yarn: 'pine' },
  ])
})

test('increases that stand over one another are told from those that are staggered, and which end of a repeat they have', () => {
  const stacked = recognised(PIECES_TO_WRITE['disc, increases first']!)
  expect(stacked.is.construction).toMatchObject({ placement: 'stacked', order: 'increaseFirst' })
  expect(recognised(discSpec(200)).is.construction).toMatchObject({
    placement: 'staggered',
    order: 'increaseLast',
  })
})

test('what another tension makes of it: how many stitches it wants, the hook that meets it, or other rounds', () => {
  const text = written(planPiece(discSpec(200)), discSpec(200))
  const studied = studyPattern(
    `Hut mat, 17 cm across\n${text.split('\n').slice(1).join('\n')}`,
    {},
    {
      gauge: discSpec(200).gauge,
      hook: 5,
      pace: 18,
    },
  )
  const guessed = studyPattern(
    `Hut mat, 17 cm across\n${text}`,
    {},
    { gauge: { ...discSpec(200).gauge, certainty: 'guess' }, hook: 5, pace: 18 },
  )
  // From a label alone nothing is known of how the maker's own tension differs.
  expect(guessed.ok && guessed.study.tension).toBeUndefined()
  if (!studied.ok) throw new Error('not read')
  const { tension, pieces } = studied.study
  const [first] = pieces
  const across = first!.ok ? first!.is.plan.finished.promises[0]!.value : 0
  // By hand: stitches 8 mm wide are 12.5 in 10 cm; to be smaller by 17 cm over what it is there must be as many more.
  expect(tension!.own).toBeCloseTo(12.5, 6)
  expect(tension!.theirs).toBeCloseTo((12.5 * across) / 170, 6)
  expect(tension!.hook).toBeLessThan(5)
  expect(tension!.rounds!.nearest).toBe(Math.round((tension!.rounds!.written * 170) / across))
})

test('an accent round and an edging are kept when it becomes larger, the accent where its share of the way is', () => {
  const popcorns = recognised(PIECES_TO_WRITE['disc with a round of popcorns']!)
  expect(popcorns.is.accents).toEqual([{ round: 9, texture: { kind: 'popcorn', of: 5, over: 3 } }])
  expect(popcorns.is.plan.finished).toEqual(popcorns.plan.finished)
  const piece = pieceOf(popcorns.is)
  const before = popcorns.plan.rounds.length
  const larger = plannedAnew(piece, { ...piece, form: { family: 'disc', across: 480 } })
  const plain = planPiece(specOf(larger, RECORD, 18)).rounds.length
  const anew = inProportion(larger, before, plain)
  const { rounds } = planPiece(specOf(anew, RECORD, 18))
  const raised = rounds.filter(({ steps }) => JSON.stringify(steps).includes('popcorn'))
  expect(raised.map(({ number }) => number)).toEqual([Math.round((8 * plain) / before) + 1])
  for (const rim of ['picot', 'slst', 'curl', 'shell', 'reverse'] as const) {
    const name = {
      picot: 'picots',
      slst: 'slip stitches',
      curl: 'curls',
      shell: 'shells',
      reverse: 'reverse stitches',
    }
    const { is } = recognised(PIECES_TO_WRITE[`disc with ${name[rim]}`]!)
    expect(is.construction.rim).toBe(rim)
    const edged = pieceOf(is)
    const wider = plannedAnew(edged, { ...edged, form: { family: 'disc', across: 300 } })
    const last = planPiece(specOf(wider, RECORD, 18)).rounds.at(-1)!
    expect(last.steps).toEqual(rimSteps(rim, last.from))
  }
  expect(recognised(PIECES_TO_WRITE['disc']!).is).toMatchObject({ accents: [] })
  expect(recognised(PIECES_TO_WRITE['disc']!).is.construction.rim).toBeUndefined()
})

test('rows beyond the last round of a form that has none there lie as its edge does, and are not planned anew', () => {
  const spec = PIECES_TO_WRITE['vessel']!
  const vessel = planPiece(spec)
  const tab = (
    number: number,
    from: number,
  ) => `Row ${number}: join the yarn in st ${from}, ch 1, 12 sc; 86 wait, turn. (12)
Row ${number + 1}: ch 1, sc2tog, 8 sc, sc2tog, turn. (10)`
  const read = readPattern(`${written(vessel, spec)}\n${tab(39, 10)}\n${tab(41, 60)}`)
  const found = recognise(read.pieces[0]!, { gauge: spec.gauge, pace: 18 })
  if (!found.ok) throw new Error(JSON.stringify(found.why))
  const { is } = found
  expect(is.form.family).toBe('vessel')
  expect(is.plan.rounds.slice(38).map(({ section, count, closed }) => [section, count, closed])).toEqual([
    ['beyond', 12, false],
    ['beyond', 10, false],
    ['beyond-2', 12, false],
    ['beyond-2', 10, false],
  ])
  // What is promised is that of the vessel, and no row lies lower than its edge.
  expect(is.plan.finished.promises).toEqual(vessel.finished.promises)
  const edge = is.plan.rounds[37]!.at
  for (const { at } of is.plan.rounds.slice(38)) {
    expect(at.z).toBeGreaterThan(edge.z)
    expect(at.radius).toBeCloseTo(edge.radius, 6)
  }
  expect(is.plan.stitches).toBe(vessel.stitches + 44)
  const piece = pieceOf(is)
  expect(hasRowsBeyond(piece)).toBe(true)
  const higher = plannedAnew(piece, { ...piece, form: { ...is.form, height: 220 } as typeof piece.form })
  expect(hasRowsBeyond(higher)).toBe(false)
  expect(planPiece(specOf(higher, RECORD, 18)).rounds.every(({ closed }) => closed)).toBe(true)
  // Only what is turned all the way is worked in turned rounds.
  expect(is.construction.rounds).toMatchObject({ turned: false })
})
