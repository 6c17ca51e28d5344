import { Check } from 'lucide-react'
import type { ReactNode } from 'react'
import {
  familyOf,
  hookInUse,
  hookLetter,
  sameYarns,
  writeRound,
  yarnsIn,
  type Caution,
  type PieceSpec,
  type Plan,
  type PlannedRound,
  type Promised,
  type WorkshopSettings,
  type YarnRecord,
} from '../../../core/index.ts'
import { EdgeRuler } from '../../drawing/EdgeRuler.tsx'
import { OnePiece, sizeOnLedge } from '../../drawing/OnLedge.tsx'
import { YarnSign } from '../../drawing/YarnSign.tsx'
import type { PieceView } from '../../store/queries.ts'
import { usePaper } from '../../ui/usePaper.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { CautionList } from '../../words/CautionList.tsx'
import { USE_WORDS } from '../../words/cautionWords.ts'
import { wordsOf } from '../../words/formWords.ts'
import { isGuess, MEASURE_WORDS, sayAllPromised, sayBare, sayRange } from '../../words/measureWords.ts'
import { pieceTitle } from '../../words/pieceWords.ts'
import { roundsNoun } from '../../words/roundWords.ts'
import { duration } from '../../words/wording.ts'
import type { SheetOptions } from './sheetOptions.ts'

interface TrackerSheetProps {
  readonly view: PieceView
  readonly plan: Plan
  readonly spec: PieceSpec
  readonly yarns: readonly YarnRecord[]
  readonly settings: WorkshopSettings
  readonly options: SheetOptions
  /** Numbers of the copies that have boxes. */
  readonly copies: readonly number[]
  /** Rounds that are whole, by copy. */
  readonly made: ReadonlyMap<number, number>
  readonly cautions: readonly Caution[]
  /** How it is finished, what to leave, where things go. */
  readonly children: ReactNode
}

/** The usable length of a sheet, mm. */
const RULER = { A4: 260, Letter: 240 } as const
const PAGES = {
  A4: '@page { size: A4; margin: 10mm 11mm 10mm 7mm }',
  Letter: '@page { size: Letter; margin: 10mm 11mm 10mm 7mm }',
} as const
const DRAWN = { width: 150, height: 96 }
/** More repeats than this are no row of boxes. */
const MOST_BOXES = 30
const NO_COLOURS: ReadonlyMap<string, string> = new Map()

/** The piece on paper, black on white: a row a round with boxes to tick, a ruler down the edge, room to write. */
export function TrackerSheet(props: TrackerSheetProps) {
  const { view, plan, spec, yarns, settings, options, copies, made, cautions, children } = props
  const { piece, gauge } = view
  const sizes = useSizes()
  usePaper(PAGES[options.paper])
  const over = sizes.gaugeOver.millimetres
  const hook = hookInUse(spec, gauge)
  const letter = hookLetter(hook)
  const nameOf = (id: string) => yarns.find((yarn) => yarn.id === id)?.name ?? '?'
  const used = plan.yarn.map(({ yarn, metres }) => `${nameOf(yarn)}, ${sizes.yarn.full(metres)}`)
  const [first] = plan.finished.promises
  const hangs = wordsOf(piece.form).hangs === true
  const drawn = sizeOnLedge(plan)
  const scale = Math.min(DRAWN.width / drawn.width, DRAWN.height / drawn.height)
  return (
    <article
      aria-label="The sheet"
      className="relative w-full bg-white px-4 py-4 text-black max-sm:px-3 sm:min-h-[276mm] sm:pl-[17mm] print:min-h-0 print:p-0 print:pl-[15mm]"
      style={{
        maxWidth: options.paper === 'A4' ? '210mm' : '216mm',
        fontSize: options.large ? '1.3rem' : '1rem',
      }}
    >
      <div className="absolute top-4 left-2 max-sm:hidden print:fixed print:top-0 print:left-0">
        <EdgeRuler long={RULER[options.paper]} inches={sizes.unit === 'in'} />
      </div>
      <header className="flex items-start justify-between gap-4 border-b-2 border-black pb-2">
        <div className="min-w-0">
          <h1 className="text-[2em] [overflow-wrap:anywhere]">{pieceTitle(view)}</h1>
          <p className="text-[0.9em]">
            {sayAllPromised(plan.finished.promises, sizes)}
            {piece.quantity > 1 && `, ${piece.quantity} times`} · {hook} mm
            {letter ? ` (${letter})` : ''} · {(over / spec.gauge.w).toFixed(1)} sts,{' '}
            {(over / spec.gauge.h).toFixed(1)} rnds in {sizes.gaugeOver.label}
          </p>
          <p className="text-[0.9em]">
            {used.join('; ')} · {duration(plan.seconds)} · {settings.terms} terms
            {piece.fitness.uses.length > 0 &&
              ` · for: ${piece.fitness.uses.map((use) => USE_WORDS[use].toLowerCase()).join(', ')}`}
          </p>
        </div>
        {first && (
          <figure className="shrink-0 text-center max-sm:hidden">
            <span
              className="relative block"
              style={{ width: drawn.width * scale, height: drawn.height * scale }}
            >
              <OnePiece
                plan={plan}
                width={drawn.width * scale}
                height={drawn.height * scale}
                yarns={NO_COLOURS}
                finished
                detailed
                mirrored={settings.hand === 'left'}
                hangs={hangs}
              />
            </span>
            <figcaption className="mt-1 border-t border-black text-[0.9em] font-bold">
              {isGuess(plan) ? sayRange(first, sizes) : sizes.full(first.value)}{' '}
              {MEASURE_WORDS[first.of].after}
            </figcaption>
          </figure>
        )}
      </header>
      <Rounds
        {...{ plan, spec, settings, options, copies, made }}
        yarnName={nameOf}
        labelOf={(copy) => labelOf(view, copy)}
      />
      {children}
      {cautions.length > 0 && (
        <section aria-label="Cautions" className="mt-2 text-[0.9em]">
          <CautionList cautions={cautions} read={[]} />
        </section>
      )}
      <section aria-label="As worked" className="break-inside-avoid pt-2 max-sm:hidden print:block">
        <p className="text-[0.9em]">As worked:</p>
        {[1, 2].map((line) => (
          <div key={line} className="h-[8mm] border-b border-[#8fa4a8]" />
        ))}
      </section>
      <p className="pt-2 text-right text-[0.9em] max-sm:hidden print:block">
        Uzel · lay a ruler on the edge: {sizes.unit === 'in' ? '4 must be 4 in' : '10 must be 10 cm'}
      </p>
    </article>
  )
}

/** "L" and "R" of a pair, else the copy's number. */
const labelOf = ({ piece }: PieceView, copy: number): string =>
  (familyOf(piece.form).pair || familyOf(piece.form).two) && piece.quantity === 2
    ? copy === 1
      ? 'L'
      : 'R'
    : String(copy)

type RoundsProps = Pick<TrackerSheetProps, 'plan' | 'spec' | 'settings' | 'options' | 'copies' | 'made'> & {
  readonly yarnName: (id: string) => string
  readonly labelOf: (copy: number) => string
}

function Rounds({ plan, spec, settings, options, copies, made, yarnName, labelOf: label }: RoundsProps) {
  const sizes = useSizes()
  const order = plan.yarn.map(({ yarn }) => yarn)
  // One kind of size needs no word for what it is; several do.
  const kinds = new Set(plan.checkpoints.flatMap(({ promises }) => promises.map(({ of }) => of)))
  const saidAt = (promises: readonly Promised[]) =>
    kinds.size === 1
      ? [sayBare(promises[0]!, sizes)]
      : promises.map((promise) => sayAllPromised([promise], sizes))
  const written = plan.rounds.map((round, index) =>
    writeRound(round, {
      spec,
      terms: settings.terms,
      below: plan.rounds[index - 1],
      above: plan.rounds[index + 1],
    }),
  )
  // What begins and ends most rounds is said once.
  const usual = {
    start: mostOf(written.map(({ start }) => start)),
    end: mostOf(written.map(({ end }) => end)),
  }
  const always = [usual.start, usual.end].filter(Boolean)
  return (
    <>
      {always.length > 0 && (
        <p className="pt-1 text-[0.9em]">
          Every {roundsNoun(plan) === 'rows' ? 'row' : 'round'}: <strong>{always.join(', …, ')}</strong>; what
          is more is said.
        </p>
      )}
      {familyOf(spec.form).pair && copies.length > 1 && (
        <p className="pt-1 text-[0.9em]">
          R is the mirror image of L: <strong>work what each round says from its end to its beginning</strong>
          , with the same counts.
        </p>
      )}
      <table className="w-full border-collapse text-left">
        <caption className="visually-hidden">Rounds</caption>
        <thead>
          <tr className="border-b border-black text-[0.9em] [&>th]:pt-1 [&>th]:pr-3 [&>th]:pb-1 [&>th]:font-normal">
            <th scope="col">{roundsNoun(plan) === 'rows' ? 'Row' : 'Rnd'}</th>
            <th scope="col">what to work</th>
            <th scope="col" className="text-right">
              sts
            </th>
            {copies.map((copy) => (
              <th key={copy} scope="col" className="text-center font-bold! max-sm:hidden print:table-cell">
                {label(copy)}
              </th>
            ))}
            <th scope="col">measure, note</th>
          </tr>
        </thead>
        <tbody className="tabular">
          {plan.rounds.map((round, index) => {
            const below = plan.rounds[index - 1]
            const { start, body, end } = written[index]!
            const told = [start === usual.start ? '' : start, body, beyondUsual(end, usual.end)]
            const checkpoint = plan.checkpoints.find(({ afterRound }) => afterRound === round.number)
            const newYarn = !below || !sameYarns(below, round)
            return (
              <tr
                key={round.number}
                className="break-inside-avoid border-b border-[#8fa4a8] align-middle [&>*]:py-[0.18em] [&>*]:pr-3"
              >
                <th scope="row" className="slab text-[1.35em] leading-none whitespace-nowrap">
                  {round.number}
                  {newYarn && order.length > 1 && <YarnSign index={order.indexOf(yarnsIn(round)[0]!)} />}
                </th>
                <td className="leading-snug">
                  {newYarn && <strong>{yarnsIn(round).map(yarnName).join(' + ')}. </strong>}
                  {told.filter(Boolean).join('; ')}.{options.repeats && <RepeatBoxes round={round} />}
                </td>
                <td className="slab text-right text-[1.35em] leading-none">{round.count}</td>
                {copies.map((copy) => (
                  <td key={copy} className="w-[9mm] text-center max-sm:hidden print:table-cell">
                    <Box ticked={(made.get(copy) ?? 0) >= round.number} />
                  </td>
                ))}
                <td className="w-[38mm] max-sm:w-28">
                  {checkpoint && checkpoint.promises.length > 0 ? (
                    <span className="block border-2 border-black px-1 leading-snug font-bold whitespace-nowrap max-sm:whitespace-normal">
                      {saidAt(checkpoint.promises).map((said) => (
                        <span key={said} className="block">
                          {said}
                        </span>
                      ))}
                    </span>
                  ) : null}
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
    </>
  )
}

/** How a round ends, as far as it is not as most end. */
function beyondUsual(end: string, usual: string | undefined): string {
  if (usual === undefined || !end.startsWith(usual)) return end
  return end.slice(usual.length).replace(/^[,;]\s*/, '')
}

/** What comes most often, if it does in more than half of them. */
function mostOf(words: readonly string[]): string | undefined {
  const counts = new Map<string, number>()
  for (const one of words) counts.set(one, (counts.get(one) ?? 0) + 1)
  const [most] = [...counts].toSorted((one, other) => other[1] - one[1])
  return most && most[1] > words.length / 2 ? most[0] : undefined
}

/** A box for every repeat of a round that has nothing else. */
function RepeatBoxes({ round: { steps } }: { readonly round: PlannedRound }) {
  const [step] = steps
  const times = steps.length === 1 ? step!.times : 0
  if (times < 2 || times > MOST_BOXES) return null
  return (
    <span aria-hidden className="mt-0.5 flex flex-wrap gap-[1.2mm] max-sm:hidden print:flex">
      {Array.from({ length: times }, (_, index) => (
        <span key={index} className="inline-block size-[3.2mm] border border-black" />
      ))}
    </span>
  )
}

function Box({ ticked }: { readonly ticked: boolean }) {
  return (
    <span className="inline-grid size-[1.15em] place-items-center border-2 border-black align-middle">
      {ticked && <Check aria-label="made" size="1em" strokeWidth={3} />}
    </span>
  )
}
