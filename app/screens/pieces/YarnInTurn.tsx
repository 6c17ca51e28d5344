import { metresAtHand, planSmallPart, yarnInTurn, type TakesInTurn } from '../../../core/index.ts'
import { useYarns } from '../../store/queries.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { seamIn, yarnOfJoint, type PiecesModel } from './piecesModel.ts'

const [JOINTS, PARTS] = ['joints', 'small parts']

/** Every yarn by its lot over all pieces in their order, and the joints: what is there, less what each takes. */
export function YarnInTurn({ model }: { readonly model: PiecesModel }) {
  const { pieces, way, finish } = model
  const sizes = useSizes()
  const yarns = useYarns() ?? []
  const metres = (value: number) => sizes.yarn.full(Math.abs(value))
  const place = (id: string) => way?.order.findIndex((step) => step.id === `make:${id}`) ?? 0
  const inOrder: TakesInTurn[] = pieces
    .map(({ row, progress }) => ({ id: row.view.piece.id, takes: progress.metresLeft }))
    .sort((one, other) => place(one.id) - place(other.id))
  const seams = new Map<string, number>()
  for (const joint of finish.joints) {
    const [seam, yarn] = [seamIn(model, joint), yarnOfJoint(model, joint)]
    if (!seam || yarn === undefined || way?.done.has(`join:${joint.id}`)) continue
    seams.set(yarn, (seams.get(yarn) ?? 0) + seam.metres)
  }
  const held = yarns.flatMap((yarn) => {
    const there = metresAtHand(yarn)
    return there === undefined ? [] : [[yarn.id, there] as const]
  })
  const parts = new Map<string, number>()
  for (const { id, part, pieces: with_ } of finish.steps) {
    const piece = pieces.find(({ row }) => with_.includes(row.view.piece.id)) ?? pieces[0]
    const yarn = piece?.row.view.piece.colours.at(-1)?.yarn
    if (!part || !piece || yarn === undefined || way?.done.has(id)) continue
    const { metres: takes } = planSmallPart(part, piece.spec.gauge, piece.spec.pace)
    parts.set(yarn, (parts.get(yarn) ?? 0) + takes)
  }
  const all = yarnInTurn(
    [...inOrder, { id: JOINTS, takes: seams }, { id: PARTS, takes: parts }],
    new Map(held),
  )
  if (all.length === 0) return null
  const nameOf = (id: string) =>
    id === JOINTS || id === PARTS
      ? id
      : pieces.find(({ row }) => row.view.piece.id === id)!.row.view.piece.name
  return (
    <ul aria-label="Yarn, piece by piece" className="grid gap-1 pb-3 text-16">
      {all.map(({ yarn: id, there, turns }) => {
        const yarn = yarns.find((one) => one.id === id)!
        const short = turns.find(({ left }) => left < 0)
        const { left } = turns.at(-1)!
        return (
          <li key={id}>
            <strong className="slab">{yarn.name}</strong>
            {yarn.dyeLot && `, lot ${yarn.dyeLot}`}: {metres(there)} there
            {turns.map(({ id: piece, takes }) => ` − ${nameOf(piece)} ${metres(takes)}`).join('')}
            {short ? (
              <strong className="bg-tape px-1">
                {' '}
                = {metres(left)} short; it runs out in {nameOf(short.id)}.
              </strong>
            ) : (
              ` = ${metres(left)} left.`
            )}
          </li>
        )
      })}
    </ul>
  )
}
