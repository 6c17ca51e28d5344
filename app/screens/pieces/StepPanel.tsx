import { useState } from 'react'
import { Link } from 'react-router'
import {
  CircleError,
  stillToGoInside,
  waitsFor,
  withOwnLink,
  planSmallPart,
  type FinishingStep,
  type SmallPart,
  type WayToFinish,
} from '../../../core/index.ts'
import { Modal } from '../../ui/Modal.tsx'
import { Select } from '../../ui/Select.tsx'
import { REASON_WORDS, stepAdvice, stepWords } from '../../words/finishWords.ts'
import { useSizes, type Sizes } from '../../ui/useSizes.ts'
import { pieceAddress } from '../../words/pieceWords.ts'
import { smallPartAdvice } from '../../words/smallPartWords.ts'
import { sayAllPromised } from '../../words/measureWords.ts'
import { Photo } from './Photo.tsx'
import { isFinal, type PiecesModel } from './piecesModel.ts'

interface StepPanelProps {
  readonly model: PiecesModel
  readonly way: WayToFinish
  readonly step: FinishingStep
  readonly onGone: () => void
}

/** One step: what to watch, what it waits for, and whether it is done; what cannot be undone asks first. */
export function StepPanel({ model, way, step, onGone }: StepPanelProps) {
  const { finish, edges, toFinish, change } = model
  const sizes = useSizes()
  const [asks, setAsks] = useState(false)
  const [circle, setCircle] = useState<string>()
  const words = (one: FinishingStep) => stepWords(one, edges, finish)
  const { name, detail } = words(step)
  const done = way.done.has(step.id)
  const waits = waitsFor(way, step.id)
  const inside = stillToGoInside(way, step.id)
  const own = finish.steps.some(({ id }) => id === step.id)
  const held = way.links.filter(
    ({ before, after, why }) => why !== 'made' && why !== 'last' && (before === step.id || after === step.id),
  )
  const nameOf = (id: string) => {
    const found = way.order.find((one) => one.id === id)
    return found ? words(found).name : ''
  }
  const set = (isDone: boolean) =>
    change({
      ...finish,
      done: isDone ? [...finish.done, step.id] : finish.done.filter((id) => id !== step.id),
    })
  const free = way.order.filter(
    ({ id }) => id !== step.id && !way.links.some(({ before, after }) => before === id && after === step.id),
  )
  const link = (before: string) => {
    try {
      change(withOwnLink(toFinish, finish, before, step.id))
      setCircle(undefined)
    } catch (error) {
      if (!(error instanceof CircleError)) throw error
      setCircle(`These would wait for one another: ${error.circle.map(nameOf).join(', then ')}.`)
    }
  }
  const unlink = (before: string, after: string) =>
    change({ ...finish, links: finish.links.filter(([one, other]) => one !== before || other !== after) })
  const finishIt = () => (isFinal(model, step) ? setAsks(true) : set(true))
  return (
    <div className="grid gap-3">
      <div>
        <h2 className="text-26 leading-tight">{name}</h2>
        <p className="text-18">
          {detail}
          {done && `${detail && ', '}done`}
        </p>
      </div>
      <p className="text-16">
        {step.part
          ? smallPartWords(model, step.part, step.pieces, sizes)
          : stepAdvice(step, finish, toFinish)}
      </p>
      {step.kind === 'block' &&
        model.pieces
          .filter(({ row }) => step.pieces.includes(row.view.piece.id))
          .map(({ row }) => (
            <p key={row.view.piece.id} className="text-16">
              <Link
                className="inline-flex min-h-11 items-center underline underline-offset-4"
                to={pieceAddress(row.view, 'block')}
              >
                {row.view.piece.name} at true size, to print
              </Link>
            </p>
          ))}
      {waits.length > 0 && !done && (
        <p className="text-16">
          <strong>Waits for</strong> {waits.map((one) => words(one).name).join(', ')}.
        </p>
      )}
      {held.length > 0 && (
        <ul className="grid gap-1 border-t rule pt-2 text-16">
          {held.map(({ before, after, why }) => (
            <li key={`${before} ${after}`}>
              {before === step.id ? (
                <>
                  Before <strong>{nameOf(after)}</strong>: {REASON_WORDS[why]}.
                </>
              ) : (
                <>
                  After <strong>{nameOf(before)}</strong>: {REASON_WORDS[why]}.
                </>
              )}
              {why === 'own' && (
                <button
                  type="button"
                  className="px-2 underline underline-offset-4"
                  onClick={() => unlink(before, after)}
                >
                  Not any more
                </button>
              )}
            </li>
          ))}
        </ul>
      )}
      <Select
        label="Only after"
        value=""
        onChange={(before) => before && link(before)}
        choices={[['', 'choose a step'], ...free.map((one) => [one.id, words(one).name] as const)]}
      />
      {circle && (
        <p role="alert" className="fault text-16">
          {circle}
        </p>
      )}
      <div className="flex flex-wrap gap-3">
        {step.kind !== 'make' &&
          (done ? (
            <button type="button" className="button-line" onClick={() => set(false)}>
              Not done yet
            </button>
          ) : (
            <button
              type="button"
              className="button-ink"
              disabled={waits.length > inside.length}
              onClick={finishIt}
            >
              Done
            </button>
          ))}
        {own && (
          <button
            type="button"
            className="button-line"
            onClick={() => {
              change({ ...finish, steps: finish.steps.filter(({ id }) => id !== step.id) })
              onGone()
            }}
          >
            Take this step out
          </button>
        )}
      </div>
      {step.kind === 'measure' && <Finished model={model} />}
      <Modal open={asks} onClose={() => setAsks(false)} title={`${name}: it cannot be undone`}>
        {inside.length > 0 ? (
          <>
            <p className="text-18">Still to go inside before it closes:</p>
            <ul className="grid gap-1 text-18">
              {inside.map((one) => (
                <li key={one.id}>
                  <strong>{words(one).name}</strong> {words(one).detail}
                </li>
              ))}
            </ul>
          </>
        ) : (
          <p className="text-18">Nothing waits to go inside.</p>
        )}
        <div className="flex flex-wrap gap-3">
          <button
            type="button"
            className="button-ink"
            onClick={() => {
              setAsks(false)
              set(true)
            }}
          >
            It is done
          </button>
          <button type="button" className="button-line" onClick={() => setAsks(false)}>
            Not yet
          </button>
        </div>
      </Modal>
    </div>
  )
}

/** What each piece was promised to measure, where its measures go in, and a photo. */
function Finished({ model }: { readonly model: PiecesModel }) {
  const sizes = useSizes()
  return (
    <>
      <ul aria-label="Final measures" className="grid gap-1 border-t rule pt-2 text-16">
        {model.pieces.map(({ row, plan }) => (
          <li key={row.view.piece.id}>
            <strong className="slab">{row.view.piece.name}</strong>:{' '}
            {sayAllPromised(plan.finished.promises, sizes)}.{' '}
            {row.view.copies.some(({ finishedAt }) => finishedAt !== undefined) && (
              <Link className="underline underline-offset-4" to={pieceAddress(row.view, 'work')}>
                What it came to
              </Link>
            )}
          </li>
        ))}
      </ul>
      <Photo model={model} />
    </>
  )
}

/** A small part in the stitches of the first piece that it belongs to. */
function smallPartWords(
  { pieces }: PiecesModel,
  part: SmallPart,
  with_: readonly string[],
  sizes: Sizes,
): string {
  const piece = pieces.find(({ row }) => with_.includes(row.view.piece.id)) ?? pieces[0]
  if (!piece) return ''
  const { gauge, pace } = piece.spec
  return smallPartAdvice(part, planSmallPart(part, gauge, pace), sizes)
}
