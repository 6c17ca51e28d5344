import { bootieSpec, ovalSpec } from '../../../core/testing/chainSpecs.ts'
import { planPiece } from '../../../core/index.ts'
import { cellList, cellsIn } from './cells.ts'
import { ovalFace, placesAlong, sizeOfOval, reachOfOval } from './oval.ts'
import { rows } from './rows.ts'
import { sizeStanding } from './viewOf.ts'
import { partsOfOval } from './viewOf.ts'
import { footOf, roundLine, rowOf, span, type Point } from './view.ts'

const plan = planPiece(ovalSpec({ length: 300, width: 200 }))
const { base } = partsOfOval(plan)
const spine = base.rounds.at(-1)!.at.spine!
const frame = { scale: 2, x: 300, y: 500, mirrored: false, unrolls: true }
const view = ovalFace(base, frame)

const lengthOf = (points: readonly Point[]) =>
  points
    .slice(1)
    .reduce((sum, { x, y }, index) => sum + Math.hypot(x - points[index]!.x, y - points[index]!.y), 0)

test('every round keeps its distance from the chain, and is drawn as long as its form wants', () => {
  const whole = ovalFace(base, { ...frame, unrolls: false })
  for (const round of base.rounds) {
    const line = roundLine(whole, round)
    for (const { x, y } of line) {
      const up = (frame.y - y) / frame.scale
      const off = Math.hypot((x - frame.x) / frame.scale, up - Math.min(spine, Math.max(0, up)))
      expect(off).toBeCloseTo(round.at.arc, 6)
    }
    // A stadium, by hand: two sides and a circle, but for the corners of its chords.
    expect(lengthOf(line) / frame.scale / (2 * spine + 2 * Math.PI * round.at.arc)).toBeCloseTo(1, 3)
  }
})

test('the last quarter of the near end runs straight to the flat line, where the counts fit', () => {
  const last = base.rounds.at(-1)!
  const end = span(view, 1, 1, last.at.arc, rowOf(last))[0]!
  expect((end.y - frame.y) / frame.scale).toBeCloseTo(last.at.arc, 6)
  // A quarter of a circle, by hand, and what its count is off.
  const quarter = (Math.PI * last.at.arc) / 2
  const over = (rowOf(last) - 2 * spine - 2 * Math.PI * last.at.arc) / 4
  expect((end.x - frame.x) / frame.scale).toBeCloseTo(quarter + over, 6)
})

test('the round under a point is the one drawn there, in the oval and in its rows', () => {
  for (const round of base.rounds) {
    const middle = (footOf(base, round) + round.at.arc) / 2
    for (const share of [0.05, 0.3, 0.5, 0.7]) {
      const point = span(view, share, share, middle, rowOf(round))[0]!
      expect(view.roundAt(point)?.number).toBe(round.number)
    }
  }
  expect(view.roundAt({ x: 5000, y: 10 })).toBeUndefined()
})

test('every stitch is drawn once; those in an end chain lie side by side', () => {
  const cells = cellList(cellsIn(view))
  for (const round of base.rounds) {
    const own = cells.filter((cell) => cell.round === round.number)
    const increases = own.filter(({ kind }) => kind === 'inc').length
    expect(own.length + increases).toBe(round.count)
  }
})

test('left-handers, and the other one of a pair, have the mirror image', () => {
  const left = ovalFace(base, { ...frame, mirrored: true })
  const round = base.rounds[3]!
  const [one, other] = [roundLine(view, round), roundLine(left, round)]
  one.forEach(({ x, y }, index) => {
    expect(other[index]!.x).toBeCloseTo(2 * frame.x - x, 6)
    expect(other[index]!.y).toBeCloseTo(y, 6)
  })
  const faceOf = (side: 'left' | 'right') => {
    const { base: sole } = partsOfOval(planPiece(bootieSpec({ side })))
    return ovalFace(sole, frame)
  }
  const [first, second] = [faceOf('left'), faceOf('right')]
  expect(reachOfOval(second.plan, true)).toEqual({
    before: reachOfOval(first.plan, true).after,
    after: reachOfOval(first.plan, true).before,
  })
  const at = (face: typeof first, share: number) => {
    const edge = face.plan.rounds.at(-1)!
    return span(face, share, share, edge.at.arc, rowOf(edge))[0]!
  }
  for (const share of [0, 0.2, 0.45, 0.8, 0.9, 1]) {
    expect(at(second, 1 - share).x).toBeCloseTo(2 * frame.x - at(first, share).x, 6)
    expect(at(second, 1 - share).y).toBeCloseTo(at(first, share).y, 6)
  }
})

test('a toe comes back by what is taken from its length, and stands no higher than its heel', () => {
  const bootie = planPiece(bootieSpec())
  const places = placesAlong(bootie.rounds)
  bootie.rounds.forEach((round, index) => {
    if (round.section !== 'instep' || round.count === round.from) return
    const [below, here] = [places[index - 1]!, places[index]!]
    expect(here.near.x).toBeCloseTo(below.near.x, 0)
    expect(here.far.x).toBeLessThan(below.far.x)
    expect(here.far.z).toBeLessThanOrEqual(here.near.z + 1e-9)
  })
  const { wide, tall } = sizeStanding(bootie)
  const { long } = sizeOfOval(partsOfOval(bootie).base)
  expect(wide).toBeCloseTo(long, -1)
  expect(tall).toBeCloseTo(bootie.rounds.at(-1)!.at.z, 6)
})

test('rows of a wall that is taken in narrow on both sides, their toe below itself', () => {
  const { wall } = partsOfOval(planPiece(bootieSpec()))
  const cut = rows(wall!, { scale: 2, x: 10, y: 10, mirrored: false })
  const middleOf = (round: (typeof wall & object)['rounds'][number]) => {
    const row = rowOf(round)
    const toe = (round.at.spine! + (row - 2 * round.at.spine!) / 4) / row
    return span(cut, toe, toe, round.at.arc, row)[0]!.x
  }
  const [first, ...others] = wall!.rounds
  for (const round of others) expect(middleOf(round)).toBeCloseTo(middleOf(first!), 0)
  expect(cut.startLine.at(-2)!.x).toBeGreaterThan(cut.startLine[0]!.x)
})
