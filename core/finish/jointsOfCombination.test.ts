import fc from 'fast-check'
import { newPiece, UNMEASURED_GAUGE } from '../exchange/newPiece.ts'
import { specOf } from '../exchange/specOf.ts'
import { planPiece } from '../plan/planPiece.ts'
import {
  asksOf,
  COMBINATIONS,
  piecesOfCombination,
  type CombinationName,
  type CombinationSizes,
} from '../forms/combinations.ts'
import { jointsOfCombination } from './jointsOfCombination.ts'
import { NO_FINISH, wayToFinish } from './finish.ts'
import { edgesOf, validateJoint } from './validateJoint.ts'
import { runs } from '../testing/runs.ts'

const gauge = { ...UNMEASURED_GAUGE, id: 'gauge' }

const usual = (name: CombinationName): CombinationSizes =>
  Object.fromEntries(asksOf(name).map(({ key, usual: size }) => [key, size]))

function made(name: CombinationName, sizes: CombinationSizes) {
  const pieces = piecesOfCombination(name, sizes).map(({ form, quantity, fitness }, index) => {
    const piece = newPiece({ id: `p${index}`, projectId: 'x', gaugeId: 'gauge', yarnId: 'fog', form })
    const spec = specOf(piece, gauge, 16)
    return { ...piece, quantity, fitness, spec, plan: planPiece(spec) }
  })
  const joints = jointsOfCombination(name, pieces).map((joint, index) => ({ ...joint, id: `j${index}` }))
  return { pieces, joints }
}

test('every joint of a combination can be made, and there is an order for it, whatever its sizes', () => {
  const sized = fc
    .constantFrom(...COMBINATIONS)
    .chain((name) =>
      fc.tuple(
        fc.constant(name),
        fc.record(
          Object.fromEntries(
            asksOf(name).map(({ key, least, usual: size }) => [
              key,
              fc.integer({ min: Math.ceil((least + size) / 2), max: Math.ceil(size * 1.4) }),
            ]),
          ),
        ),
      ),
    )
    // A case that is thicker than long is refused, in a sentence.
    .filter(([name, { long, thick }]) => name !== 'caseWithLid' || long! >= thick!)
  fc.assert(
    fc.property(sized, ([name, sizes]) => {
      const { pieces, joints } = made(name, sizes)
      const edges = pieces.map((piece) => edgesOf(piece))
      joints.forEach((joint, index) => {
        expect(() => validateJoint(edges, joint, joints.slice(0, index))).not.toThrow()
      })
      const toFinish = pieces.map((piece) => ({
        ...piece,
        last: piece.plan.rounds.at(-1)!.count,
        made: false,
      }))
      const way = wayToFinish(toFinish, { ...NO_FINISH, joints })
      expect(way.order.filter(({ kind }) => kind === 'join')).toHaveLength(joints.length)
    }),
    { numRuns: runs(25) },
  )
})

test('a case that is thicker than long is refused before any joint is asked for', () => {
  expect(() => made('caseWithLid', { long: 60, thick: 61, high: 70 })).toThrow('thicker than long')
})

test('by hand: what each is made of, and how it becomes one', () => {
  const told = COMBINATIONS.map((name) => {
    const { pieces, joints } = made(name, usual(name))
    return [name, pieces.map(({ quantity }) => quantity), joints.map(({ way }) => way)]
  })
  expect(told).toEqual([
    ['pad', [2, 1], ['throughBoth', 'whip', 'whip']],
    ['filled', [2], ['singleCrochet']],
    ['caseWithLid', [1, 1], ['mattress']],
    ['box', [1, 1], []],
    ['tubes', [5], ['whip', 'whip', 'whip', 'whip']],
  ])
})

test('a pad is joined all around but where its loop goes; a pair is filled through two fingers and a little', () => {
  const { pieces, joints } = made('pad', usual('pad'))
  const [layer, loop] = pieces.map(({ plan }) => plan.rounds.at(-1)!.count)
  expect(joints[0]!.edges.map(({ count }) => count)).toEqual([layer! - loop!, layer! - loop!])
  const pair = made('filled', usual('filled'))
  const { around, ideal, count } = pair.pieces[0]!.plan.rounds.at(-1)!
  const open = pair.joints[0]!.filledThrough!
  expect((open * around) / ideal).toBeGreaterThanOrEqual(55)
  expect(open).toBeLessThanOrEqual(count / 3)
})

test('a cover goes over its box with room for both walls, and no more than a little', () => {
  const { pieces } = made('box', usual('box'))
  const [box, cover] = pieces.map(({ plan }) => 2 * plan.rounds.at(-1)!.at.radius)
  const thick = pieces[0]!.spec.gauge.yarnDiameter
  expect(cover! - box!).toBeGreaterThan(2 * thick - 6)
  expect(cover! - box!).toBeLessThan(4 * thick + 12)
})
