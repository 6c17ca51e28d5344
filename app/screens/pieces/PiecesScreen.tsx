import { useMemo, useState } from 'react'
import { Link, useParams } from 'react-router'
import { metresAtHand, sumOfProgress, timeOfWhole, yarnForAll } from '../../../core/index.ts'
import { usePieces, useSettings, useYarns } from '../../store/queries.ts'
import { Header } from '../../ui/Header.tsx'
import { NotHere, Opening } from '../../ui/Opening.tsx'
import { refusalFrom } from '../../ui/refusal.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { useElementSize } from '../../ui/useElementSize.ts'
import { usePageTitle } from '../../ui/usePageTitle.ts'
import { pieceAddress } from '../../words/pieceWords.ts'
import { duration } from '../../words/wording.ts'
import { useShelfRows, type ShelfRow } from '../shelf/useShelfRows.ts'
import { JointPanel } from './JointPanel.tsx'
import { NewJoint } from './NewJoint.tsx'
import { OrderLine } from './OrderLine.tsx'
import { PiecesLedge } from './PiecesLedge.tsx'
import { seamIn, usePiecesModel, yarnOfJoint } from './piecesModel.ts'
import { StepPanel } from './StepPanel.tsx'
import { YarnInTurn } from './YarnInTurn.tsx'

/** What is open beside the pieces: a joint, a step, or a joint that is being made. */
export type Open =
  | { readonly kind: 'joint'; readonly id: string }
  | { readonly kind: 'step'; readonly id: string }
  | { readonly kind: 'new' }

/** Px that a panel beside the pieces takes at the least. */
const PANEL = 300

/** The pieces of a project at one scale, the joints between them, and the order in which they become one. */
export function PiecesScreen() {
  const { projectId } = useParams()
  const { views, rows } = useRowsOf(projectId)
  const [first] = views ?? []
  usePageTitle('Pieces', first?.project.name)
  return (
    <div className="flex min-h-dvh flex-col lg:h-dvh">
      <Header {...(first ? { view: first } : {})} />
      {!views || !rows ? <Opening /> : !first || rows.length === 0 ? <NotHere /> : <Pieces rows={rows} />}
    </div>
  )
}

/** The pieces of a project with their plans, once they are there. */
export function useRowsOf(projectId: string | undefined) {
  const settings = useSettings()
  const all = usePieces()
  const views = useMemo(() => all?.filter(({ project }) => project.id === projectId), [all, projectId])
  return { views, rows: useShelfRows(views, settings) }
}

function Pieces({ rows }: { readonly rows: readonly ShelfRow[] }) {
  const model = usePiecesModel(rows)
  const { project, pieces, finish, way, fault } = model
  const sizes = useSizes()
  const yarns = useYarns()
  const [part, { width, height }] = useElementSize()
  // Beside its panel it has the height that the order leaves; above it, as much as it needs.
  const beside = width > 0 && width < innerWidth - PANEL
  const [chosen, setOpen] = useState<Open>()
  const [firstJoint] = finish.joints
  const open =
    chosen ?? (firstJoint ? ({ kind: 'joint', id: firstJoint.id } as const) : ({ kind: 'new' } as const))
  const joint = open.kind === 'joint' ? finish.joints.find(({ id }) => id === open.id) : undefined
  const step = open.kind === 'step' ? way?.order.find(({ id }) => id === open.id) : undefined
  const seams = finish.joints.map((one) => ({ one, seam: seamIn(model, one) }))
  const isDone = (id: string) => way?.done.has(`join:${id}`) ?? false
  const { metresLeft } = sumOfProgress(pieces.map(({ progress }) => progress))
  const { inAll, left } = timeOfWhole(
    pieces.map(({ progress }) => progress),
    seams.map(({ one, seam }) => ({ seconds: seam?.seconds ?? 0, done: isDone(one.id) })),
  )
  const held = (yarns ?? []).flatMap((yarn) => {
    const metres = metresAtHand(yarn)
    return metres === undefined ? [] : [[yarn.id, metres] as const]
  })
  const needs = yarnForAll(
    metresLeft,
    seams.flatMap(({ one, seam }) => {
      const yarn = yarnOfJoint(model, one)
      return seam && yarn && !isDone(one.id) ? [{ yarn, metres: seam.metres }] : []
    }),
    new Map(held),
  )
  const nameOf = (id: string) => yarns?.find((yarn) => yarn.id === id)?.name ?? 'yarn'
  const short = needs.filter(({ enough }) => !enough)
  const yarnWords =
    short.length > 0
      ? `${short.map(({ yarn, takes, there }) => `${nameOf(yarn)} is ${sizes.yarn.full(takes - there)} short`).join(', ')}.`
      : needs.length > 0
        ? `${needs.map(({ yarn }) => nameOf(yarn)).join(', ')} enough for all.`
        : ''
  const unplanned = rows.filter(({ planned }) => !planned.ok)
  const made = pieces.reduce((total, { row }) => total + row.view.piece.quantity, 0)
  return (
    <main className="flex min-h-0 grow flex-col">
      <div className="flex min-h-0 grow max-lg:flex-col">
        <div
          role="group"
          tabIndex={0}
          ref={part}
          aria-labelledby="pieces-title"
          className="flex min-w-0 grow flex-col px-7 pt-3 max-sm:px-4 lg:overflow-y-auto"
        >
          <h1 id="pieces-title" className="text-44 leading-tight max-sm:text-36">
            {project.name}
          </h1>
          <p className="pb-3 text-18">
            {made === 1 ? '1 piece' : `${made} pieces`},{' '}
            {finish.joints.length === 1 ? '1 joint' : `${finish.joints.length} joints`}.{' '}
            {left > 0 ? (
              <>
                <strong>{duration(left)}</strong> left of {duration(inAll)}.
              </>
            ) : (
              'All of it is worked.'
            )}{' '}
            {yarnWords}
          </p>
          {unplanned.map(({ view }) => (
            <p key={view.piece.id} className="fault mb-2 text-16">
              {view.piece.name} cannot be planned as it is.{' '}
              <Link className="underline underline-offset-4" to={pieceAddress(view, 'plan')}>
                Open its plan
              </Link>{' '}
              to see why.
            </p>
          ))}
          <PiecesLedge model={model} open={open} onOpen={setOpen} room={beside ? height : undefined} />
          <div className="flex flex-wrap gap-3 py-3">
            <Link className="button-line" to={`/new?project=${project.id}`}>
              Add a piece
            </Link>
            {open.kind !== 'new' && (
              <button type="button" className="button-line" onClick={() => setOpen({ kind: 'new' })}>
                Join two edges
              </button>
            )}
          </div>
          <YarnInTurn model={model} />
        </div>
        <section
          aria-label={open.kind === 'step' ? 'Step' : 'Joint'}
          className="flex min-h-0 shrink-0 border-l-2 rule max-lg:border-t-2 max-lg:border-l-0 lg:w-[26rem]"
        >
          {/* It scrolls by itself beside the pieces, by keys as well. */}
          <div
            role="group"
            tabIndex={0}
            aria-label="Details"
            className="min-w-0 grow overflow-y-auto px-5 py-3 max-lg:px-7 max-sm:px-4"
          >
            {joint ? (
              <JointPanel key={joint.id} model={model} joint={joint} onGone={() => setOpen(undefined)} />
            ) : step && way ? (
              <StepPanel
                key={step.id}
                model={model}
                way={way}
                step={step}
                onGone={() => setOpen(undefined)}
              />
            ) : (
              <NewJoint model={model} onMade={(id) => setOpen({ kind: 'joint', id })} />
            )}
          </div>
        </section>
      </div>
      {way ? (
        <OrderLine model={model} way={way} open={open} onOpen={setOpen} />
      ) : (
        <p role="alert" className="fault m-5 text-18">
          {fault && refusalFrom(fault, sizes.speech).text}
        </p>
      )}
    </main>
  )
}
