import { measured, wallFit, type PieceSpec, type Plan } from '../../../core/index.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { lastOfCrown } from '../../drawing/views/viewOf.ts'
import { percent } from '../../words/wording.ts'

interface CrownWordsProps {
  readonly plan: Plan
  readonly spec: PieceSpec
  readonly guess: boolean
}

/** How wide a crown is before working even, and how the rest of it goes round the head. */
export function CrownWords({ plan, spec, guess }: CrownWordsProps) {
  const sizes = useSizes()
  const crown = lastOfCrown(plan)
  if (!crown) return null
  const across = measured('across', crown.at)
  const { object, middle } = wallFit(spec, plan)
  const about = guess ? 'about ' : ''
  return (
    <p className="text-16 leading-snug">
      <strong>
        Crown: {about}
        {sizes.full(across)} across after Rnd {crown.number}
      </strong>
      , {crown.count} sts, then even.{' '}
      {object !== undefined && !guess && atTheEdge(middle, object, sizes.full)}
    </p>
  )
}

function atTheEdge(around: number, head: number, say: (mm: number) => string): string {
  const share = 1 - around / head
  const by = percent(Math.abs(share))
  const fits =
    Math.abs(share) < 0.005 ? 'as large as the head' : share > 0 ? `stretches ${by}` : `has ${by} of room`
  return `At the edge ${say(around)} around, for a head of ${say(head)}: ${fits}.`
}
