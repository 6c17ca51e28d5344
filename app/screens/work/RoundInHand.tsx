import clsx from 'clsx'
import {
  afterOf,
  belowOf,
  constructionIn,
  hasMotifs,
  kindOf,
  placesIn,
  waitingAt,
  whatIsAhead,
  writeRun,
  writeRound,
  zoneAt,
  type Constraints,
  type Difference,
  type PieceSpec,
  type Plan,
  type PlannedRound,
  type WorkView,
  type ZoneCount,
  yarnsIn,
  zonesOf,
  titleOf,
} from '../../../core/index.ts'
import { useSettings, useYarns } from '../../store/queries.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { useElementSize } from '../../ui/useElementSize.ts'
import { CheckpointAhead } from './CheckpointAhead.tsx'
import { CountBeside, CountTape } from './CountTape.tsx'
import { aheadSentence } from '../../words/aheadSentence.ts'
import { sayWhatDiffers } from '../../words/differenceWords.ts'
import { endingSentence } from '../../words/endingSentence.ts'
import { wordsOf } from '../../words/formWords.ts'
import { alongZone } from '../../words/zoneWords.ts'
import { roundTitle } from '../../words/roundWords.ts'
import { sayPlace } from '../../words/placeWords.ts'
import { sts, yarnNames } from '../../words/wording.ts'
import { RepeatBoxes, repeatSize, RoundNumber } from './RoundHead.tsx'
import { StitchRow } from './StitchRow.tsx'
import { liesOnItsSide } from './stitchRowGeometry.ts'
import { YarnInHand } from './YarnInHand.tsx'

interface RoundInHandProps {
  readonly plan: Plan
  readonly spec: PieceSpec
  /** The piece as it is now: places change no stitch, and are told as soon as they are named. */
  readonly constraints: Constraints
  readonly now: WorkView
  /** Stitches, increases and decreases made in it. */
  readonly unit: number
  /** Taps that take long to be stored. */
  readonly late: number
  /** What this copy is worked otherwise than it was first planned. */
  readonly changes: readonly Difference[]
  /** Whether every tenth stitch asks for both strands. */
  readonly strands: boolean
}

/** Px of the stage from which what the round ends on, and then the piece so far, have room under the work. */
const ROOM_FOR_MORE = 620
const ROOM_FOR_ALL = 690
/** And beside it, with the piece so far drawn as large as it can be there. */
const ROOM_BESIDE = 500
const DRAWN = 190
const DRAWN_SMALL = 130
/** From which on there is room to say how stitches are counted. */
const ROOM_FOR_HOW = 470

/** A strand that was dropped shows after so few stitches. */
const STRANDS_EVERY = 10

/** The round on the hook, legible from across the table. */
export function RoundInHand({
  plan,
  spec,
  constraints,
  now,
  unit,
  late,
  changes,
  strands,
}: RoundInHandProps) {
  const { terms } = useSettings()
  const yarns = useYarns()
  const sizes = useSizes()
  const { round, repeat } = now
  const text = writeRun(round, repeat.step, terms)
  const { ops } = round.steps[repeat.step]!
  const zone = zoneAt(round, now.made)
  // What is taken in stays over the middle of its end by a marker there.
  const marker = zone?.zone === 'toe' && ops.some((op) => kindOf(op) === 'dec') ? ': move its marker up' : ''
  const waiting = waitingAt(plan.rounds, round.number - 1)
  const takenUp = waiting?.takenUpBy
  const waits = waiting && `${sts(waiting.stitches)} wait${takenUp ? ` for ${titleOf(takenUp)}` : ''}`
  const hangs = wordsOf(spec.form).hangs === true
  const { start, end } = writeRound(round, {
    spec,
    terms,
    below: belowOf(plan.rounds, round),
    above: afterOf(plan.rounds, round),
  })
  const [bold, rest] = endingSentence(round, terms)
  const ahead = whatIsAhead(plan.rounds, round.number - 1, placedIn(spec, constraints))
  const place = sayPlace(
    placesIn(plan, { constraints }),
    round.number,
    now.made,
    now.made - (now.units[unit - 1]?.makes ?? 0),
  )
  const change = changes.find((one) => one.round.id === round.id)
  const [stage, room] = useElementSize()
  const lying = liesOnItsSide(room)
  return (
    <div
      ref={stage}
      className="stage flex min-h-0 grow flex-col justify-between gap-1 overflow-hidden pt-3 max-sm:large:gap-0 max-sm:large:pt-1 low:min-h-[26rem] lying:gap-0 lying:pt-0"
    >
      <div className="flex items-start gap-x-10 px-7 max-sm:gap-x-4 max-sm:px-4">
        <RoundNumber round={round} of={plan.rounds.length} />
        <div className="min-w-0 grow pt-[min(1rem,1.5cqh)]">
          <p className={clsx('slab leading-[1.1]', repeatSize(text))}>
            {text.split(/(inc|dec)/).map((part, index) => (
              <span
                key={index}
                className={part === 'inc' ? 'text-inc' : part === 'dec' ? 'text-dec' : undefined}
              >
                {part}
              </span>
            ))}
          </p>
          <RepeatBoxes
            time={repeat.time}
            times={repeat.times}
            where={zone ? `${alongZone(zone)}${marker}${placeIn(zone, round, now.made)}` : waits}
          >
            {plan.yarn.length > 1 && <YarnInHand held={round} yarns={yarns ?? []} />}
          </RepeatBoxes>
          <p className="line-clamp-3 pt-1 text-[clamp(0.875rem,4.5cqh,1.25rem)] text-ink-2 lying:line-clamp-1 max-sm:text-[clamp(0.875rem,3.2cqh,1rem)]">
            {unit === 0 && start ? (
              <strong className="text-ink">Begin: {start}.</strong>
            ) : (
              // Where there is little room, what is to come goes before what is said again at the end.
              end && !(lying && ahead) && <>At the end: {end}.</>
            )}
            {hasMotifs(round) && ' After a chain, work back along it.'}
          </p>
          {change && (
            <p className="pt-1 text-[clamp(0.875rem,4.5cqh,1.25rem)] leading-tight max-sm:text-[clamp(0.875rem,3.2cqh,1rem)]">
              <strong>Otherwise than first planned:</strong> {sayWhatDiffers(change, terms, yarns ?? [])}.
            </p>
          )}
          {place && (
            <p className="pt-1 text-[clamp(0.875rem,5cqh,1.5rem)] leading-tight max-sm:text-[clamp(0.875rem,3.4cqh,1.125rem)]">
              <strong className={clsx(place.startsWith('At') && 'bg-tape px-1')}>{place}</strong>
            </p>
          )}
          {strands && yarnsIn(round).length > 1 && now.made > 0 && now.made % STRANDS_EVERY === 0 && (
            <p className="pt-1 text-[clamp(0.875rem,5cqh,1.5rem)] leading-tight max-sm:text-[clamp(0.875rem,3.4cqh,1.125rem)]">
              <strong className="bg-tape px-1">
                {yarnsIn(round).length === 2 ? 'Both' : `All ${yarnsIn(round).length}`} strands in it?
              </strong>
            </p>
          )}
          {ahead && (
            <p className="line-clamp-3 pt-1 text-[clamp(0.875rem,4.5cqh,1.25rem)] leading-tight lying:line-clamp-2 max-sm:line-clamp-5 max-sm:text-[clamp(0.875rem,3.2cqh,1rem)]">
              <strong>
                {aheadSentence(ahead, {
                  hangs,
                  joined: constructionIn(spec, round.section).rounds.kind === 'joined',
                  nameOf: (held) => yarnNames(yarns ?? [], held),
                  titleOf: (number) => roundTitle(plan, number),
                  terms,
                  sizes,
                })}
              </strong>
            </p>
          )}
        </div>
        {room.height >= ROOM_BESIDE && (
          <CheckpointAhead
            plan={plan}
            unit={unit}
            now={now}
            hangs={hangs}
            size={room.height >= ROOM_FOR_MORE ? DRAWN : DRAWN_SMALL}
            className="max-lg:hidden"
          />
        )}
        {lying && <CountBeside now={now} unit={unit} late={late} />}
      </div>
      <div className="relative lg:pb-3">
        <StitchRow
          units={now.units}
          unit={unit}
          bracket={now.bracket}
          terms={terms}
          roomHeight={room.height}
        />
        <CountTape now={now} unit={unit} roomHeight={room.height} late={late} tagged={!lying} />
        {room.height >= ROOM_BESIDE && (
          <p className="absolute right-7 bottom-5 w-[22rem] text-right text-24 leading-tight max-lg:hidden">
            <strong>{bold}</strong> {rest}
          </p>
        )}
      </div>
      {room.height >= ROOM_FOR_MORE && (
        <div className="flex min-h-0 flex-wrap items-end gap-x-6 gap-y-2 overflow-hidden px-7 pb-3 max-sm:grid max-sm:grow max-sm:grid-rows-[auto_minmax(0,1fr)] max-sm:px-4 lg:hidden">
          <p className="text-24 leading-tight max-sm:text-18">
            <strong>{bold}</strong> {rest}
          </p>
          {room.height >= ROOM_FOR_ALL && (
            <div className="rest">
              <CheckpointAhead plan={plan} unit={unit} now={now} hangs={hangs} size={DRAWN} />
            </div>
          )}
        </div>
      )}
      {room.height >= ROOM_FOR_HOW && (
        <p className="px-7 pb-1 text-[clamp(0.875rem,3cqh,1.125rem)] text-ink-2 max-sm:px-4 lg:hidden lying:hidden">
          <strong className="text-ink">Tap anywhere</strong> for a stitch; pull across to the end of the
          repeat.
        </p>
      )}
      <p className="visually-hidden" role="status">
        {now.made} of {round.count}
      </p>
    </div>
  )
}

/** The spec that a copy is worked to, with the places that its piece has by now. */
const placedIn = (spec: PieceSpec, { places }: Constraints): PieceSpec => ({
  ...spec,
  constraints: { ...spec.constraints, places: places ?? [] },
})

/** ", st 3 of 12": in a zone of the maker's own, of which each may have a marker. */
function placeIn({ zone, name, count }: ZoneCount, round: PlannedRound, made: number): string {
  if (zone !== 'own') return ''
  const zones = zonesOf(round)
  const before = zones
    .slice(
      0,
      zones.findIndex((one) => one.name === name),
    )
    .reduce((sum, one) => sum + one.count, 0)
  return `, st ${made - before + 1} of ${count}`
}
