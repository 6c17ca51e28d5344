import {
  STITCHES,
  yarnsIn,
  type HeldYarns,
  type Lie,
  type StitchName,
  type Terms,
  type YarnRecord,
} from '../../core/index.ts'
import { thousands } from '../ui/thousands.ts'

/** "46 min", "1 h 06", "2 h 14". */
export function duration(seconds: number): string {
  const minutes = Math.max(1, Math.round(seconds / 60))
  if (minutes < 60) return `${minutes} min`
  return `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, '0')}`
}

export const shortName = (stitch: StitchName, terms: Terms): string => STITCHES[stitch].short[terms]

export const sts = (count: number): string => `${thousands(count)} ${count === 1 ? 'st' : 'sts'}`

/** How the edge lies, as it ends a sentence. */
export const LIE_WORDS: Record<Lie, string> = {
  cups: 'and cups',
  dished: 'slightly dished',
  flat: 'flat',
  softWave: 'with a soft wave',
  ruffles: 'and ruffles',
}

export const percent = (share: number): string => `${(share * 100).toFixed(1)}%`

/** Yarns held together, by their names: "Fog + Soot". */
export const yarnNames = (yarns: readonly YarnRecord[], held: HeldYarns): string =>
  yarnsIn(held)
    .map((id) => yarns.find((yarn) => yarn.id === id)?.name ?? '')
    .join(' + ')
