import { familyOf, measured, offTheLine, wallFit, type PieceSpec, type Plan } from '../../../core/index.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { lastOfCrown } from '../../drawing/views/viewOf.ts'
import { closingWords } from '../../words/closingWords.ts'
import { sectionName, wordsOf } from '../../words/formWords.ts'
import { followWords } from '../../words/shapeWords.ts'
import { percent } from '../../words/wording.ts'

interface CrownWordsProps {
  readonly plan: Plan
  readonly spec: PieceSpec
  readonly guess: boolean
}

/** How wide a crown or a base is before the wall, and how the wall goes round the head or stands. */
export function CrownWords({ plan, spec, guess }: CrownWordsProps) {
  const sizes = useSizes()
  const crown = lastOfCrown(plan)
  const closing = closingWords(spec, plan, sizes)
  const offs = guess ? undefined : offTheLine(spec, plan)
  const follows = offs && followWords(offs, sizes)
  if (!crown && follows)
    return (
      <p className="text-16 leading-snug">
        <strong>{follows[0]}</strong> {follows[1]} {closing}
      </p>
    )
  if (!crown) return closing === '' ? null : <p className="text-16 leading-snug">{closing}</p>
  const across = measured('across', crown.asEdge)
  const { object, middle, inside, outside, rib } = wallFit(spec, plan)
  const hangs = wordsOf(spec.form).hangs === true
  if (familyOf(spec.form).closes) return <ClosingWords {...{ plan, spec, guess }} />
  const about = guess ? 'about ' : ''
  return (
    <p className="text-16 leading-snug">
      <strong>
        {sectionName(crown.section)}: {about}
        {sizes.full(across)} across after Rnd {crown.number}
      </strong>
      , {crown.count} sts, then {hangs ? 'even' : 'up'}. {follows?.join(' ')}
      {object !== undefined && hangs && !guess && atTheEdge(middle, object, sizes.full)}
      {rib &&
        !guess &&
        ` Its rib lies ${sizes.full(rib.relaxed)} around and stretches to ${sizes.full(rib.stretched)}.`}
      {!hangs &&
        !guess &&
        !follows &&
        ` At its edge ${sizes.full(outside / Math.PI)} across outside, ${sizes.full(inside / Math.PI)} inside.`}
    </p>
  )
}

/** How wide what closes again is at its widest, when it is filled and what is drawn together at last. */
function ClosingWords({ plan, spec, guess }: CrownWordsProps) {
  const sizes = useSizes()
  const closes = familyOf(spec.form).closes!
  const widest = plan.rounds.findLast(({ section }) => section === closes.at)!
  const [around] = plan.finished.promises
  return (
    <p className="text-16 leading-snug">
      <strong>
        Widest: {guess ? 'about ' : ''}
        {sizes.full(around!.value)} around{closes.grows(spec.form) > 0 && ', filled,'} at Rnd {widest.number}
      </strong>
      , {widest.count} sts. {closingWords(spec, plan, sizes)}
    </p>
  )
}

function atTheEdge(around: number, head: number, say: (mm: number) => string): string {
  const share = 1 - around / head
  const by = percent(Math.abs(share))
  const fits =
    Math.abs(share) < 0.005 ? 'as large as the head' : share > 0 ? `stretches ${by}` : `has ${by} of room`
  return `It goes ${say(around)} around, for a head of ${say(head)}: ${fits}.`
}
