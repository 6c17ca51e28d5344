import fc from 'fast-check'
import { SpecError } from '../errors/specError.ts'
import { planPiece } from '../plan/planPiece.ts'
import { bootieSpec } from '../testing/chainSpecs.ts'
import { anySpec, tubeSpec } from '../testing/specs.ts'
import { groupRounds, writeGroup } from './groupRounds.ts'
import { writeRoundBody } from './writeRound.ts'
import { runs } from '../testing/runs.ts'

test('groups have every round once, in order, each round of one as it is told', () => {
  fc.assert(
    fc.property(
      fc.oneof(
        anySpec,
        fc.integer({ min: 40, max: 600 }).map((length) => tubeSpec({ length })),
      ),
      (spec) => {
        let plan
        try {
          plan = planPiece(spec)
        } catch (error) {
          if (error instanceof SpecError) return
          throw error
        }
        const groups = groupRounds(plan)
        expect(groups.flat()).toEqual(plan.rounds)
        const ends = new Set(groups.map((group) => group.at(-1)!.number))
        for (const { afterRound } of plan.checkpoints) expect(ends).toContain(afterRound)
        for (const group of groups) {
          const told = group.map((round) => `${round.count} ${writeRoundBody(round, 'UK')} ${round.yarn}`)
          expect(new Set(told).size).toBe(1)
          expect([1, 3]).toContain(Math.min(3, group.length))
        }
      },
    ),
    { numRuns: runs(40) },
  )
})

test('a tube of two yarns is told in a few lines', () => {
  const plan = planPiece(
    tubeSpec(
      { length: 180 },
      {
        colours: [
          { fromRound: 1, yarn: 'pine' },
          { fromRound: 5, yarn: 'fog' },
        ],
      },
    ),
  )
  const groups = groupRounds(plan).map((group) => [group[0]!.number, group.at(-1)!.number])
  expect(groups.slice(0, 2)).toEqual([
    [1, 1],
    [2, 4],
  ])
  expect(groups.length).toBeLessThan(10)
})

test('rounds that are taken in by as much each time are told in one line', () => {
  const groups = groupRounds(planPiece(bootieSpec()))
  const told = groups.map((group) => writeGroup(group, 'US'))
  const toe = groups.findIndex(([first]) => first!.section === 'instep')
  const counts = groups[toe]!.map(({ count }) => count)
  expect(counts.length).toBeGreaterThan(4)
  counts.slice(1).forEach((count, index) => expect(count).toBe(counts[index]! - 2))
  const [from, to] = [groups[toe]![0]!, groups[toe]!.at(-1)!].map((round) => writeRoundBody(round, 'US'))
  const before = (text: string) => Number(/^\d+/.exec(text)![0])
  expect(before(from!) - before(to!)).toBe(counts.length - 1)
  expect(told[toe]).toMatch(new RegExp(`^${before(from!)}…${before(to!)} sc, sc2tog, 1?2? ?sc, sc2tog, `))
})
