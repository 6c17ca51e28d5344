import { expandSteps, planPiece, type Plan } from '../../../core/index.ts'
import { caseSpec } from '../../../core/testing/chainSpecs.ts'
import { capSpec } from '../../../core/testing/specs.ts'
import { slipperSpec, sockSpec, strapSpec, wedgeSpec } from '../../../core/testing/rowSpecs.ts'
import { cellList, cellsIn } from './cells.ts'
import { rows } from './rows.ts'
import { cutOfSock, partsOfSock, sizeOfSock } from './sock.ts'
import { UNROLL_CUT, unrolled } from './unrolled.ts'
import { mainOf, type View } from './view.ts'
import { outlineOfPart, outlineOfStrip, sizeOfPart, wholeIn } from './viewOf.ts'

const frame = { scale: 2, x: 300, y: 300, mirrored: false }
const room = { width: 400, height: 400 }

const shownIn = (view: View) => cellList(cellsIn(view))
const unitsOf = ({ rounds }: Plan) => rounds.reduce((sum, { steps }) => sum + expandSteps(steps).length, 0)

describe('part of a disc', () => {
  const plan = planPiece(wedgeSpec({ finish: 'bowed', bow: 8 }))
  const { view, width, height } = wholeIn(plan, room, false)
  const rows = mainOf(plan)

  test('whole, every stitch is there once, in its place: between its radii, below the straight edge', () => {
    const cells = shownIn(view)
    expect(cells).toHaveLength(unitsOf(plan))
    const [middle] = view.startLine
    for (const { round, foot, top } of cells) {
      const { at, section } = plan.rounds[round - 1]!
      if (section === 'finish') continue
      const inner = rows[round - 2]?.at.arc ?? 0
      for (const { x, y } of top) {
        expect(Math.hypot(x - middle!.x, y - middle!.y)).toBeCloseTo(at.arc * view.scale, 4)
        expect(y).toBeGreaterThanOrEqual(middle!.y - 1e-6)
      }
      for (const { x, y } of foot) {
        expect(Math.hypot(x - middle!.x, y - middle!.y)).toBeCloseTo(inner * view.scale, 4)
      }
    }
  })

  test('what goes along its straight edge lies on it from corner to corner, taller in its middle', () => {
    const last = plan.rounds.length
    const [middle] = view.startLine
    const edge = shownIn(view).filter(({ round }) => round === last)
    const feet = edge.flatMap(({ foot }) => foot)
    for (const { y } of feet) expect(y).toBeCloseTo(middle!.y, 2)
    const reach = rows.at(-1)!.at.arc * view.scale
    expect(Math.min(...feet.map(({ x }) => x))).toBeCloseTo(middle!.x - reach, 2)
    expect(Math.max(...feet.map(({ x }) => x))).toBeCloseTo(middle!.x + reach, 2)
    const high = edge.map(({ top }) => middle!.y - top[0]!.y)
    expect(high[Math.floor(high.length / 2)]!).toBeGreaterThan(2 * high[0]!)
    expect(high[0]!).toBeGreaterThan(0)
  })

  test('its outline and all that is drawn stay in the room that it was given', () => {
    const { wide, up, down } = sizeOfPart(plan)
    expect(width / height).toBeCloseTo((wide * view.scale + 4) / ((up + down) * view.scale + 4), 6)
    const points = [...outlineOfPart(view), ...shownIn(view).flatMap(({ top }) => top)]
    for (const { x, y } of points) {
      expect(x).toBeGreaterThanOrEqual(-1e-6)
      expect(x).toBeLessThanOrEqual(width + 1e-6)
      expect(y).toBeGreaterThanOrEqual(-1e-6)
      expect(y).toBeLessThanOrEqual(height + 1e-6)
    }
  })

  test('unrolled, three quarters of a row go around and the rest straight; its end meets the flat line', () => {
    const open = unrolled(plan, { ...frame, cut: UNROLL_CUT })
    for (const row of rows.slice(3)) {
      const end = open.rowEnd!(row)
      // By hand: a quarter of N·w, which is a quarter of half a circle when it lies flat.
      const straight = (row.count * row.around) / row.ideal / 4
      expect(end.x - frame.x).toBeGreaterThanOrEqual(straight * frame.scale - 1e-6)
      expect(end.x - frame.x).toBeLessThan((Math.PI * row.at.arc * frame.scale) / 4 + 4)
    }
  })

  test('mirrored it is the same the other way round', () => {
    const other = wholeIn(plan, room, true)
    const [mine, theirs] = [shownIn(view), shownIn(other.view)]
    mine.forEach(({ top }, index) => {
      expect(theirs[index]!.top[0]!.x).toBeCloseTo(width - top[0]!.x, 4)
      expect(theirs[index]!.top[0]!.y).toBeCloseTo(top[0]!.y, 4)
    })
  })
})

test('a slanted end keeps one edge where the strap has it', () => {
  const plan = planPiece(strapSpec({ end: 'slanted', wide: 60 }))
  const { view } = wholeIn(plan, room, false)
  const cells = shownIn(view)
  const [near, far] = [Math.min, Math.max].map((most) =>
    plan.rounds.map(({ number }) =>
      most(...cells.filter(({ round }) => round === number).flatMap(({ top }) => top.map(({ x }) => x))),
    ),
  )
  for (const x of far!) expect(x).toBeCloseTo(far![0]!, 4)
  expect((near!.at(-1)! - near![0]!) / view.scale).toBeCloseTo(10 * 5, 4)
})

test('a strap lies row under row, its point under its middle', () => {
  const plan = planPiece(strapSpec({ end: 'pointed', wide: 60 }))
  const { view } = wholeIn(plan, room, false)
  const cells = shownIn(view)
  expect(cells).toHaveLength(unitsOf(plan))
  const middle = (row: number) => {
    const xs = cells.filter(({ round }) => round === row).flatMap(({ top }) => top.map(({ x }) => x))
    return (Math.min(...xs) + Math.max(...xs)) / 2
  }
  for (const { number } of plan.rounds) expect(middle(number)).toBeCloseTo(middle(1), 4)
  const outline = outlineOfStrip(view)
  const xs = outline.map(({ x }) => x)
  expect(Math.max(...xs) - Math.min(...xs)).toBeCloseTo(12 * 5 * view.scale, 4)
})

test.each([
  ['a sock', planPiece(sockSpec()), 23 / 39],
  ['a slipper', planPiece(slipperSpec()), 23 / 32],
])(
  'the rows of %s lie on the first stitches of their round, the rest is left open beside them',
  (_, plan, share) => {
    const { tube } = partsOfSock(plan)
    const view = rows(tube, frame)
    const cells = shownIn(view)
    expect(cells).toHaveLength(unitsOf(tube))
    const open = plan.rounds.find(({ closed }) => !closed)!
    const below = plan.rounds[open.number - 2]!
    const wide = ((below.count * below.around) / below.ideal) * frame.scale
    for (const { round, top, foot } of cells) {
      if (plan.rounds[round - 1]!.closed) continue
      for (const { x } of [...top, ...foot]) {
        expect(x - frame.x).toBeLessThanOrEqual(share * wide + 1e-6)
        expect(x - frame.x).toBeGreaterThanOrEqual(-1e-6)
      }
    }
    const at = { x: frame.x + 0.9 * wide, y: frame.y + (open.at.arc - tube.hole - 1) * frame.scale }
    expect(view.roundAt(at)).toBeUndefined()
    expect(view.roundAt({ ...at, x: frame.x + 0.2 * wide })?.number).toBe(open.number)
  },
)

test('cut from the side a heel turns about the front of the ankle, as far out as the sock is wide', () => {
  const plan = planPiece(sockSpec())
  const cut = cutOfSock(plan)
  const first = cut.findIndex(({ round }) => !round.closed)
  const pivot = cut[first - 1]!.front!
  const across = 2 * plan.rounds[first - 1]!.at.radius
  for (const { round, back, front } of cut.slice(first)) {
    if (round.closed) break
    expect(front).toBeUndefined()
    expect(Math.hypot(back.x - pivot.x, back.z - pivot.z)).toBeCloseTo(across, 1)
  }
  // Along the back every row is as long as it is high.
  const rowsOfHeel = cut.filter(({ round }) => !round.closed)
  rowsOfHeel.slice(1).forEach(({ round, back }, index) => {
    const before = rowsOfHeel[index]!
    const chord = Math.hypot(back.x - before.back.x, back.z - before.back.z)
    expect(Math.abs(chord / (round.at.arc - before.round.at.arc) - 1)).toBeLessThan(0.01)
  })
  const { long, high } = sizeOfSock(plan)
  expect(long).toBeGreaterThan(230)
  expect(long).toBeLessThan(270)
  expect(high).toBeGreaterThan(100 + across / 2)
})

test('flaps hang where they stand on their edge: none of what they are drawn as lies beside it', () => {
  const plan = planPiece(caseSpec({ closing: 'flap' }))
  const wall = { ...plan, rounds: plan.rounds.filter(({ section }) => section !== 'base') }
  const view = rows(wall, frame)
  const flap = plan.rounds.find(({ section }) => section === 'flap')!
  const [run] = flap.hosts
  const edge = plan.rounds[flap.number - 2]!
  const stitch = (((edge.count * edge.around) / edge.ideal) * frame.scale) / edge.count
  const xs = shownIn(view)
    .filter(({ round }) => round >= flap.number)
    .flatMap(({ top }) => top.map(({ x }) => x))
  const inset = view.startLine[0]!.x
  expect(Math.min(...xs) - inset).toBeCloseTo(run!.from * stitch, 1)
  expect(Math.max(...xs) - inset).toBeCloseTo(run!.to * stitch, 1)
  const cap = planPiece(capSpec({ brim: 'earFlaps' }))
  expect(mainOf(cap).every(({ closed }) => closed)).toBe(true)
  expect(mainOf(cap).length).toBe(cap.rounds.findLast(({ closed }) => closed)!.number)
})
