import fc from 'fast-check'
import { planPiece } from '../plan/planPiece.ts'
import { capSpec, tubeSpec } from '../testing/specs.ts'
import { painted, striped } from './stripes.ts'
import { runs } from '../testing/runs.ts'

const plain = [{ fromRound: 1, yarn: 'fog' }]
const byRound = (colours: readonly { fromRound: number; yarn: string }[], rounds: number) =>
  Array.from(
    { length: rounds },
    (_, index) => colours.findLast(({ fromRound }) => fromRound <= index + 1)!.yarn,
  )

test('painting changes the rounds that are painted and no others, whatever was there', () => {
  fc.assert(
    fc.property(
      fc.array(
        fc.tuple(
          fc.integer({ min: 1, max: 30 }),
          fc.integer({ min: 1, max: 30 }),
          fc.constantFrom('fog', 'pine', 'tarn'),
        ),
        {
          maxLength: 12,
        },
      ),
      (strokes) => {
        const model = byRound(plain, 30)
        let colours = painted(plain, { from: 40, to: 39 }, { yarn: 'pine' }, 30)
        for (const [one, other, yarn] of strokes) {
          const [from, to] = [Math.min(one, other), Math.max(one, other)]
          colours = painted(colours, { from, to }, { yarn }, 30)
          model.fill(yarn, from - 1, to)
        }
        expect(byRound(colours, 30)).toEqual(model)
        expect(colours[0]!.fromRound).toBe(1)
        // No run goes on from one in the same yarn.
        colours.slice(1).forEach(({ fromRound, yarn }, index) => {
          expect(fromRound).toBeGreaterThan(colours[index]!.fromRound)
          expect(yarn).not.toBe(colours[index]!.yarn)
        })
      },
    ),
    { numRuns: runs(200) },
  )
})

test('stripes in rounds: two and four again and again, cut off where the part ends', () => {
  const { rounds } = planPiece(tubeSpec({ length: 160 }))
  const colours = striped(
    plain,
    { from: 3, to: 13 },
    [
      { yarn: 'pine', rounds: 2 },
      { yarn: 'tarn', rounds: 4 },
    ],
    rounds,
  )
  expect(byRound(colours, 15).join(' ')).toBe(
    'fog fog pine pine tarn tarn tarn tarn pine pine tarn tarn tarn fog fog',
  )
})

test('stripes in cm are as high in tall stitches as in short ones: none is off by more than half a round', () => {
  const spec = capSpec({ brim: 'ribbed', depth: 260 })
  const { rounds } = planPiece(spec)
  const first = rounds.find(({ section }) => section === 'wall')!.number
  const bands = [
    { yarn: 'pine', high: 30 },
    { yarn: 'tarn', high: 30 },
  ]
  const colours = striped(plain, { from: first, to: rounds.length }, bands, rounds)
  const start = rounds[first - 2]!.at.arc
  const ends = colours.slice(2).map(({ fromRound }) => rounds[fromRound - 2]!.at.arc - start)
  expect(ends.length).toBeGreaterThan(3)
  ends.forEach((end, index) => {
    const high = rounds.at(-1)!.at.arc - rounds.at(-2)!.at.arc
    expect(Math.abs(end - 30 * (index + 1))).toBeLessThanOrEqual(high / 2 + 1e-9)
  })
})
