import { spreadMotifs } from '../rounds/edge.ts'
import { usualMotif } from '../rounds/motif.ts'
import type { Texture } from '../rounds/texture.ts'
import type { PieceSpec, RoundsWorked } from '../plan/plan.ts'
import type { StitchName } from '../stitches/stitch.ts'
import { bootieSpec, caseSpec, ovalSpec, pouchSpec } from './chainSpecs.ts'
import { sockSpec, slipperSpec, strapSpec, wedgeSpec } from './rowSpecs.ts'
import { ballSpec, capSpec, coneSpec, discSpec, drawnSpec, tubeSpec, vesselSpec } from './specs.ts'

const JOINED = { kind: 'joined', turned: false, begins: 'chain', shaping: 'atTheJoin' } as const

const built = (
  spec: PieceSpec,
  rounds: RoundsWorked,
  more: Partial<PieceSpec['construction']> = {},
): PieceSpec => ({
  ...spec,
  construction: { ...spec.construction, rounds, ...more },
})

const walled = (texture: Texture, stitch: StitchName = 'hdc'): PieceSpec => {
  const spec = vesselSpec({})
  return { ...spec, sections: { ...spec.sections, wall: { stitch, texture } } }
}

const dcDisc = discSpec(160, { stitch: 'dc' }, 1.91)

/** A piece of every family, every start, way, edge and texture: by what is told in other words. */
export const PIECES_TO_WRITE: Readonly<Record<string, PieceSpec>> = {
  disc: discSpec(160),
  'larger disc': discSpec(240),
  'disc in a spiral': built(discSpec(160), { kind: 'spiral' }),
  'disc, chain counts': built(dcDisc, { ...JOINED, begins: 'countingChain' }),
  'disc, first stitch stands': built(dcDisc, { ...JOINED, begins: 'standingStitch' }),
  'disc on a ring of chains': built(discSpec(160), JOINED, { start: { kind: 'chainRing', chains: 5 } }),
  'disc in one chain': built(discSpec(160), JOINED, { start: { kind: 'chainTwo' } }),
  'disc in one chain that counts': built(
    dcDisc,
    { ...JOINED, begins: 'countingChain' },
    { start: { kind: 'chainTwo' } },
  ),
  'disc turned, into back loops': built(
    discSpec(160, { stitch: 'hdc' }, 1.27),
    { ...JOINED, turned: true },
    { loops: 'back' },
  ),
  'disc with other last rounds': built(discSpec(171), JOINED, { freeLastRounds: 2 }),
  'disc, increases first': built(discSpec(180), JOINED, { order: 'increaseFirst', placement: 'stacked' }),
  'disc with picots': built(discSpec(171), JOINED, { rim: 'picot' }),
  'disc with slip stitches': built(discSpec(171), JOINED, { rim: 'slst' }),
  'disc with curls': built(discSpec(171), JOINED, { rim: 'curl' }),
  'disc with shells': built(discSpec(171), JOINED, { rim: 'shell' }),
  'disc with reverse stitches': built(discSpec(171), JOINED, { rim: 'reverse' }),
  'disc with points': edged(['point', 'point', 'point', 'point']),
  'disc with loop, tail, shell and leg': edged(['loop', 'tail', 'shell', 'leg']),
  'disc with a round of popcorns': {
    ...discSpec(240),
    constraints: { accents: [{ round: 9, texture: { kind: 'popcorn', of: 5, over: 3 } }] },
  },
  tube: tubeSpec({ girth: 300, length: 140 }),
  cone: coneSpec({}),
  ball: ballSpec({}),
  drawn: drawnSpec({}),
  vessel: vesselSpec({}),
  'vessel with an opening': {
    ...vesselSpec({}),
    constraints: { openings: [{ section: 'wall', along: 30, at: 0.25, width: 40 }] },
  },
  'ribbed wall': walled({ kind: 'rib', over: 1 }),
  'checked wall': walled({ kind: 'check', over: 3, rounds: 3 }),
  'wall of posts': walled({ kind: 'posts' }),
  'wall of popcorns': walled({ kind: 'popcorn', of: 5, over: 3, rounds: 1 }),
  'wall of clusters': walled({ kind: 'cluster', of: 3 }),
  'wall of spikes': walled({ kind: 'spike', over: 3, rounds: 1 }),
  'wall of mesh': walled({ kind: 'mesh' }),
  cap: capSpec({}),
  'cap with ear flaps': capSpec({ brim: 'earFlaps' }),
  oval: ovalSpec({}),
  'oval of dc, chain counts': built(ovalSpec({}, { stitch: 'dc' }), { ...JOINED, begins: 'countingChain' }),
  'oval of hdc with one fewer': ovalSpec({ ends: 'fewer' }, { stitch: 'hdc' }),
  bootie: bootieSpec({}),
  case: caseSpec({}),
  'case with a flap': caseSpec({ closing: 'flap', thick: 50, high: 110, opens: 0.6 }),
  pouch: pouchSpec({}),
  'half round': wedgeSpec({}),
  sock: sockSpec({}),
  slipper: slipperSpec({}),
  strap: strapSpec({}),
  'strap with a point': strapSpec({ end: 'pointed', wide: 60 }),
  'strap with a slanted end': strapSpec({ end: 'slanted', wide: 60 }),
  'strap of dc, chain counts': built(strapSpec({}, { stitch: 'dc' }), {
    ...JOINED,
    turned: true,
    begins: 'countingChain',
    shaping: 'offTheJoin',
  }),
  'off-centre disc': {
    ...discSpec(180),
    form: { family: 'offCentre', across: 180, off: 20 } as PieceSpec['form'],
  },
}

function edged(kinds: readonly Parameters<typeof usualMotif>[0][]): PieceSpec {
  const motifs = spreadMotifs(kinds.map((kind) => ({ name: kind, ops: usualMotif(kind) })))
  return { ...discSpec(220), constraints: { edge: { motifs, mirrored: false, alike: false } } }
}
