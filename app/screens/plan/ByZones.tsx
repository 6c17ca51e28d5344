import {
  chainsAlong,
  kindOf,
  STITCHES,
  writeSteps,
  zonesOf,
  type PlannedRound,
  type Terms,
  type ZoneCount,
} from '../../../core/index.ts'
import { ZONE_WORDS } from '../../words/zoneWords.ts'

/** Whether something of a round happens in one of its zones and not in the others. */
export const hasShaping = (round: PlannedRound): boolean =>
  zonesOf(round).length > 0 && round.steps.some(({ ops }) => ops.some((op) => kindOf(op) !== 'work'))

const COLUMNS = 'grid grid-cols-[2.6rem_minmax(0,1fr)_2.6rem_minmax(0,6.4rem)] items-baseline gap-x-2'

/** What the columns of rounds are that are told zone by zone. */
export function ZoneHeads({ zones }: { readonly zones: readonly ZoneCount[] }) {
  return (
    <span className={COLUMNS}>
      {zones.map(({ zone }, index) => (
        <span key={index}>{ZONE_WORDS[zone]}</span>
      ))}
    </span>
  )
}

interface ByZonesProps {
  readonly round: PlannedRound
  readonly terms: Terms
}

/** A round zone by zone: plain stretches by their count, shaped ones by their steps, and one as before in so few words. */
export function ByZones({ round, terms }: ByZonesProps) {
  const zones = zonesOf(round)
  const first = chainsAlong(round) !== undefined
  const texts = zones.map(({ steps, count }, index) => {
    if (steps.every(({ ops }) => ops.every((op) => kindOf(op) === 'work')) && !(first && index % 2)) {
      return String(count)
    }
    if (!first) return writeSteps(steps, terms)
    return `${count} ${STITCHES[round.stitch].short[terms]} in ${index === 1 ? 'last' : 'first'} ch`
  })
  return (
    <span className={COLUMNS}>
      {zones.map(({ zone }, index) => {
        const before = texts.indexOf(texts[index]!)
        const again = before < index && Number.isNaN(Number(texts[index]))
        return (
          <span key={index}>
            <span className="visually-hidden">{ZONE_WORDS[zone]}: </span>
            {again ? `as ${ZONE_WORDS[zones[before]!.zone]}` : texts[index]}
          </span>
        )
      })}
    </span>
  )
}
