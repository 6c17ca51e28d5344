import fc from 'fast-check'
import { repairCount } from '../fit/repairCount.ts'
import { writeRound } from '../pattern/writeRound.ts'
import { verify } from '../rounds/verify.ts'
import { capSpec, vesselSpec } from '../testing/specs.ts'
import { whatIsAhead } from '../worklog/whatIsAhead.ts'
import { WAYS_OF_ROUNDS, type PieceSpec, type Plan, type WayOfRounds } from './plan.ts'
import { planPiece } from './planPiece.ts'
import { constructionIn } from './sectionWork.ts'

const withWays = (spec: PieceSpec, ways: Readonly<Record<string, WayOfRounds>>): PieceSpec => ({
  ...spec,
  sections: Object.fromEntries(
    Object.entries(ways).map(([id, rounds]) => [id, { ...spec.sections?.[id], rounds }]),
  ),
})
const written = (spec: PieceSpec, { rounds }: Plan) =>
  rounds.map((round, index) => ({
    round,
    ...writeRound(round, { spec, terms: 'US', below: rounds[index - 1], above: rounds[index + 1] }),
  }))

test('a spiral band between joined rounds changes no count, and says how it begins and ends', () => {
  const plain = capSpec({ brim: 'tightened' })
  const spec = withWays(plain, { wall: 'spiral' })
  const plan = planPiece(spec)
  expect(verify(plan.rounds)).toEqual([])
  expect(plan.rounds.map(({ count }) => count)).toEqual(planPiece(plain).rounds.map(({ count }) => count))
  const all = written(spec, plan)
  const wall = all.filter(({ round }) => round.section === 'wall')
  expect(wall[0]!.start).toBe('from here on in a spiral, a marker in the first st')
  for (const { start, end } of wall.slice(1, -1)) expect([start, end]).toEqual(['', 'move the marker up'])
  expect(wall.at(-1)!.end).toMatch(/^sl st in the next st: it ends level, and rounds are joined/)
  // Before and after it rounds begin with a chain and are joined.
  const others = all.filter(({ round }) => round.section !== 'wall')
  for (const { start, end } of others)
    expect([start.endsWith('ch 1'), end]).toEqual([true, 'join with sl st in first st'])
  // A spiral has no chains and no joins: the same stitches take less time.
  expect(plan.seconds).toBeLessThan(planPiece(plain).seconds)
  const before = wall[0]!.round.number - 2
  expect(whatIsAhead(plan.rounds, before, spec)).toMatchObject({ rounds: 1, section: 'wall', way: 'spiral' })
  expect(whatIsAhead(plan.rounds, before, plain)?.way).toBeUndefined()
})

test('whatever its parts are worked in, the work is turned exactly where the next round shows the other side', () => {
  const way = fc.constantFrom(...WAYS_OF_ROUNDS)
  fc.assert(
    fc.property(way, way, fc.boolean(), (base, wall, spiral) => {
      const made = vesselSpec({ height: 110 })
      const { construction } = made
      const whole: PieceSpec = spiral
        ? { ...made, construction: { ...construction, rounds: { kind: 'spiral' } } }
        : made
      const spec = withWays(whole, { base, wall })
      const plan = planPiece(spec)
      expect(verify(plan.rounds)).toEqual([])
      expect(constructionIn(spec, 'base').rounds.kind).toBe(base === 'spiral' ? 'spiral' : 'joined')
      written(spec, plan).forEach(({ round, end }, index) => {
        const next = plan.rounds[index + 1]
        const turned = (round.section === 'base' ? base : wall) === 'turned'
        if (!turned) expect(round.side).toBe('right')
        if (next) expect(end.endsWith('turn')).toBe(next.side !== round.side)
        if (next && turned && next.section === round.section) expect(next.side).not.toBe(round.side)
      })
    }),
  )
})

test('a round that is off is mended as its own part is worked', () => {
  const spec = withWays(vesselSpec({}), { base: 'spiral' })
  const plan = planPiece(spec)
  // In a spiral there is no join to keep off: round 6 has 36, one too many.
  const inBase = repairCount(spec, plan, 6, 37)
  const joined = repairCount(vesselSpec({}), planPiece(vesselSpec({})), 6, 37)
  expect([inBase.off, joined.off]).toEqual([1, 1])
  expect(verify(inBase.mended!.rounds)).toEqual([])
})
