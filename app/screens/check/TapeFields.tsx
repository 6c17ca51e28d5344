import { LIMITS, type TapePlace } from '../../../core/index.ts'
import { NumberCell } from '../../ui/NumberCell.tsx'
import { useSizes } from '../../ui/useSizes.ts'
import { tapeLabels } from '../../words/formQuestionWords.ts'

interface TapeFieldsProps {
  readonly tape: readonly TapePlace[]
  readonly sizeAt: (place: number) => number | undefined
  /** What is wrong with a size of this kind. */
  readonly faultAt: (of: TapePlace['of']) => string | undefined
  readonly onSize: (place: number, size: number | undefined) => void
  /** Class names of a cell. */
  readonly className?: string
}

/** A field for every place where a tape is laid. */
export function TapeFields({ tape, sizeAt, faultAt, onSize, className }: TapeFieldsProps) {
  const sizes = useSizes()
  const labels = tapeLabels(tape)
  return tape.map(({ of }, place) => (
    <NumberCell
      key={labels[place]}
      className={className}
      label={labels[place]!}
      format={sizes.bare}
      unit={sizes.unit}
      step={sizes.unit === 'in' ? sizes.step : 1}
      takes="length"
      parse={of === 'across' ? sizes.between(...LIMITS.across) : sizes.between(...LIMITS.around)}
      value={sizeAt(place)}
      // A kind of size that is wrong is said to be so where it is asked for first.
      fault={tape.findIndex((one) => one.of === of) === place ? faultAt(of) : undefined}
      onChange={(size) => onSize(place, size)}
      onClear={() => onSize(place, undefined)}
    />
  ))
}
