import type { Bench } from '../../tools/benchKit.ts'
import { NO_USE_YET } from '../cautions/use.ts'
import { discSpec } from '../testing/specs.ts'
import { plainSearch } from '../testing/plainSearch.ts'
import { betaOf, deviationFrom } from '../counts/countsProblem.ts'
import { NO_FINISH, wayToFinish, type Finish, type PieceToFinish } from './finish.ts'
import { validateJoint, type EdgesOf } from './validateJoint.ts'
import type { Joint } from './joint.ts'

const ideals = Array.from({ length: 13 }, (_, index) => 6 * (index + 1))
const searched = () =>
  plainSearch({ ideals, firstCounts: [5, 8], beta: betaOf(0.5), deviationCost: deviationFrom(ideals, 0.5) })

const [PIECES, JOINTS, STITCHES] = [14, 20, 60]
const pieces: PieceToFinish[] = Array.from({ length: PIECES }, (_, index) => ({
  id: `p${index}`,
  form: discSpec(180).form,
  quantity: 1,
  fitness: NO_USE_YET,
  last: STITCHES,
  made: false,
}))
const edges: EdgesOf[] = pieces.map(({ id, last }) => ({ id, name: id, quantity: 1, last }))
/** Short stretches around a ring of pieces, and a second time around. */
const joints: Joint[] = Array.from({ length: JOINTS }, (_, index) => {
  const edge = (piece: number, from: number) => ({
    pieceId: `p${piece % PIECES}`,
    copy: 1,
    of: 'last' as const,
    from: from + 10 * Math.floor(index / PIECES),
    count: 5,
  })
  return { id: `j${index}`, way: 'whip', edges: [edge(index, 0), edge(index + 1, 30)] }
})
const finish: Finish = { ...NO_FINISH, joints, order: pieces.map(({ id }) => `make:${id}`) }

/** An edit of a project: every joint judged, and the whole order anew. Budget: shown with the next frame. */
export const benches: Bench[] = [
  {
    name: 'order of 14 pieces and 20 joints',
    baseline: searched,
    run: () => {
      for (const joint of joints) validateJoint(edges, joint, joints)
      return wayToFinish(pieces, finish)
    },
    budgetMs: 16,
  },
]
