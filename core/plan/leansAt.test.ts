import { writeRound } from '../pattern/writeRound.ts'
import { bootieSpec, ovalSpec } from '../testing/chainSpecs.ts'
import { discSpec } from '../testing/specs.ts'
import { forCopy } from './forCopy.ts'
import { leansAt } from './leansAt.ts'
import { planPiece } from './planPiece.ts'

test('what stands up drifts by a third of a stitch a round, and begins a stitch on in every third', () => {
  const spec = bootieSpec()
  const { rounds } = planPiece(spec)
  const leans = leansAt(spec, rounds)
  const sole = rounds.filter(({ section }) => section === 'sole').length
  expect(leans.slice(0, sole)).toEqual(new Array<number>(sole).fill(0))
  const up = leans.slice(sole)
  up.forEach((lean, index) => {
    const last = index === up.length - 1
    expect(lean).toBe((index + 1) % 3 === 0 && !last ? 1 : 0)
  })
  // What is said of it; the count stays, since nothing of the round is left out or added.
  const at = sole + 2
  const { end } = writeRound(rounds[at]!, { spec, terms: 'US', below: rounds[at - 1], above: rounds[at + 1] })
  expect(end).toBe('join with sl st in first st, sl st in the next: it begins there, since stitches lean')
  const spiral = { ...spec, construction: { ...spec.construction, rounds: { kind: 'spiral' } as const } }
  const wound = planPiece(spiral).rounds
  const said = writeRound(wound[at]!, {
    spec: spiral,
    terms: 'US',
    below: wound[at - 1],
    above: wound[at + 1],
  })
  expect(said.end).toBe('1 st more, and the marker in the next: stitches lean')
})

test('turned rounds do not drift, nor does it matter where nothing around has a place; both of a pair go alike', () => {
  const plain = bootieSpec()
  const { rounds: way } = plain.construction
  const turned = {
    ...plain,
    construction: { ...plain.construction, rounds: { ...way, turned: true } as typeof way },
  }
  expect(Math.max(...leansAt(turned, planPiece(turned).rounds))).toBe(0)
  const mat = discSpec(200)
  expect(Math.max(...leansAt(mat, planPiece(mat).rounds))).toBe(0)
  const flat = ovalSpec({})
  expect(Math.max(...leansAt(flat, planPiece(flat).rounds))).toBe(0)
  const other = forCopy(plain, planPiece(plain), 2)
  expect(leansAt(other.spec, other.plan.rounds)).toEqual(leansAt(plain, planPiece(plain).rounds))
})
