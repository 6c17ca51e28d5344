import { useMemo } from 'react'
import {
  formatLength,
  formatMass,
  formatYarnLength,
  MM_PER_INCH,
  parseLength,
  parseMass,
  parseYarnLength,
  sayLength,
  type LengthUnit,
  type Speech,
  type WorkshopSettings,
} from '../../core/index.ts'
import { useSettings } from '../store/queries.ts'
import { shortName } from '../words/wording.ts'

/** A quantity in the maker's unit; takes and gives the stored one. */
export interface Quantity {
  readonly unit: string
  readonly bare: (stored: number) => string
  readonly full: (stored: number) => string
  readonly parse: (text: string) => { ok: true; value: number } | { ok: false; message: string }
}

/** Lengths, yarn and weights in the words of the maker. Lengths take millimetres. */
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
  /** Reads a length that lies between two, in millimetres; says which when it does not. */
  readonly between: (least: number, most: number) => Sizes['parse']
  /** Steps of a size field: half a centimetre or an eighth; tenfold with Shift. */
  readonly step: number
  /** The length gauges are stated over: 10 cm or 4 in. */
  readonly gaugeOver: { readonly millimetres: number; readonly label: string }
  /** Lengths of yarn, in metres. */
  readonly yarn: Quantity
  /** Weights, in grams. */
  readonly mass: Quantity
  /** How sentences of the core are said. */
  readonly speech: Speech
}

export function useSizes(): Sizes {
  const { units, gaugeOver, yarnLengths, masses, terms } = useSettings()
  return useMemo(
    () => sizesIn({ units, gaugeOver, yarnLengths, masses, terms }),
    [units, gaugeOver, yarnLengths, masses, terms],
  )
}

type UnitSettings = Pick<WorkshopSettings, 'units' | 'gaugeOver' | 'yarnLengths' | 'masses' | 'terms'>

function sizesIn({ units: unit, gaugeOver, yarnLengths, masses, terms }: UnitSettings): Sizes {
  const smallest = unit === 'in' ? MM_PER_INCH / 8 : 1
  const bare = (millimetres: number) => formatLength(millimetres, unit, unit === 'mm' ? 0 : undefined)
  const doubt = (millimetres: number) => bare(Math.max(millimetres, smallest))
  return {
    unit,
    bare,
    full: (millimetres) => `${bare(millimetres)} ${unit}`,
    doubt,
    withDoubt: (millimetres, plusMinus) => `${bare(millimetres)} ± ${doubt(plusMinus)} ${unit}`,
    parse: (text) => parseLength(text, unit),
    between: (least, most) => (text) => {
      const read = parseLength(text, unit)
      if (!read.ok || (read.value >= least && read.value <= most)) return read
      const said = (millimetres: number) => sayLength(millimetres, unit)
      return { ok: false, message: `${said(read.value)} cannot be. From ${said(least)} to ${said(most)}.` }
    },
    step: unit === 'in' ? MM_PER_INCH / 8 : 5,
    gaugeOver:
      gaugeOver === '10cm'
        ? { millimetres: 100, label: '10 cm' }
        : { millimetres: 4 * MM_PER_INCH, label: '4 in' },
    yarn: {
      unit: yarnLengths,
      bare: (metres) => formatYarnLength(metres, yarnLengths),
      full: (metres) => `${formatYarnLength(metres, yarnLengths)} ${yarnLengths}`,
      parse: (text) => parseYarnLength(text, yarnLengths),
    },
    mass: {
      unit: masses,
      bare: (grams) => formatMass(grams, masses),
      full: (grams) => `${formatMass(grams, masses)} ${masses}`,
      parse: (text) => parseMass(text, masses),
    },
    speech: {
      length: (millimetres) => sayLength(millimetres, unit),
      stitch: (name) => shortName(name, terms),
    },
  }
}
