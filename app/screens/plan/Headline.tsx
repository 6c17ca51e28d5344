import clsx from 'clsx'
import { Printer } from 'lucide-react'
import { Link } from 'react-router'
import { countOf, offCentreOf, type Plan, type Promised, type Round } from '../../../core/index.ts'
import { isFlat } from '../../drawing/views/view.ts'
import { closingWords } from '../../words/closingWords.ts'
import { CAUTION_WORDS } from '../../words/cautionWords.ts'
import { pieceCautions } from '../../words/pieceCautions.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { sayAllPromised, sayBare, sayRange } from '../../words/measureWords.ts'
import { LIE_WORDS } from '../../words/wording.ts'
import { noticeTexts } from '../../words/noticeTexts.ts'
import { whenWashed, type PlanModel } from './planModel.ts'
import { UseCell } from './UseCell.tsx'
import { pieceAddress, pieceTitle } from '../../words/pieceWords.ts'
import { thousands } from '../../ui/thousands.ts'
import { roundsNoun } from '../../words/roundWords.ts'

/** Name of the piece, and in one sentence what comes out. */
export function Headline({ model }: { model: PlanModel }) {
  const { piece, plan, spec, fault } = model
  const title = pieceTitle(model)
  return (
    <div>
      <div className="flex items-end gap-4 max-sm:flex-wrap">
        <h1
          className={clsx(
            'line-clamp-2 min-w-0 grow pb-1 leading-tight [overflow-wrap:anywhere]',
            title.length > 24 ? 'text-26' : title.length > 17 ? 'text-36' : 'text-44 max-sm:text-36',
          )}
          title={title}
        >
          {title}
        </h1>
        <div className="flex shrink-0 items-stretch">
          <UseCell model={model} className="max-w-52 py-0" />
          <Link
            to={pieceAddress(model, 'sheet')}
            aria-label="Sheet to print"
            className="grid w-11 place-items-center hover:bg-film-2"
          >
            <Printer aria-hidden size={22} />
          </Link>
        </div>
      </div>
      <p className="text-18" aria-live="polite">
        {plan ? (
          <Outcome
            plan={plan}
            copies={piece.quantity}
            guess={spec?.gauge.certainty === 'guess'}
            washed={piece.washed && whenWashed(model)}
          />
        ) : (
          !fault && 'No plan yet.'
        )}
        {fault && plan && ' The drawing is of the last size that could be planned.'}
      </p>
      {fault && (!plan || fault.path === '') && (
        <p role="alert" className="fault mt-1 text-18">
          {fault.text}
        </p>
      )}
    </div>
  )
}

interface OutcomeProps {
  readonly plan: Plan
  readonly copies: number
  readonly guess: boolean
  /** What it measures when it is washed, where that is what was asked for. */
  readonly washed: readonly Promised[] | undefined
}

function Outcome({ plan, copies, guess, washed }: OutcomeProps) {
  const sizes = useSizes()
  const { promises, lie } = plan.finished
  return (
    <>
      {plan.rounds.length} {roundsNoun(plan)}, {thousands(plan.stitches)} stitches
      {copies > 1 && ` each, ${copies} times`}. {offCentreOf(plan) ? 'Its rounds come' : 'Comes'} out{' '}
      <strong>
        {lie
          ? `${promises.length > 1 || promises[0]!.of !== 'across' ? sayAllPromised(promises, sizes, guess) : guess ? sayRange(promises[0]!, sizes) : sayBare(promises[0]!, sizes)}, ${LIE_WORDS[lie]}`
          : sayAllPromised(promises, sizes, guess)}
      </strong>
      {washed && (
        <>
          {' '}
          off the hook, <strong>{washed.map(({ value }) => sizes.full(value)).join(', ')} washed</strong>
        </>
      )}
      .
    </>
  )
}

const roundsAsText = (rounds: readonly Round[]): string =>
  rounds.map((round) => `${countOf(round)} ${round.fabric} ${round.yarn}`).join()

/** The rest is in the cell that says what the piece is for. */
const MOST_CAUTIONS = 1

/** What fights is said where it can be chosen: a size and whole rounds, and of a wall what a repeat costs it. */
const withoutFights = (plan: Plan): Plan => ({
  ...plan,
  notices: plan.notices.filter(
    ({ code }) => code !== 'sizeMissed' && (code !== 'repeatCost' || isFlat(plan)),
  ),
})

/** What else is worth knowing about the plan, in plain sentences. */
export function Notices({ model }: { model: PlanModel }) {
  const sizes = useSizes()
  const { plan, spec, copies, versions, piece, gauge, yarns } = model
  const working = copies.find(({ finishedAt }) => finishedAt === undefined)
  const pinned = working && versions.find(({ version }) => version === working.planVersion)
  const texts = plan ? noticeTexts(withoutFights(plan), piece, sizes, model.settings.terms) : []
  const differs = pinned && plan && roundsAsText(pinned.rounds) !== roundsAsText(plan.rounds)
  if (plan && spec && offCentreOf(plan)) texts.unshift(closingWords(spec, plan, sizes))
  if (differs) {
    texts.unshift(`No. ${working.number} is on the hook and stays with the plan it was begun with.`)
  }
  const cautions = pieceCautions(piece, gauge, yarns).filter(
    ({ code, unfit }) => unfit && !piece.fitness.read.includes(code),
  )
  if (texts.length === 0 && cautions.length === 0) return null
  return (
    <ul className="grid gap-0.5 text-14 leading-tight text-ink-2">
      {texts.map((text) => (
        <li key={text}>{text}</li>
      ))}
      {cautions.slice(0, MOST_CAUTIONS).map(({ code }) => (
        <li key={code}>
          <strong className="text-ink">{CAUTION_WORDS[code][0]}</strong> {CAUTION_WORDS[code][1]}
        </li>
      ))}
    </ul>
  )
}
