import type { GaugeRecord, YarnRecord } from '../core/index.ts'

/** The evening on which the first round of the demo is worked. */
export const FIRST_DAY = Date.UTC(2026, 10, 16, 18, 30)
export const DAY = 86_400_000
export const HOUR = DAY / 24

const HUT_COTTON = {
  line: 'Hut cotton',
  weight: 4,
  fibre: 'cotton',
  metresPerBall: 85,
  gramsPerBall: 50,
} as const

/** The yarns of the Skarn Hut. */
export const yarns: YarnRecord[] = [
  { ...HUT_COTTON, id: 'fog', name: 'Fog', colour: '#FAFCFB', dyeLot: '412', balls: 3, leftoverGrams: 22 },
  { ...HUT_COTTON, id: 'soot', name: 'Soot', colour: '#55656C', dyeLot: '87', balls: 1, leftoverGrams: 31 },
  { ...HUT_COTTON, id: 'slate', name: 'Slate', colour: '#8D9CA3', dyeLot: '31', balls: 6 },
  { ...HUT_COTTON, id: 'pine', name: 'Pine', colour: '#2F5B50', dyeLot: '205', balls: 1 },
  {
    id: 'lichen',
    name: 'Lichen',
    line: 'Loft wool',
    colour: '#BCCBB8',
    weight: 3,
    fibre: 'wool',
    metresPerBall: 120,
    gramsPerBall: 50,
    dyeLot: '7',
    balls: 2,
  },
  {
    id: 'tarn',
    name: 'Tarn',
    line: 'Loft wool',
    colour: '#2E4A57',
    weight: 3,
    fibre: 'wool',
    metresPerBall: 120,
    gramsPerBall: 50,
    dyeLot: '7',
    balls: 2,
  },
  { id: 'bark', name: 'Bark', colour: '#77675B', weight: 4, fibre: 'acrylic', metres: 40 },
]

/** When evidence was taken: days before the first round. */
const taken = (id: string, day: number) =>
  ({ id, at: FIRST_DAY + day * DAY, stitch: 'sc', loops: 'both', state: 'worked' }) as const

/** What its makers measured of their stitches. */
export const gauges: GaugeRecord[] = [
  {
    id: 'cotton-double',
    name: 'Medium cotton, 2 strands, 6.5 mm',
    stitch: 'sc',
    weight: 4,
    strands: 2,
    hook: 6.5,
    fibre: 'cotton',
    working: 'joined',
    evidence: [
      {
        ...taken('cotton-double-swatch', -2),
        kind: 'swatch',
        worked: 'rounds',
        stitches: { count: 11, over: 100 },
        rounds: { count: 11.5, over: 100 },
      },
      {
        ...taken('cotton-double-disc', -1),
        kind: 'round',
        counts: [6, 12, 18, 24, 30, 36, 42, 48],
        across: [142, 144],
        edge: { kind: 'flat' },
      },
      {
        ...taken('cotton-double-marks', -1),
        kind: 'marks',
        along: { count: 18, over: 164 },
        out: { count: 16, over: 139 },
      },
    ],
    calibrations: [],
  },
  {
    id: 'cotton-single',
    name: 'Medium cotton, 5 mm',
    stitch: 'sc',
    weight: 4,
    strands: 1,
    hook: 5,
    fibre: 'cotton',
    working: 'joined',
    evidence: [
      {
        ...taken('cotton-single-swatch', -3),
        kind: 'swatch',
        worked: 'rows',
        stitches: { count: 12, over: 85 },
        rounds: { count: 12, over: 78 },
      },
      {
        ...taken('cotton-single-disc', -2),
        kind: 'round',
        counts: [6, 12, 18, 24, 30, 36, 42, 48, 54],
        across: [121, 122],
        edge: { kind: 'flat' },
      },
      {
        ...taken('cotton-single-marks', -1),
        kind: 'marks',
        along: { count: 16, over: 114 },
        out: { count: 16, over: 106 },
      },
    ],
    calibrations: [
      {
        id: 'cotton-single-pulled',
        at: FIRST_DAY - DAY,
        kind: 'unravelled',
        stitch: 'sc',
        stitches: 10,
        length: 668,
      },
    ],
  },
  {
    id: 'loft-wool',
    name: 'Loft wool, 4 mm',
    stitch: 'hdc',
    weight: 3,
    strands: 1,
    hook: 4,
    fibre: 'wool',
    working: 'spiral',
    evidence: [],
    calibrations: [],
  },
  {
    id: 'loft-wool-double',
    name: 'Loft wool, 2 strands, 6 mm',
    stitch: 'sc',
    weight: 3,
    strands: 2,
    hook: 6,
    fibre: 'wool',
    working: 'joined',
    evidence: [
      {
        ...taken('loft-wool-double-swatch', -2),
        kind: 'swatch',
        worked: 'rounds',
        stitches: { count: 13, over: 100 },
        rounds: { count: 14, over: 100 },
      },
      {
        ...taken('loft-wool-double-marks', -1),
        kind: 'marks',
        along: { count: 20, over: 153 },
        out: { count: 16, over: 116 },
      },
    ],
    calibrations: [],
  },
  {
    id: 'loft-wool-fine',
    name: 'Loft wool, 3.5 mm',
    stitch: 'sc',
    weight: 3,
    strands: 1,
    hook: 3.5,
    fibre: 'wool',
    working: 'joined',
    evidence: [
      {
        ...taken('loft-wool-fine-swatch', -2),
        kind: 'swatch',
        worked: 'rounds',
        stitches: { count: 18.5, over: 100 },
        rounds: { count: 19.5, over: 100 },
      },
      {
        ...taken('loft-wool-fine-marks', -1),
        kind: 'marks',
        along: { count: 24, over: 130 },
        out: { count: 20, over: 103 },
      },
    ],
    calibrations: [],
  },
]
