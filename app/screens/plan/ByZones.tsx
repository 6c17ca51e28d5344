import clsx from 'clsx'
import {
  chainsAlong,
  kindOf,
  writeRun,
  writeSteps,
  zonesOf,
  type PlannedRound,
  type Terms,
  type ZoneCount,
} from '../../../core/index.ts'
import { zoneName } from '../../words/zoneWords.ts'

/** Whether something of a round happens in one of its zones and not in the others. */
export const hasShaping = (round: PlannedRound): boolean =>
  zonesOf(round).length > 0 && round.steps.some(({ ops }) => ops.some((op) => kindOf(op) !== 'work'))

const GRID = 'grid items-baseline gap-x-2'
/** A round begins along a side, or the other way round with an end. */
const columnsOf = (zones: readonly ZoneCount[]): string =>
  zones[0]?.zone === 'side'
    ? `${GRID} grid-cols-[3rem_minmax(0,1fr)_2rem_minmax(0,5.4rem)]`
    : `${GRID} grid-cols-[minmax(0,1fr)_2.6rem_minmax(0,7rem)_2rem]`

/** What the columns of rounds are that are told zone by zone. */
export function ZoneHeads({ zones }: { readonly zones: readonly ZoneCount[] }) {
  return (
    <span className={columnsOf(zones)}>
      {zones.map((one, index) => (
        <span key={index}>{zoneName(one)}</span>
      ))}
    </span>
  )
}

interface ByZonesProps {
  /** Rounds that are told together: what changes between them is told from the first to the last. */
  readonly group: readonly PlannedRound[]
  readonly terms: Terms
}

/** A round zone by zone: plain stretches by their count, shaped ones by their steps, and one as before in so few words. */
export function ByZones({ group, terms }: ByZonesProps) {
  const round = group[0]!
  const zones = zonesOf(round)
  const last = zonesOf(group.at(-1)!)
  const first = chainsAlong(round) !== undefined
  const texts = zones.map(({ steps, count }, index) => {
    if (steps.every(({ ops }) => ops.every((op) => kindOf(op) === 'work'))) {
      const other = last[index]!.count
      return `${count}${other === count ? '' : `…${other}`}`
    }
    if (!first) return writeSteps(steps, terms)
    return writeRun(round, round.steps.indexOf(steps[0]!), terms)
  })
  return (
    <span className={columnsOf(zones)}>
      {zones.map((one, index) => {
        const { zone } = one
        const before = texts.indexOf(texts[index]!)
        const again = before < index && !/^\d/.test(texts[index]!)
        return (
          <span key={index} className={clsx(zone === 'back' && 'col-span-2')}>
            {zone !== 'back' && <span className="visually-hidden">{zoneName(one)}: </span>}
            {again ? `as ${zoneName(zones[before]!)}` : texts[index]}
            {zone === 'back' && ' back'}
          </span>
        )
      })}
    </span>
  )
}
