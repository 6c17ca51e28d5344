import type { Plan } from '../../../core/index.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { LIE_WORDS } from '../../ui/wording.ts'
import { noticeTexts } from './noticeTexts.ts'
import type { PlanModel } from './planModel.ts'

/** Name of the piece, and in one sentence what comes out. */
export function Headline({ model }: { model: PlanModel }) {
  const { project, piece, plan, spec, fault } = model
  return (
    <div>
      <h1 className="truncate pb-1 text-44 max-sm:text-36" title={project.name}>
        {project.name}
      </h1>
      <p className="text-18" aria-live="polite">
        {plan ? (
          <Outcome plan={plan} copies={piece.quantity} guess={spec?.gauge.certainty === 'guess'} />
        ) : (
          'No plan yet.'
        )}
        {fault && plan && ' The drawing is of the last size that could be planned.'}
      </p>
    </div>
  )
}

function Outcome({ plan, copies, guess }: { plan: Plan; copies: number; guess: boolean }) {
  const sizes = useSizes()
  const { across, plusMinus, lie } = plan.finished
  return (
    <>
      {plan.rounds.length} rounds, {plan.stitches.toLocaleString('en')} stitches
      {copies > 1 && ` each, ${copies} times`}. Comes out{' '}
      <strong>
        {guess
          ? `${sizes.bare(across - plusMinus)} to ${sizes.full(across + plusMinus)}`
          : sizes.full(across)}
        , {LIE_WORDS[lie]}
      </strong>
      .
    </>
  )
}

const roundsAsText = ({ rounds }: Plan): string =>
  rounds.map(({ count, stitch, yarn }) => `${count} ${stitch} ${yarn}`).join()

/** What else is worth knowing about the plan, in plain sentences. */
export function Notices({ model }: { model: PlanModel }) {
  const sizes = useSizes()
  const { plan, copies, versions, piece } = model
  const working = copies.find(({ finishedAt }) => finishedAt === undefined)
  const pinned = working && versions.find(({ version }) => version === working.planVersion)
  const texts = plan ? noticeTexts(plan, piece, sizes) : []
  const differs = pinned && plan && roundsAsText(pinned.plan) !== roundsAsText(plan)
  if (differs) {
    texts.unshift(`No. ${working.number} is on the hook and stays with the plan it was begun with.`)
  }
  if (texts.length === 0) return null
  return (
    <ul className="grid gap-0.5 text-14 leading-tight text-ink-2">
      {texts.map((text) => (
        <li key={text}>{text}</li>
      ))}
    </ul>
  )
}
