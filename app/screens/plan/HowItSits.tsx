import { offTheLine, wallFit, type PieceSpec, type Plan } from '../../../core/index.ts'
import { mainOf } from '../../drawing/views/view.ts'
import { WallFromAbove } from '../../drawing/WallFromAbove.tsx'
import { useYarnColours } from '../../store/queries.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { closingWords } from '../../words/closingWords.ts'
import { wallFitWords } from '../../words/wallFitWords.ts'
import { followWords } from '../../words/shapeWords.ts'

interface HowItSitsProps {
  readonly plan: Plan
  readonly spec: PieceSpec
  readonly size: number
  readonly guess: boolean
}

/** A wall cut across around what it goes over, and in words how snug it sits. */
export function HowItSits({ plan, spec, size, guess }: HowItSitsProps) {
  const sizes = useSizes()
  const colours = useYarnColours()
  const fit = wallFit(spec, plan)
  const offs = guess ? undefined : offTheLine(spec, plan)
  const [bold, rest] = offs ? followWords(offs, sizes) : wallFitWords(fit, sizes, guess)
  return (
    <div className="shrink-0" style={{ width: size }}>
      <p className="pb-1 text-16 leading-tight">
        <strong>{bold}</strong> {rest} {closingWords(spec, plan, sizes)}
      </p>
      <WallFromAbove
        round={mainOf(plan).at(-1)!}
        fit={fit}
        yarns={colours}
        guess={guess}
        size={size}
        label={`Cut across: ${bold} ${rest}`}
      />
    </div>
  )
}
