import { MM_PER_INCH } from './millimetres.ts'
import type { LengthUnit } from './parseLength.ts'

const EIGHTHS = ['', '1/8', '1/4', '3/8', '1/2', '5/8', '3/4', '7/8']

/** Decimals that are honest for a tape measure, per unit. */
const DECIMALS: Record<LengthUnit, number> = { mm: 1, cm: 1, in: 2 }

/**
 * The bare number of a length in the given unit, e.g. 219.3 mm in cm is "21.9".
 * Inches are written in eighths ("8 5/8") unless `decimals` is given.
 */
export function formatLength(millimetres: number, unit: LengthUnit, decimals?: number): string {
  if (unit === 'in' && decimals === undefined) return inEighths(millimetres / MM_PER_INCH)
  const value = unit === 'in' ? millimetres / MM_PER_INCH : unit === 'cm' ? millimetres / 10 : millimetres
  const text = value.toFixed(decimals ?? DECIMALS[unit])
  return /^-0(\.0*)?$/.test(text) ? text.slice(1) : text
}

/** A length within a sentence: "21.9 cm", "100 cm"; what is smaller than a centimetre in mm or hundredths. */
export function sayLength(millimetres: number, unit: LengthUnit): string {
  if (unit === 'in')
    return formatLengthUnit(millimetres, unit, Math.abs(millimetres) < MM_PER_INCH ? 2 : undefined)
  const said = unit === 'cm' && Math.abs(millimetres) >= 10 ? 'cm' : 'mm'
  return formatLengthUnit(millimetres, said).replace(/\.0 /, ' ')
}

/** The length with its unit, e.g. "21.9 cm". */
export function formatLengthUnit(millimetres: number, unit: LengthUnit, decimals?: number): string {
  return `${formatLength(millimetres, unit, decimals)} ${unit}`
}

function inEighths(inches: number): string {
  const eighths = Math.round(Math.abs(inches) * 8)
  const whole = Math.floor(eighths / 8)
  const fraction = EIGHTHS[eighths % 8]
  const sign = inches < 0 && eighths > 0 ? '-' : ''
  if (!fraction) return `${sign}${whole}`
  return `${sign}${whole > 0 ? `${whole} ` : ''}${fraction}`
}
