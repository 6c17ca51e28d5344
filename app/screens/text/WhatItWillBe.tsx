import { useMemo, type ReactNode } from 'react'
import { MM_PER_INCH, type Plan, type Terms } from '../../../core/index.ts'
import type { PieceRead } from '../../../core/pattern/read/readPattern.ts'
import type { Recognition, Recognised } from '../../../core/pattern/recognise.ts'
import type { Study } from '../../../core/pattern/studyPattern.ts'
import { HalfSection } from '../../drawing/HalfSection.tsx'
import { OnePiece, sizeOnLedge } from '../../drawing/OnLedge.tsx'
import { tapeTicks } from '../../drawing/tapeTicks.ts'
import { isStrip } from '../../drawing/views/viewOf.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { wordsOf } from '../../words/formWords.ts'
import { isGuess, MEASURE_WORDS, sayBare, sayRange } from '../../words/measureWords.ts'
import { roundTitle } from '../../words/roundWords.ts'
import {
  sayChain,
  sayJoins,
  sayNotRecognised,
  sayRepeats,
  sayTerms,
  type Taken,
} from '../../words/patternWords.ts'
import { duration, LIE_WORDS } from '../../words/wording.ts'

interface WhatItWillBeProps {
  readonly study: Study
  readonly terms: Terms
  readonly colours: ReadonlyMap<string, string>
  /** Where terms and the chain are settled by hand. */
  readonly children?: ReactNode
}

/** What a text comes to in the maker's own stitches, and what was taken that it never says. */
export function WhatItWillBe({ study, terms, colours, children }: WhatItWillBeProps) {
  const { read, pieces, tension } = study
  const sizes = useSizes()
  const taken = [sayTerms(read), sayChain(read, terms), sayRepeats(read), sayJoins(read)].filter(
    (one) => one !== undefined,
  )
  return (
    <div className="min-w-0 divide-y divide-ink">
      {pieces.map((recognition, index) => (
        <OnePieceOfIt
          key={index}
          piece={read.pieces[index]!}
          recognition={recognition}
          named={pieces.length > 1}
          colours={colours}
        />
      ))}
      {tension && Math.abs(tension.comes / tension.promised - 1) > 0.02 && (
        <div className="grid gap-2 py-3 text-16">
          <p>
            Its {sizes.full(tension.promised)} wants{' '}
            {((tension.theirs * sizes.gaugeOver.millimetres) / 100).toFixed(1)} sts in {sizes.gaugeOver.label}
            ; yours are {((tension.own * sizes.gaugeOver.millimetres) / 100).toFixed(1)}.
          </p>
          {(tension.hook !== undefined || tension.rounds) && (
            <p>
              {[
                tension.hook === undefined ? '' : `A ${tension.hook} mm hook would meet it`,
                tension.rounds
                  ? `${tension.hook === undefined ? '' : 'or '}${tension.rounds.nearest} rounds instead of ${tension.rounds.written}`
                  : '',
              ]
                .filter(Boolean)
                .join(', ')}
              .
            </p>
          )}
        </div>
      )}
      <div className="py-3">
        <p className="text-14 text-ink-2">
          {taken.every(({ said }) => said) ? 'It says' : 'Not said, taken as'}
        </p>
        {taken.map((one) => (
          <TakenLine key={one.is} taken={one} />
        ))}
        {children}
      </div>
    </div>
  )
}

function TakenLine({ taken: { is, since } }: { readonly taken: Taken }) {
  return (
    <p className="flex flex-wrap items-baseline gap-x-3">
      <span className="slab text-18">{is}</span>
      <span className="text-16 text-ink-2">{since}</span>
    </p>
  )
}

function OnePieceOfIt({
  piece,
  recognition,
  named,
  colours,
}: {
  readonly piece: PieceRead
  readonly recognition: Recognition
  readonly named: boolean
  readonly colours: ReadonlyMap<string, string>
}) {
  const sizes = useSizes()
  const plan = recognition.ok ? recognition.is.plan : undefined
  const guess = plan !== undefined && isGuess(plan)
  return (
    <div className="py-3 first:pt-0">
      {named && (
        <h2 className="text-20">
          {piece.name ?? 'A piece'}
          {piece.quantity > 1 && ` × ${piece.quantity}`}
        </h2>
      )}
      {recognition.ok && plan ? (
        <>
          <Section is={recognition.is} colours={colours} />
          <p className="pt-2 leading-tight">
            {plan.finished.promises.map((promise, index) => (
              <span key={promise.of} className="block text-18">
                <span className={index === 0 ? 'slab text-36' : 'slab text-20'}>
                  {guess ? sayRange(promise, sizes) : sizes.full(promise.value)}
                </span>{' '}
                {MEASURE_WORDS[promise.of].after}
                {index === 0 && plan.finished.lie && `, ${LIE_WORDS[plan.finished.lie]}`}
              </span>
            ))}
          </p>
          <p className="pt-2 text-16">
            <span className="slab text-18">
              {sizes.yarn.full(plan.yarn.reduce((sum, { metres }) => sum + metres, 0))}
            </span>{' '}
            {plan.yarn.length > 1
              ? plan.yarn.map(({ yarn, metres }) => (
                  <span key={yarn} className="mr-2 inline-block whitespace-nowrap">
                    {nameOfYarn(piece, yarn)} {sizes.yarn.full(metres)}
                  </span>
                ))
              : 'of yarn'}
          </p>
          <p className="text-16">
            <span className="slab text-18">{duration(plan.seconds)}</span> at your pace
          </p>
          <Measures plan={plan} />
        </>
      ) : (
        !recognition.ok && <p className="text-16">{sayNotRecognised(recognition.why, piece.rounds)}</p>
      )}
    </div>
  )
}

/** What to measure on the way, and what a tape should find. */
function Measures({ plan }: { readonly plan: Plan }) {
  const sizes = useSizes()
  const onTheWay = plan.checkpoints.filter(
    ({ purpose, promises }) => purpose !== 'finish' && promises.length > 0,
  )
  if (onTheWay.length === 0) return null
  return (
    <ul className="pt-2 text-16">
      {onTheWay.map(({ afterRound, promises }) => (
        <li key={afterRound}>
          {roundTitle(plan, afterRound)}:{' '}
          {isGuess(plan) ? sayRange(promises[0]!, sizes) : sayBare(promises[0]!, sizes)}{' '}
          {MEASURE_WORDS[promises[0]!.of].after}
        </li>
      ))}
    </ul>
  )
}

/** A yarn by the name that the text has for it. */
const nameOfYarn = ({ rounds }: PieceRead, yarn: string): string =>
  rounds.find((round) => round.yarn?.toLowerCase() === yarn)?.yarn ?? 'the first'

const WIDE = 224
const TALLEST = 150
const TAPE = 24

/** Half of it cut through, as it comes to lie, on the tape; a strip as it lies. */
function Section({
  is: { plan, form },
  colours,
}: {
  readonly is: Recognised
  readonly colours: ReadonlyMap<string, string>
}) {
  const sizes = useSizes()
  const strip = isStrip(plan)
  const size = sizeOnLedge(plan)
  const { radius, high } = useMemo(
    () => ({
      radius: Math.max(...plan.rounds.map(({ at }) => at.radius + (at.spine ?? 0) / 2)),
      high: Math.max(0, ...plan.rounds.map(({ at }) => at.z)),
    }),
    [plan],
  )
  const scale = strip
    ? Math.min(WIDE / size.width, TALLEST / size.height)
    : Math.min((WIDE - 14) / radius, TALLEST / Math.max(1, high))
  const { title, hangs = false } = wordsOf(form)
  const kind = (
    <p className="pb-1 text-16">
      {title}
      <span className="text-14 text-ink-2">{strip ? ', as it lies' : ', half of it as it lies'}</span>
    </p>
  )
  if (strip) {
    const drawn = { width: size.width * scale, height: size.height * scale }
    return (
      <div>
        {kind}
        <div className="relative" style={{ height: drawn.height }}>
          <OnePiece
            {...drawn}
            plan={plan}
            yarns={colours}
            finished={false}
            detailed
            mirrored={false}
            hangs={false}
          />
        </div>
      </div>
    )
  }
  const tall = high * scale + 18
  const unit = (sizes.unit === 'in' ? MM_PER_INCH : 10) * scale
  const { ticks, numerals } = tapeTicks(WIDE - 4, unit, 2, 24)
  return (
    <div>
      {kind}
      <svg width={WIDE} height={tall} className="block overflow-visible" aria-hidden>
        <HalfSection
          plan={plan}
          scale={scale}
          axis={4}
          top={hangs ? 8 : tall - 8}
          mirrored
          yarns={colours}
          guess={false}
          hangs={hangs}
        />
      </svg>
      <svg width={WIDE} height={TAPE} className="on-tape block" aria-hidden>
        <rect x={4} width={WIDE - 4} height={TAPE} fill="var(--color-tape)" />
        {ticks.map(({ at, share }) => (
          <path key={at} d={`M${4 + at} 0v${share * TAPE}`} stroke="var(--color-ink)" strokeWidth={1} />
        ))}
        {numerals.map(({ at, number }) => (
          <text
            key={number}
            x={1 + at}
            y={TAPE - 4}
            textAnchor="end"
            fontSize={13}
            className="slab"
            fill="var(--color-ink)"
          >
            {number}
          </text>
        ))}
      </svg>
    </div>
  )
}
