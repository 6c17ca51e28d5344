import { fillAfter, planPiece, whatIsAhead } from '../../core/index.ts'
import { ballSpec, capSpec, discSpec, tubeSpec, vesselSpec } from '../../core/testing/specs.ts'
import { aheadSentence } from './aheadSentence.ts'

const sizes = { full: (mm: number) => `${(mm / 10).toFixed(1)} cm` }
const atTheHook = {
  hangs: false,
  joined: true,
  nameOf: ({ yarn }: { yarn: string }) => yarn.charAt(0).toUpperCase() + yarn.slice(1),
  titleOf: (number: number) => `Rnd ${number}`,
  terms: 'US' as const,
  sizes,
}

test('two rounds before a base turns into its wall it is said, and one before; not earlier, not after', () => {
  const { rounds } = planPiece(vesselSpec({}))
  const turn = rounds.findIndex(({ section }) => section === 'wall')
  const said = rounds.map((_, place) => {
    const ahead = whatIsAhead(rounds, place)
    return ahead && aheadSentence(ahead, atTheHook)
  })
  expect(said.slice(turn - 3, turn + 1)).toEqual([
    undefined,
    'In 2 rounds: turn the corner into the wall, through the back loops.',
    'Next round: turn the corner into the wall, through the back loops.',
    'Next round: into both loops again.',
  ])
  expect(said.filter((one) => one !== undefined)).toHaveLength(3)
})

test('a cap says that its crown ends and that its brim begins, with the yarn that is taken up there', () => {
  const spec = capSpec({ crown: 'flat', brim: 'tightened' })
  const plain = planPiece(spec)
  const brim = plain.rounds.findIndex(({ section }) => section === 'brim')
  const wall = plain.rounds.findIndex(({ section }) => section === 'wall')
  const { rounds } = planPiece({ ...spec, colours: [...spec.colours, { fromRound: brim + 1, yarn: 'tarn' }] })
  const at = (place: number, joined = true) =>
    aheadSentence(whatIsAhead(rounds, place)!, { ...atTheHook, hangs: true, joined })
  expect(at(wall - 1)).toBe('Next round: the wall begins, no more increases.')
  expect(at(brim - 2)).toBe('In 2 rounds: the brim begins; change to Tarn at the join.')
  expect(at(brim - 1, false)).toBe(
    'Next round: the brim begins; change to Tarn in the last stitch before it.',
  )
})

test('at a change of yarn it is said whether the one in hand is carried or cut, and how many ends that leaves', () => {
  const change = (...colours: readonly (readonly [number, string])[]) => {
    const spec = { ...discSpec(200), colours: colours.map(([fromRound, yarn]) => ({ fromRound, yarn })) }
    const { rounds } = planPiece(spec)
    return (place: number) => aheadSentence(whatIsAhead(rounds, place, spec)!, atTheHook)
  }
  const back = change([1, 'fog'], [5, 'tarn'], [7, 'fog'])
  expect(back(3)).toBe(
    'Next round: change to Tarn at the join; carry Fog up inside to Rnd 7; 1 tail to hide.',
  )
  expect(back(5)).toBe('Next round: change to Fog at the join; cut Tarn; Fog waits inside; 1 tail to hide.')
  expect(change([1, 'fog'], [4, 'tarn'], [9, 'fog'])(2)).toBe(
    'Next round: change to Tarn at the join; cut Fog, it is back in Rnd 9; 2 tails to hide.',
  )
})

test('a mat of one yarn has nothing ahead but rounds', () => {
  const { rounds } = planPiece(discSpec(180))
  expect(rounds.every((_, place) => whatIsAhead(rounds, place) === undefined)).toBe(true)
})

test('a ball says when it closes, when it is filled and what is drawn together', () => {
  const spec = ballSpec({})
  const plan = planPiece(spec)
  const { rounds } = plan
  const at = (place: number) => {
    const ahead = whatIsAhead(rounds, place, spec)
    return ahead && aheadSentence(ahead, atTheHook)
  }
  const widest = rounds.findLast(({ section }) => section === 'out')!.number
  expect(at(widest - 1)).toBe('Next round: the widest place is behind, it closes again.')
  expect(at(fillAfter(spec, plan)! - 1)).toBe('After this round: fill it, while two fingers still fit.')
  expect(at(rounds.length - 1)).toBe('After this round: draw the last 6 stitches together with the tail.')
})

test('how an end is closed is said in its last round, with the pairs or the hole that stays', () => {
  const last = (end: 'flat' | 'gathered') => {
    const spec = tubeSpec({ girth: 200, of: 'tube', end })
    const { rounds } = planPiece(spec)
    return aheadSentence(whatIsAhead(rounds, rounds.length - 1, spec)!, atTheHook)
  }
  expect(last('flat')).toBe(
    'After this round: lay it flat and join both edges with slip stitches, 12 pairs; the odd stitch stays at the fold.',
  )
  expect(last('gathered')).toMatch(
    /^After this round: run the thread .* a hole of about 2\.0 cm stays, too wide/,
  )
})
