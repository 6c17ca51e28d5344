import clsx from 'clsx'
import { Brush, ChevronRight } from 'lucide-react'
import { Link, useNavigate } from 'react-router'
import { useState } from 'react'
import {
  ballsToBuy,
  forCopy,
  LIMITS,
  metresAtHand,
  sideOfCopy,
  type YarnRecord,
} from '../../../core/index.ts'
import { Cord } from '../../drawing/Cord.tsx'
import { beginCopy } from '../../store/beginCopy.ts'
import { NumberCell } from '../../ui/NumberCell.tsx'
import { parseWhole } from '../../ui/parseCount.ts'
import { useSizes, type Sizes } from '../../ui/useSizes.ts'
import { duration } from '../../words/wording.ts'
import type { Painting } from './usePainting.ts'
import type { PlanModel } from './planModel.ts'
import { pieceAddress } from '../../words/pieceWords.ts'
import { roundTitle } from '../../words/roundWords.ts'

/** Yarn as cords whose length is what is needed, and the time it takes. */
export function YarnAndTime({
  model,
  painting,
}: {
  model: PlanModel
  /** Where rounds can be painted: a yarn is taken up by its name. */
  painting?: Pick<Painting, 'brush' | 'pick'>
}) {
  const { plan, yarns, settings, learnedPace, piece, copies } = model
  const sizes = useSizes()
  if (!plan) return null
  const toGo = piece.quantity - copies.filter(({ finishedAt }) => finishedAt !== undefined).length
  const paints = painting !== undefined && plan.yarn.length > 1
  const longest = Math.max(...plan.yarn.map(({ metres }) => metres))
  return (
    <div className="grid gap-1 text-16 max-sm:text-18">
      {plan.yarn.map(({ yarn: id, metres, doubt }) => {
        const yarn = yarns.find((candidate) => candidate.id === id)
        return (
          <div
            key={id}
            className={clsx(
              'grid items-center gap-2 leading-tight',
              paints ? 'grid-cols-[4.6rem_2.6rem_1fr]' : 'grid-cols-[3.6rem_6rem_1fr]',
            )}
          >
            {paints ? (
              <BrushButton id={id} yarn={yarn} {...painting} />
            ) : (
              <span className="truncate">{yarn?.name}</span>
            )}
            <Cord colour={yarn?.colour ?? '#FAFCFB'} share={metres / longest} />
            <span>
              <span className="slab text-18">{sizes.yarn.full(metres)}</span>{' '}
              <span className="text-ink-2">
                ± {doubtOfYarn(sizes, metres * doubt)}
                {ofWhatIsHere(yarn, metres, metres * doubt, toGo, sizes)}
              </span>
            </span>
          </div>
        )
      })}
      <div className="grid grid-cols-[3.6rem_1fr] items-baseline gap-2 leading-tight">
        <span>Time</span>
        <span>
          <span className="slab text-18">{duration(plan.seconds)}</span>{' '}
          <span className="text-ink-2">
            {learnedPace ? `at your ${learnedPace.toFixed(0)}` : `at ${settings.pace}`} sc a minute
          </span>
        </span>
      </div>
    </div>
  )
}

/** Takes a yarn up to paint rounds with, or puts it away. */
function BrushButton({
  id,
  yarn,
  brush,
  pick,
}: Pick<Painting, 'brush' | 'pick'> & { readonly id: string; readonly yarn: YarnRecord | undefined }) {
  const held = brush === id
  return (
    <button
      type="button"
      aria-pressed={held}
      aria-label={`Paint rounds with ${yarn?.name ?? 'this yarn'}`}
      title={
        held ? 'Drag over rounds of the drawing or the list; Escape puts it away' : 'Paint rounds with it'
      }
      className={clsx(
        'flex min-h-7 items-center gap-1 text-left underline-offset-4',
        held ? 'bg-tape' : 'hover:underline',
      )}
      onClick={() => pick(held ? undefined : id)}
    >
      <span className="truncate">{yarn?.name}</span>
      <Brush aria-hidden size={15} className="shrink-0" />
    </button>
  )
}

const doubtOfYarn = (sizes: Sizes, metres: number): string => {
  const text = sizes.yarn.bare(metres)
  return metres < 3 ? text : String(Math.round(Number(text)))
}

function ofWhatIsHere(
  yarn: YarnRecord | undefined,
  metres: number,
  plusMinus: number,
  copies: number,
  sizes: Sizes,
): string {
  const here = yarn && metresAtHand(yarn)
  if (here === undefined) return ''
  const times = Math.max(1, copies)
  const buy = yarn?.metresPerBall ? ballsToBuy(metres * times, here, yarn.metresPerBall) : 0
  const missing = buy > 0 ? `, ${buy} more ${buy === 1 ? 'ball' : 'balls'}` : ', not enough'
  const enough =
    (metres + plusMinus) * times <= here ? '' : metres * times <= here ? ', just enough' : missing
  return ` of ${Math.round(Number(sizes.yarn.bare(here)))}${copies > 1 ? ` for ${copies}` : ''}${enough}`
}

/** How many to make, and the way to the hook. */
export function StartWork({ model }: { model: PlanModel }) {
  const { piece, changePiece } = model
  return (
    <div className="flex items-stretch border-2 rule">
      <NumberCell
        className="w-28 shrink-0 focus-within:w-52"
        label="Make"
        value={piece.quantity}
        format={String}
        parse={parseWhole(...LIMITS.quantity, 'a number of pieces')}
        step={1}
        unit={piece.quantity === 1 ? 'copy' : 'copies'}
        onChange={(quantity) => changePiece({ ...piece, quantity })}
      />
      <StartButton model={model} />
    </div>
  )
}

const START_BUTTON =
  'slab flex min-h-14 grow items-center justify-between gap-2 bg-ink px-4 text-20 leading-tight text-film disabled:opacity-45'

function StartButton({ model }: { model: PlanModel }) {
  const { piece, copies, plan, spec, fault } = model
  const navigate = useNavigate()
  const [problem, setProblem] = useState<string>()
  const working = copies.find(({ finishedAt }) => finishedAt === undefined)
  const work = pieceAddress(model, 'work')
  if (working) {
    return (
      <Link to={work} className={START_BUTTON}>
        <span>
          Go on
          {piece.quantity > 1 && (
            <>
              {': '}
              <span className="whitespace-nowrap">no. {working.number}</span>
            </>
          )}
        </span>
        <Chevron />
      </Link>
    )
  }
  const number = Math.max(0, ...copies.map((copy) => copy.number)) + 1
  if (number > piece.quantity && copies.length > 0) {
    return (
      <Link to={work} className={START_BUTTON}>
        {piece.quantity > 1 ? 'All made' : 'Made'}
        <Chevron />
      </Link>
    )
  }
  const side = spec && sideOfCopy(spec.form, number)
  const begin = async () => {
    if (!plan || !spec) return
    try {
      await beginCopy({ pieceId: piece.id, number, ...forCopy(spec, plan, number) })
      await navigate(work)
    } catch (error) {
      setProblem(`It could not be stored: ${error instanceof Error ? error.message : String(error)}`)
    }
  }
  return (
    <button
      type="button"
      className={START_BUTTON}
      disabled={!plan || fault !== undefined}
      onClick={() => void begin()}
    >
      <span>
        {side
          ? `Begin the ${side}`
          : piece.quantity > 1
            ? `Begin no. ${number}`
            : `Begin ${plan ? roundTitle(plan, 1) : 'Rnd 1'}`}
        {problem && (
          <span role="alert" className="block text-14">
            {problem}
          </span>
        )}
      </span>
      <Chevron />
    </button>
  )
}

const Chevron = () => <ChevronRight aria-hidden className="shrink-0 text-tape" strokeWidth={3.5} />
