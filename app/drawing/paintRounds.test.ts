import { planPiece } from '../../core/index.ts'
import { discSpec } from '../../core/testing/specs.ts'
import type { Shown } from './paintCells.ts'
import { paintRounds, showsStitches } from './paintRounds.ts'
import { unrolled } from './views/unrolled.ts'
import { yarnInk } from './yarnInk.ts'

const YARNS = { fog: '#EDEFE9', soot: '#2B3033' }
const plan = planPiece(
  discSpec(160, {
    colours: [
      { fromRound: 1, yarn: 'fog' },
      { fromRound: 5, yarn: 'soot' },
    ],
  }),
)
const viewAt = (scale: number) => unrolled(plan, { scale, x: 50, y: 50, cut: 1, mirrored: false })

/** The colours that a painting leaves on the canvas, in their order. */
function painted(shown: Shown): string[] {
  Object.assign(globalThis, { Path2D: class {} })
  const fills: string[] = []
  const context = {
    fillStyle: '',
    fill() {
      fills.push(this.fillStyle)
    },
  }
  const yarns = new Map(Object.entries(YARNS))
  paintRounds(context as unknown as CanvasRenderingContext2D, viewAt(0.1), yarns, shown)
  return fills
}

const [fog, soot] = [yarnInk(YARNS.fog).fill, yarnInk(YARNS.soot).fill]
const rounds = plan.rounds.length
const whole = [...Array.from({ length: 4 }, () => fog), ...Array.from({ length: rounds - 4 }, () => soot)]

test('stitches of 7 mm are painted one by one from a quarter of a pixel a millimetre on', () => {
  expect(showsStitches(viewAt(0.12))).toBe(false)
  expect(showsStitches(viewAt(0.4))).toBe(true)
})

test('made, every round has its yarn', () => {
  expect(painted({ kind: 'all' })).toEqual(whole)
})

test('on the hook, those that are begun', () => {
  expect(painted({ kind: 'madeTo', round: 6, unit: 3, toCome: true })).toEqual(whole.slice(0, 6))
  expect(painted({ kind: 'madeTo', round: 6, unit: 0, toCome: true })).toEqual(whole.slice(0, 5))
})

test('of a guess none', () => {
  expect(painted({ kind: 'guess' })).toEqual([])
})
