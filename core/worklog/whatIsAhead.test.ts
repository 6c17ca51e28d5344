import { planPiece } from '../plan/planPiece.ts'
import { loopsBelow } from '../rounds/round.ts'
import { PIECES_TO_WRITE } from '../testing/patternSpecs.ts'
import { discSpec } from '../testing/specs.ts'
import { whatIsAhead } from './whatIsAhead.ts'

test.each(Object.entries(PIECES_TO_WRITE))(
  '%s: no other stitch, loops, section or yarn comes unannounced',
  (_, spec) => {
    const { rounds } = planPiece(spec)
    rounds.slice(1).forEach((next, index) => {
      const below = rounds[index]!
      const ahead = whatIsAhead(rounds, index, spec)
      // What is done between both rounds is said before all else.
      if (ahead?.fill) return
      const otherLoops = loopsBelow(next) !== loopsBelow(below) && below.from > 0
      if (
        next.stitch !== below.stitch ||
        next.section !== below.section ||
        next.yarn !== below.yarn ||
        otherLoops
      ) {
        expect(ahead).toMatchObject({ rounds: 1 })
      }
      if (next.stitch !== below.stitch) expect(ahead!.stitch ?? ahead!.motifs).toBeDefined()
    })
  },
)

test('a mark is told a round before, and the last increases two', () => {
  const place = { name: 'peg', kind: 'mark', along: 60, at: 0.25, mirrored: true } as const
  const spec = { ...discSpec(200), constraints: { places: [place] } }
  const { rounds } = planPiece(spec)
  const there = rounds.find(({ at }) => at.arc >= 60)!.number
  const ahead = whatIsAhead(rounds, there - 2, spec)!
  expect(ahead.places?.map(({ round, half }) => [round, half])).toEqual([
    [there, 0],
    [there, 1],
  ])
  expect(whatIsAhead(rounds, there - 1, spec)?.places).toBeUndefined()

  const last = rounds.length
  const even = { ...spec, constraints: { evenRounds: [last] } }
  const plan = planPiece(even)
  const told = plan.rounds.map((_, at) => whatIsAhead(plan.rounds, at, even)?.even)
  expect(told.flatMap((one, at) => (one === 'increases' ? [at + 1] : []))).toEqual([last - 2, last - 1])
})
