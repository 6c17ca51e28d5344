import { planPiece } from '../../core/index.ts'
import { discSpec } from '../../core/testing/specs.ts'
import { paintCells, type Shown } from './paintCells.ts'
import { unrolled } from './views/unrolled.ts'
import { cellsIn } from './views/cells.ts'
import { DEC, INC, yarnInk } from './yarnInk.ts'

/** A path that keeps how much was drawn in it. */
class RecordedPath {
  moves = 0
  moveTo(): void {
    this.moves++
  }
  lineTo(): void {}
  quadraticCurveTo(): void {}
  bezierCurveTo(): void {}
}

interface Stroke {
  readonly does: 'fill' | 'stroke'
  readonly style: string
  readonly dashed: boolean
  readonly width: number
  readonly shapes: number
}

/** What a painting would leave on the canvas, stroke by stroke. */
function painted(
  shown: Shown,
  size: number,
  yarns: Record<string, string>,
  beside: string[] = [],
  atATime = Infinity,
): Stroke[] {
  Object.assign(globalThis, { Path2D: RecordedPath })
  const strokes: Stroke[] = []
  const context = {
    fillStyle: '',
    strokeStyle: '',
    lineWidth: 1,
    lineJoin: '',
    dash: [] as number[],
    setLineDash(dash: number[]) {
      this.dash = dash
    },
    fill(path: RecordedPath) {
      strokes.push({ does: 'fill', style: this.fillStyle, dashed: false, width: 0, shapes: path.moves })
    },
    stroke(path: RecordedPath) {
      const { strokeStyle: style, lineWidth: width, dash } = this
      strokes.push({ does: 'stroke', style, dashed: dash.length > 0, width, shapes: path.moves })
    },
  }
  const base = discSpec(160, {
    colours: [{ fromRound: 1, yarn: 'fog', ...(beside.length > 0 ? { beside } : {}) }],
  })
  const plan = planPiece({ ...base, gauge: { ...base.gauge, strands: 2 } })
  const view = unrolled(plan, { scale: size / 160, x: size / 2, y: size / 2, cut: 1, mirrored: false })
  const turns = paintCells(
    context as unknown as CanvasRenderingContext2D,
    cellsIn(view),
    new Map(Object.entries(yarns)),
    shown,
    atATime,
  )
  const cells = plan.stitches - increases
  for (let taken = 0; !turns.next().done; taken++) {
    // Nothing is painted before all of it is traced.
    if (taken < Math.floor((cells - 1) / atATime)) expect(strokes).toEqual([])
  }
  return strokes.filter(({ shapes }) => shapes > 0)
}

const FOG = '#FAFCFB'
const SOOT = '#55656C'
const plan = planPiece(discSpec(160))
const increases = plan.rounds.reduce((sum, { count, from }) => sum + (from > 0 ? count - from : 0), 0)
const plain = plan.stitches - 2 * increases

test('all of it in yarn: as many stitches as the plan has, every increase on a keyline', () => {
  const strokes = painted({ kind: 'all' }, 600, { fog: FOG })
  expect(strokes.find(({ does, style }) => does === 'fill' && style === FOG)!.shapes).toBe(plain)
  expect(strokes.find(({ does, style }) => does === 'fill' && style === INC)!.shapes).toBe(increases)
  const keyline = strokes.find(({ width, does }) => does === 'stroke' && width === 1.8)!
  expect(keyline).toMatchObject({ style: yarnInk(FOG).keyline, shapes: increases })
  expect(strokes.some(({ style }) => style === DEC)).toBe(false)
})

test('a guess shows its increases in dashes and no stitch in solid ink', () => {
  const strokes = painted({ kind: 'guess' }, 600, { fog: FOG })
  expect(strokes.filter(({ does }) => does === 'fill')).toEqual([])
  expect(strokes).toEqual([expect.objectContaining({ does: 'stroke', dashed: true, shapes: increases })])
})

test('made to a stitch: what is to come is outlined, or left away', () => {
  const upTo = { kind: 'madeTo', round: 4, unit: 5 } as const
  const made = plan.rounds.slice(0, 3).reduce((sum, { count }) => sum + count, 0)
  const [shown, hidden] = [true, false].map((toCome) => painted({ ...upTo, toCome }, 600, { fog: FOG }))
  const filled = (strokes: Stroke[]) =>
    strokes.filter(({ does }) => does === 'fill').reduce((sum, { shapes }) => sum + shapes, 0)
  expect(filled(shown!)).toBe(filled(hidden!))
  expect(filled(shown!)).toBeLessThan(made + 6)
  const outlined = (strokes: Stroke[]) => strokes.find(({ style }) => style === '#7F959B')?.shapes ?? 0
  expect(outlined(shown!)).toBeGreaterThan(plan.rounds.length * 10)
  expect(outlined(hidden!)).toBeLessThan(outlined(shown!))
})

test.each([600, 120])('in turns it paints what it does in one go (%i px)', (size) => {
  const yarns = { fog: FOG, soot: SOOT }
  for (const shown of [{ kind: 'all' }, { kind: 'madeTo', round: 4, unit: 5, toCome: true }] as const) {
    const atOnce = painted(shown, size, yarns, ['soot'])
    for (const atATime of [1, 7, 200]) expect(painted(shown, size, yarns, ['soot'], atATime)).toEqual(atOnce)
  }
})

test('small stitches are filled in strips, so that thousands take few strokes', () => {
  const [large, small] = [
    painted({ kind: 'all' }, 600, { fog: FOG }),
    painted({ kind: 'all' }, 120, { fog: FOG }),
  ]
  const cells = (strokes: Stroke[]) =>
    strokes.find(({ style, does }) => does === 'fill' && style === FOG)!.shapes
  expect(cells(small)).toBeLessThan(cells(large) / 2)
  expect(small.length).toBeLessThanOrEqual(large.length)
})

test('two yarns held together are both seen: in turn, each with a strand of the other', () => {
  const strokes = painted({ kind: 'all' }, 600, { fog: FOG, soot: SOOT }, ['soot'])
  const fills = (colour: string) =>
    strokes
      .filter(({ does, style }) => does === 'fill' && style === colour)
      .reduce((sum, { shapes }) => sum + shapes, 0)
  expect(fills(FOG) + fills(SOOT)).toBe(plain)
  expect(Math.abs(fills(FOG) - fills(SOOT))).toBeLessThan(0.2 * plain)
  const strands = strokes.filter(({ does, width }) => does === 'stroke' && width === 2.4)
  expect(new Set(strands.map(({ style }) => style))).toEqual(new Set([FOG, SOOT]))
})
