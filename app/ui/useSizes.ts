import { useMemo } from 'react'
import { formatLength, MM_PER_INCH, parseLength, type LengthUnit } from '../../core/index.ts'
import { useSettings } from '../store/queries.ts'

/** Lengths in the words of the maker: cm or inches. All take millimetres. */
export interface Sizes {
  readonly unit: LengthUnit
  /** "21.9" */
  readonly bare: (millimetres: number) => string
  /** "21.9 cm" */
  readonly full: (millimetres: number) => string
  /** "0.5", never rounded down to nothing. */
  readonly doubt: (millimetres: number) => string
  /** "21.9 ± 0.5 cm" */
  readonly withDoubt: (millimetres: number, plusMinus: number) => string
  readonly parse: (text: string) => ReturnType<typeof parseLength>
  /** Steps of a size field: half a centimetre or an eighth; tenfold with Shift. */
  readonly step: number
  /** The length gauges are stated over: 10 cm or 4 in. */
  readonly gaugeOver: { readonly millimetres: number; readonly label: string }
}

export function useSizes(): Sizes {
  const { units } = useSettings()
  return useMemo(() => sizesIn(units), [units])
}

export function sizesIn(unit: 'cm' | 'in'): Sizes {
  const smallest = unit === 'cm' ? 1 : MM_PER_INCH / 8
  const bare = (millimetres: number) => formatLength(millimetres, unit)
  const doubt = (millimetres: number) => bare(Math.max(millimetres, smallest))
  return {
    unit,
    bare,
    full: (millimetres) => `${bare(millimetres)} ${unit}`,
    doubt,
    withDoubt: (millimetres, plusMinus) => `${bare(millimetres)} ± ${doubt(plusMinus)} ${unit}`,
    parse: (text) => parseLength(text, unit),
    step: unit === 'cm' ? 5 : MM_PER_INCH / 8,
    gaugeOver:
      unit === 'cm' ? { millimetres: 100, label: '10 cm' } : { millimetres: 4 * MM_PER_INCH, label: '4 in' },
  }
}
