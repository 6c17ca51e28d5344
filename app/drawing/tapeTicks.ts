/** More ticks than a drawing can show help nobody, and as many as a slip of the pen asks for stop the browser. */
const MOST_TICKS = 400

export interface TapeTicks {
  /** Where a tick stands and how far it reaches over the tape, as a share of its height. */
  readonly ticks: readonly { readonly at: number; readonly share: number }[]
  /** Whole units with a numeral. */
  readonly numerals: readonly { readonly at: number; readonly number: number }[]
}

/**
 * The marks of a measuring tape from 0, never more than some hundreds whatever it is long.
 * @param length of the tape, in drawing units
 * @param unit length of a centimetre or inch, in drawing units
 * @param parts ticks to a unit: 10 millimetres, or 8 eighths
 * @param room the least distance between numerals, in drawing units
 */
export function tapeTicks(length: number, unit: number, parts: number, room: number): TapeTicks {
  if (!(length > 0 && unit > 0 && Number.isFinite(length))) return { ticks: [], numerals: [] }
  const whole = Math.floor(length / unit + 1e-6)
  const finest = (length / unit) * parts
  // A tick stands for 1, 10, 100… parts: the finest that are still few enough.
  const step = 10 ** Math.max(0, Math.ceil(Math.log10(finest / MOST_TICKS)))
  const ticks = []
  for (let part = step; (part * unit) / parts < length - 1e-6; part += step) {
    const share = part % (parts * step) === 0 ? 0.42 : part % ((parts * step) / 2) === 0 ? 0.32 : 0.18
    ticks.push({ at: (part * unit) / parts, share })
  }
  const every = Math.max(1, Math.ceil(room / unit), Math.ceil(whole / MOST_TICKS))
  const numerals = []
  for (let number = every; number <= whole; number += every) numerals.push({ at: number * unit, number })
  return { ticks, numerals }
}
