import clsx from 'clsx'
import {
  easingOf,
  seamStitches,
  validateJoint,
  WAYS_OF_JOINING,
  type Joint,
  type JointEdge,
} from '../../../core/index.ts'
import { useYarns } from '../../store/queries.ts'
import { NumberCell } from '../../ui/NumberCell.tsx'
import { parseWhole } from '../../ui/parseCount.ts'
import { refusalOf } from '../../ui/refusal.ts'
import { useElementSize } from '../../ui/useElementSize.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { say } from '../../ui/toasts.tsx'
import { easingWords, jointName, WAY_WORDS } from '../../words/finishWords.ts'
import { duration } from '../../words/wording.ts'
import { EdgeCells } from './EdgeCells.tsx'
import { JointTapes } from './JointTapes.tsx'
import { PlanTogether } from './PlanTogether.tsx'
import { SeamCounter } from './SeamCounter.tsx'
import { seamIn, yarnOfJoint, type PiecesModel } from './piecesModel.ts'

interface JointPanelProps {
  readonly model: PiecesModel
  readonly joint: Joint
  readonly onGone: () => void
}

/** How two edges become one: both as count tapes, what joins them, what that takes, and how else it could be. */
export function JointPanel({ model, joint, onGone }: JointPanelProps) {
  const { edges, finish, pieces, change } = model
  const sizes = useSizes()
  const yarns = useYarns()
  const [area, { width }] = useElementSize()
  const others = finish.joints.filter(({ id }) => id !== joint.id)
  const put = (next: Joint) =>
    change({ ...finish, joints: finish.joints.map((one) => (one.id === joint.id ? next : one)) })
  // Of another stretch nothing is made yet.
  const { made: _, ...unmade } = joint
  const withEdge = (index: 0 | 1, edge: JointEdge): Joint => ({
    ...unmade,
    edges: index === 0 ? [edge, joint.edges[1]] : [joint.edges[0], edge],
  })
  const refused = (next: Joint) => refusalOf(() => validateJoint(edges, next, others), sizes.speech)?.text
  const fault = refused(joint)
  const seam = seamIn(model, joint)
  const first = pieces.find(({ row }) => row.view.piece.id === joint.edges[0].pieceId)
  const yarn = yarns?.find(({ id }) => id === yarnOfJoint(model, joint))
  const all = seamStitches(joint)
  const { filledThrough, ...whole } = joint
  const easing = easingOf(joint.edges[0].count, joint.edges[1].count)
  const name = jointName(joint, edges)
  const remove = () => {
    change({ ...finish, joints: others })
    say(`${name}: the joint is out.`, { label: 'Undo', run: () => change(finish) })
    onGone()
  }
  return (
    <div ref={area} className="grid gap-3">
      <div>
        <h2 className="text-26 leading-tight">{name}</h2>
        <p className="text-18">
          {WAY_WORDS[joint.way].label}. {easingWords(joint)}
        </p>
      </div>
      {width > 0 && <JointTapes joint={joint} edges={edges} width={width} />}
      {fault && (
        <p role="alert" className="fault text-16">
          {fault}
        </p>
      )}
      <PlanTogether model={model} joint={joint} />
      {seam && (
        <div className="text-16">
          <p>
            <strong className="slab text-21">{duration(seam.seconds)}</strong> {sizes.yarn.full(seam.metres)}{' '}
            of {yarn?.name ?? 'yarn'}
            {seam.height > 0 && `, ${sizes.full(seam.height)} higher`}
          </p>
          {seam.tail !== undefined && first && (
            <p>
              Leave a tail of <strong>{sizes.full(Math.ceil((seam.tail * 1000) / 10) * 10)}</strong> when you
              fasten off {first.row.view.piece.name}.
            </p>
          )}
          {easing.extra > 0 && (
            <p className="text-ink-2">
              The longer edge has {easing.extra} more, {Math.round(100 * easing.share)}%.
            </p>
          )}
        </div>
      )}
      {!fault && <SeamCounter model={model} joint={joint} />}
      <div className="grid grid-cols-2 border-t border-l rule">
        {joint.edges.map((edge, index) => (
          <EdgeCells
            key={index}
            edge={edge}
            edges={edges}
            refuse={(next) => refused(withEdge(index as 0 | 1, next))}
            onChange={(next) => put(withEdge(index as 0 | 1, next))}
          />
        ))}
        <NumberCell
          className="col-span-2 border-r border-b rule"
          label="Stays open until it is filled, sts"
          value={filledThrough}
          format={String}
          parse={(text) => {
            const parsed = parseWhole(2, Math.max(2, all - 2), 'a number of stitches')(text)
            if (!parsed.ok) return parsed
            const problem = refused({ ...joint, filledThrough: parsed.value })
            return problem ? { ok: false, message: problem } : parsed
          }}
          unit={filledThrough === undefined ? 'nothing is filled' : `of ${all}`}
          onChange={(open) => put({ ...joint, filledThrough: open })}
          onClear={() => put(whole)}
        />
      </div>
      <div>
        <p className="text-14 text-ink-2">How it is joined</p>
        <ul aria-label="How it is joined">
          {WAYS_OF_JOINING.map((way) => {
            const here = way === joint.way
            return (
              <li key={way}>
                <button
                  type="button"
                  aria-pressed={here}
                  className={clsx(
                    'flex min-h-11 w-full flex-wrap items-baseline gap-x-3 border-l-[6px] px-2 py-1 text-left hover:bg-film-2',
                    here ? 'border-ink bg-film-2' : 'border-transparent',
                  )}
                  onClick={() => put({ ...joint, way })}
                >
                  <span className="slab text-18">{WAY_WORDS[way].label}</span>
                  <span className="text-14 text-ink-2">{WAY_WORDS[way].detail}</span>
                </button>
              </li>
            )
          })}
        </ul>
      </div>
      <button type="button" className="button-line justify-self-start" onClick={remove}>
        Take this joint out
      </button>
    </div>
  )
}
