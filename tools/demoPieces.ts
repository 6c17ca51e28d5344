/** The pieces of the demo workshop: the Skarn Hut, made up, being kitted out. */
import {
  gaugeOf,
  newPiece,
  spreadMotifs,
  usualMotif,
  type GaugeRecord,
  type PieceRecord,
} from '../core/index.ts'
import { asWritten } from '../core/pattern/asPiece.ts'
import { readPattern } from '../core/pattern/read/readPattern.ts'
import { recognise } from '../core/pattern/recognise.ts'

export const trivet: PieceRecord = {
  ...newPiece({
    id: 'trivet',
    projectId: 'kettle-trivet',
    gaugeId: 'cotton-double',
    yarnId: 'fog',
    form: { family: 'disc', across: 220 },
  }),
  fitness: { uses: ['hot'], layers: 1, hardware: [], read: [] },
  colours: [
    { fromRound: 1, yarn: 'fog' },
    { fromRound: 11, yarn: 'soot' },
  ],
}
export const mats: PieceRecord = {
  ...newPiece({
    id: 'mats',
    projectId: 'tin-mug-mats',
    gaugeId: 'cotton-single',
    yarnId: 'fog',
    form: { family: 'disc', across: 110 },
  }),
  quantity: 8,
  fitness: { uses: ['wet'], layers: 1, hardware: [], read: [] },
  colours: [
    { fromRound: 1, yarn: 'fog' },
    { fromRound: 7, yarn: 'pine' },
  ],
}

/** It keeps the glass of the lamp at the door whole on the way up; off while the lamp burns. */
export const sleeve: PieceRecord = {
  ...newPiece({
    id: 'sleeve',
    projectId: 'lamp-glass-sleeve',
    gaugeId: 'cotton-single',
    yarnId: 'pine',
    form: { family: 'tube', girth: 251, of: 'object', ease: 0.04, length: 168, end: 'open' },
  }),
  colours: [
    { fromRound: 1, yarn: 'pine' },
    { fromRound: 4, yarn: 'fog' },
  ],
}

/** For whoever minds the hut in winter. */
export const cap: PieceRecord = {
  ...newPiece({
    id: 'cap',
    projectId: 'wardens-cap',
    gaugeId: 'loft-wool-double',
    yarnId: 'lichen',
    form: {
      family: 'cap',
      head: 570,
      depth: 215,
      ease: 0.04,
      crown: 'rounded',
      brim: 'ribbed',
      brimHeight: 45,
    },
  }),
  fitness: { uses: ['worn'], layers: 1, hardware: [], read: [] },
  colours: [
    { fromRound: 1, yarn: 'lichen' },
    { fromRound: 17, yarn: 'tarn' },
    { fromRound: 21, yarn: 'lichen' },
    { fromRound: 23, yarn: 'tarn' },
  ],
}

/** It stands beside the stove, and holds what is split for a morning. */
export const basket: PieceRecord = {
  ...newPiece({
    id: 'basket',
    projectId: 'kindling-basket',
    gaugeId: 'cotton-double',
    yarnId: 'slate',
    form: { family: 'vessel', base: 240, of: 'outside', height: 160, lean: 0, edge: 'lip' },
  }),
  fitness: { uses: ['household'], layers: 1, hardware: [], read: [] },
  sections: { wall: { stitch: 'dc', texture: { kind: 'check', over: 3, rounds: 1 } } },
}

/** It goes over the handle of the iron pan; two strands, and never damp. */
export const handleSleeve: PieceRecord = {
  ...newPiece({
    id: 'handle-sleeve',
    projectId: 'pan-handle-sleeve',
    gaugeId: 'cotton-double',
    yarnId: 'soot',
    form: { family: 'vessel', base: 38, of: 'inside', height: 150, lean: 0, edge: 'rounded' },
  }),
  quantity: 2,
  fitness: { uses: ['hot'], layers: 1, hardware: [], read: [] },
}

/** It keeps the spare glass of the lamp from dust, mouth down; the hook goes through the slit in its top. */
export const cover: PieceRecord = {
  ...newPiece({
    id: 'cover',
    projectId: 'lamp-glass-cover',
    gaugeId: 'cotton-single',
    yarnId: 'fog',
    form: { family: 'vessel', base: 95, of: 'inside', height: 160, lean: 0, edge: 'crisp' },
  }),
  constraints: { openings: [{ section: 'base', along: 24, at: 0.5, width: 18, passes: 34 }] },
}

/** It keeps the door open when the wind is up; heavy enough, filled with scraps around a stone. */
export const doorStop: PieceRecord = {
  ...newPiece({
    id: 'ball',
    projectId: 'door-stop',
    gaugeId: 'cotton-single',
    yarnId: 'soot',
    form: { family: 'ball', across: 120, longer: 0, widest: 0.5, filling: 'firm' },
  }),
  fitness: { uses: ['household'], layers: 1, hardware: [], read: [] },
}

/** For whoever comes up to the hut carried; on feet that do not walk yet. */
export const booties: PieceRecord = {
  ...newPiece({
    id: 'booties',
    projectId: 'cradle-booties',
    gaugeId: 'loft-wool-fine',
    yarnId: 'fog',
    form: {
      family: 'bootie',
      foot: 105,
      room: 5,
      wide: 0.43,
      opening: 1.6,
      cuffHeight: 15,
      cuff: 'plain',
      side: 'left',
    },
  }),
  fitness: { uses: ['worn', 'baby'], layers: 1, hardware: [], read: [] },
  colours: [
    { fromRound: 1, yarn: 'fog' },
    { fromRound: 6, yarn: 'lichen' },
    { fromRound: 19, yarn: 'fog' },
  ],
}

/** For the lamp that leads down at night: out of the rucksack's damp, never while it charges. */
const caseForm = {
  family: 'case',
  long: 90,
  thick: 50,
  high: 110,
  corners: 'rounded',
  radius: 12,
  ease: 0.04,
  base: 'full',
  closing: 'lid',
  opens: 0.62,
  hinge: 0.22,
} as const
const caseOf = (part: 'body' | 'lid'): PieceRecord => ({
  ...newPiece({
    id: `headlamp-${part}`,
    projectId: 'headlamp-case',
    gaugeId: 'cotton-single',
    yarnId: 'pine',
    form: { ...caseForm, part },
    name: part === 'body' ? 'Body' : 'Lid',
    place: part === 'body' ? 1 : 2,
  }),
  fitness: { uses: ['device'], layers: 1, hardware: [], read: [] },
})
export const [caseBody, caseLid] = [caseOf('body'), caseOf('lid')]

/** The compass hangs in it beside the map. */
export const compassPouch: PieceRecord = {
  ...newPiece({
    id: 'compass-pouch',
    projectId: 'compass-pouch',
    gaugeId: 'loft-wool-fine',
    yarnId: 'lichen',
    form: {
      family: 'pouch',
      wide: 95,
      high: 110,
      cord: 'drawstring',
      edge: 'frilled',
      edgeHeight: 15,
      flare: 0.5,
      lining: 'none',
    },
  }),
  fitness: { uses: ['household'], layers: 1, hardware: ['cords'], read: [] },
}

/** It lies against the stove's back plate: half round, two strands. */
export const potRest: PieceRecord = {
  ...newPiece({
    id: 'pot-rest',
    projectId: 'pot-rest',
    gaugeId: 'cotton-double',
    yarnId: 'fog',
    form: { family: 'wedge', radius: 105, share: 0.5, finish: 'bowed', bow: 8 },
  }),
  fitness: { uses: ['hot'], layers: 1, hardware: [], read: [] },
  colours: [
    { fromRound: 1, yarn: 'fog' },
    { fromRound: 9, yarn: 'slate' },
  ],
}

/** For cold nights in the bunks. */
export const bedSocks: PieceRecord = {
  ...newPiece({
    id: 'bed-socks',
    projectId: 'bed-socks',
    gaugeId: 'loft-wool-double',
    yarnId: 'lichen',
    form: {
      family: 'sock',
      foot: 250,
      around: 235,
      ease: -0.16,
      leg: 110,
      heel: 'full',
      cuff: 'plain',
      cuffHeight: 40,
    },
  }),
  fitness: { uses: ['worn'], layers: 1, hardware: [], read: [] },
  colours: [
    { fromRound: 1, yarn: 'tarn' },
    { fromRound: 7, yarn: 'lichen' },
    { fromRound: 29, yarn: 'tarn' },
    { fromRound: 39, yarn: 'lichen' },
  ],
}

/** For the kettle on the stove: two layers joined all around, with a loop to hang it by. */
export const holderDisc: PieceRecord = {
  ...newPiece({
    id: 'holder-disc',
    projectId: 'pot-holder',
    gaugeId: 'cotton-double',
    yarnId: 'soot',
    form: { family: 'disc', across: 180 },
    name: 'Disc',
    place: 1,
  }),
  quantity: 2,
  fitness: { uses: ['hot'], layers: 2, hardware: [], read: [] },
}
export const holderLoop: PieceRecord = {
  ...newPiece({
    id: 'holder-loop',
    projectId: 'pot-holder',
    gaugeId: 'cotton-double',
    yarnId: 'soot',
    form: { family: 'strap', wide: 20, long: 120, end: 'square' },
    name: 'Loop',
    place: 2,
  }),
  fitness: { uses: ['hot'], layers: 1, hardware: [], read: [] },
}

/** Under the rack over the stove, where gloves drip: eight points around its edge. */
const dryingPlain = newPiece({
  id: 'drying-rack-mat',
  projectId: 'drying-rack-mat',
  gaugeId: 'cotton-single',
  yarnId: 'fog',
  form: { family: 'disc', across: 240 },
})
export const dryingMat: PieceRecord = {
  ...dryingPlain,
  fitness: { uses: ['wet'], layers: 1, hardware: [], read: [] },
  colours: [
    { fromRound: 1, yarn: 'fog' },
    { fromRound: 11, yarn: 'pine' },
  ],
  constraints: {
    edge: {
      motifs: spreadMotifs(Array.from({ length: 8 }, () => ({ name: 'point', ops: usualMotif('point') }))),
      mirrored: false,
      alike: true,
    },
  },
}

/** From the hut book, with the slip of whoever wrote it in: a total that is the one of the round after it. */
const WRITTEN = `Wash-house mat
Size: 16 cm across
With Fog.
R1: 6 sc in magic ring (6)
R2: inc around (12)
R3: (sc, inc) x 6 (18)
R4: (2 sc, inc) x 6 (24)
R5: *3 sc, inc; rep from * around (36)
R6: (4 sc, inc) x 6 (36)
R7: (5 sc, inc) x 6 (42)
R8: (6 sc, inc) x 6 (48)
Change to Pine.
R9: (7 sc, inc) 6 times — 54
R10: (8 sc, inc) 6 times — 60
Hang it by the stove to dry.
`

/** As it is written, whatever it comes to in the hut's own stitches. */
export function writtenMat(gauge: GaugeRecord): PieceRecord {
  const [read] = readPattern(WRITTEN).pieces
  const found = recognise(read!, { gauge: gaugeOf(gauge), pace: 16 })
  if (!found.ok) throw new Error('The written mat cannot be worked.')
  const written = asWritten(found.is)
  return {
    ...newPiece({
      id: 'wash-house-mat',
      projectId: 'wash-house-mat',
      gaugeId: gauge.id,
      yarnId: 'fog',
      form: written.form,
    }),
    ...written,
    fitness: { uses: ['wet'], layers: 1, hardware: [], read: [] },
    colours: [
      { fromRound: 1, yarn: 'fog' },
      { fromRound: 9, yarn: 'pine' },
    ],
    source: { text: WRITTEN, piece: 0, readings: {} },
  }
}
