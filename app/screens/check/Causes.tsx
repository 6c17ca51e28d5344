import type { Diagnosis, PieceReading, PieceSpec, WayOut } from '../../../core/index.ts'
import { NumberCell } from '../../ui/NumberCell.tsx'
import { parseWhole } from '../../ui/parseCount.ts'
import { sayAllPromised, sayBare } from '../../words/measureWords.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { causeSentence, likelihood, lookSentence, undecidedSentence } from '../../words/checkWords.ts'
import { LIE_WORDS, percent } from '../../words/wording.ts'
import { roundTitle } from '../../words/roundWords.ts'

interface CausesProps {
  readonly diagnosis: Diagnosis
  readonly spec: PieceSpec
  readonly unchanged: WayOut
  /** The round whose count is asked for beside the measurement already. */
  readonly afterRound: number
  readonly counts: Readonly<Record<number, number>>
  readonly onCount: (round: number, count: number) => void
  readonly onJoin: (join: NonNullable<PieceReading['join']>) => void
}

const JOINS: readonly (readonly [NonNullable<PieceReading['join']>, string])[] = [
  ['worked', 'A stitch is worked into it'],
  ['skipped', 'The first stitch is skipped'],
  ['right', 'Neither'],
]

/** Causes below this are not worth a line. */
const WORTH_SAYING = 0.03

/** What it means: the causes by how well they explain it, the look that parts them, and what comes of it. */
export function Causes({ diagnosis, spec, unchanged, afterRound, counts, onCount, onJoin }: CausesProps) {
  const sizes = useSizes()
  const { causes, hands, look, undecided, size, uneven, polygon } = diagnosis
  const over = sizes.gaugeOver.millimetres
  const said = causes
    .filter(({ probability }, index) => index === 0 || probability >= WORTH_SAYING)
    .slice(0, 3)
  const { plan } = unchanged
  const { finished } = plan
  const wall = finished.lie === undefined
  const pair = ({ w, h }: { w: number; h: number }) =>
    `${(over / w).toFixed(1)} sts × ${(over / h).toFixed(1)} rnds`
  return (
    <section
      aria-label="What it means"
      className="grid min-w-0 content-start gap-2 text-18"
      aria-live="polite"
    >
      <ol className="grid gap-1">
        {said.map((cause, index) => (
          <li key={cause.kind} className={index === 0 ? 'font-bold' : 'text-ink-2'}>
            {causeSentence(cause, hands, plan, wall)}{' '}
            <span className="font-normal whitespace-nowrap">{capital(likelihood(cause.probability))}.</span>
          </li>
        ))}
      </ol>
      {uneven !== undefined && (
        <p className="fault">
          The two diameters differ by {percent(uneven)}: more than the increases explain. Measure both again.
        </p>
      )}
      {polygon && (
        <p>
          Corners and flats differ by {percent(polygon.share)}: stacked increases make {polygon.sides} sides.
          Their mean counts. Stagger the increases for a rounder edge.
        </p>
      )}
      {undecided && <p className="font-bold">{undecidedSentence(diagnosis, plan)}</p>}
      {look && (
        <div className="flex flex-wrap items-stretch gap-x-4 gap-y-2">
          <p className="self-center">
            <strong>To be sure:</strong> {lookSentence(look, plan)}
          </p>
          {look.kind === 'countRound' && look.round !== afterRound && (
            <div className="border-2 rule">
              <NumberCell
                label={`${roundTitle(plan, look.round)} has`}
                value={counts[look.round]}
                format={String}
                parse={parseWhole(1, 100_000, 'what you count')}
                unit="sts"
                onChange={(count) => onCount(look.round, count)}
              />
            </div>
          )}
          {look.kind === 'lookAtJoin' && (
            <div className="flex flex-wrap gap-2" role="group" aria-label="What the join shows">
              {JOINS.map(([join, words]) => (
                <button key={join} type="button" className="button-line" onClick={() => onJoin(join)}>
                  {words}
                </button>
              ))}
            </div>
          )}
        </div>
      )}
      <dl className="grid grid-cols-[5rem_1fr] text-16">
        <dt className="text-ink-2">Gauge</dt>
        <dd className="slab">{pair(spec.gauge)}</dd>
        <dt className="text-ink-2">Here</dt>
        <dd className="slab">{pair(size)}</dd>
      </dl>
      <p className="slab text-21 leading-tight">
        Unchanged, it ends at{' '}
        {wall ? sayAllPromised(finished.promises, sizes) : sayBare(finished.promises[0]!, sizes)}
        {finished.height > 3
          ? ` with the edge up ${sizes.full(finished.height)}`
          : finished.lie && `, ${LIE_WORDS[finished.lie]}`}
        .
      </p>
    </section>
  )
}

const capital = (text: string) => text[0]!.toUpperCase() + text.slice(1)
