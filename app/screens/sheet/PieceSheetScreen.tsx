import { Link, useParams } from 'react-router'
import {
  FIBRES,
  hookLetter,
  placesIn,
  sameYarns,
  tailsOf,
  writeRound,
  yarnsIn,
  type Constraints,
  type Plan,
  type PieceSpec,
  type Promised,
  type WorkshopSettings,
  type YarnRecord,
} from '../../../core/index.ts'
import { usePiece, useSettings, useYarns, type PieceView } from '../../store/queries.ts'
import { CautionList } from '../../words/CautionList.tsx'
import { USE_WORDS } from '../../words/cautionWords.ts'
import { Header } from '../../ui/Header.tsx'
import { NotHere, Opening } from '../../ui/Opening.tsx'
import { pieceCautions } from '../../words/pieceCautions.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { jointName } from '../../words/finishWords.ts'
import { closingWords } from '../../words/closingWords.ts'
import { sayAllPromised, sayBare } from '../../words/measureWords.ts'
import { duration } from '../../words/wording.ts'
import { planFor } from './planFor.ts'
import { WrittenPattern } from './WrittenPattern.tsx'
import { usePageTitle } from '../../ui/usePageTitle.ts'
import { pieceAddress, pieceTitle } from '../../words/pieceWords.ts'
import { PLACE_WORDS, placeAt, placeName } from '../../words/placeWords.ts'
import { roundsNoun } from '../../words/roundWords.ts'

/** The piece on paper: every round with a box to tick, where to measure, and what to watch. */
export function PieceSheetScreen() {
  const { pieceId } = useParams()
  const view = usePiece(pieceId)
  usePageTitle('Sheet', view ? pieceTitle(view) : undefined)
  const yarns = useYarns()
  const settings = useSettings()
  return (
    <div className="flex min-h-dvh flex-col">
      <div className="print:hidden">
        <Header view={view ?? undefined} />
      </div>
      {(view === undefined || !yarns) && <Opening />}
      {view === null && <NotHere />}
      {view && yarns && <Sheet view={view} yarns={yarns} settings={settings} />}
    </div>
  )
}

interface SheetProps {
  readonly view: PieceView
  readonly yarns: readonly YarnRecord[]
  readonly settings: WorkshopSettings
}

function Sheet({ view, yarns, settings }: SheetProps) {
  const { project, piece, gauge } = view
  const sizes = useSizes()
  const planned = planFor(view, settings.pace)
  if (!planned)
    return <p className="p-7 text-18">The piece cannot be planned as it is. Open its plan to see why.</p>
  const { plan, spec } = planned
  const cautions = pieceCautions(piece, gauge, yarns)
  const over = sizes.gaugeOver.millimetres
  const letter = hookLetter(gauge.hook)
  const name = (id: string) => yarns.find((yarn) => yarn.id === id)
  const closing = closingWords(spec, plan, sizes)
  return (
    <main className="grid max-w-4xl grid-cols-[minmax(0,1fr)] gap-4 px-7 py-4 max-sm:px-4 print:max-w-none print:p-0">
      <div className="flex flex-wrap items-baseline justify-between gap-x-6 gap-y-2">
        <h1 className="min-w-0 text-36 [overflow-wrap:anywhere]">{project.name}</h1>
        <button type="button" className="button-ink print:hidden" onClick={() => window.print()}>
          Print
        </button>
      </div>
      <dl className="grid grid-cols-2 gap-x-8 gap-y-1 text-16 max-sm:grid-cols-[minmax(0,1fr)]">
        <Fact
          name="Size"
          value={`${sayAllPromised(plan.finished.promises, sizes)}${piece.quantity > 1 ? `, ${piece.quantity} times` : ''}`}
        />
        <Fact name="Terms" value={settings.terms} />
        <Fact
          name="Gauge"
          value={`${(over / spec.gauge.w).toFixed(1)} sts by ${(over / spec.gauge.h).toFixed(1)} rnds in ${sizes.gaugeOver.label}`}
        />
        <Fact name="Hook" value={`${gauge.hook} mm${letter ? ` (${letter})` : ''}`} />
        <Fact
          name="Yarn"
          value={plan.yarn
            .map(({ yarn: id, metres }) => {
              const yarn = name(id)
              const fibre = yarn && yarn.fibre !== 'unknown' ? `, ${FIBRES[yarn.fibre].name}` : ''
              return `${yarn?.name ?? '?'}${fibre}, ${sizes.yarn.full(metres)}`
            })
            .join('; ')}
        />
        <Fact name="Time" value={duration(plan.seconds)} />
        {piece.fitness.uses.length > 0 && (
          <Fact name="For" value={piece.fitness.uses.map((use) => USE_WORDS[use].toLowerCase()).join(', ')} />
        )}
      </dl>
      {cautions.length > 0 && (
        <section aria-label="Cautions" className="border-b rule">
          <CautionList cautions={cautions} read={[]} />
        </section>
      )}
      <Rounds plan={plan} spec={spec} settings={settings} yarnName={(id) => name(id)?.name ?? '?'} />
      {closing && <p className="pt-3 text-18">{closing}</p>}
      <p className="pt-3 text-16 print:hidden">
        <Link
          className="inline-flex min-h-11 items-center underline underline-offset-4"
          to={pieceAddress(view, 'block')}
        >
          Its outline at true size, to block it on
        </Link>
      </p>
      <Places plan={plan} constraints={piece.constraints} />
      <Tails view={view} spec={spec} />
      <WrittenPattern view={view} plan={plan} spec={spec} yarns={yarns} />
    </main>
  )
}

/** What to leave where each copy is fastened off: the seams are sewn with it. */
function Tails({ view: { project, piece, pieces }, spec }: { view: PieceView; spec: PieceSpec }) {
  const sizes = useSizes()
  const { finish } = project
  if (!finish) return null
  const tails = Array.from({ length: piece.quantity }, (_, index) => index + 1).flatMap((copy) =>
    tailsOf(finish, { pieceId: piece.id, copy }, spec).map((tail) => ({ copy, ...tail })),
  )
  if (tails.length === 0) return null
  return (
    <ul aria-label="Tails" className="pt-3 text-16">
      {tails.map(({ copy, joint, metres }) => (
        <li key={`${copy} ${joint.id}`}>
          {piece.quantity > 1 && `No. ${copy}: `}Leave a tail of{' '}
          <strong>{sizes.full(Math.ceil(metres * 100) * 10)}</strong> for {jointName(joint, pieces)}.
        </li>
      ))}
    </ul>
  )
}

/** Where marks, holes, loops and parts go, by round and stitch. */
function Places({ plan, constraints }: { plan: Plan; constraints: Constraints }) {
  const places = placesIn(plan, { constraints })
  if (places.length === 0) return null
  return (
    <ul aria-label="Places" className="pt-3 text-16">
      {places.map((one) => (
        <li key={`${one.index}-${one.half ?? 0}`}>
          <strong>{placeAt(one, plan.rounds[one.round - 1]!)}</strong>:{' '}
          {PLACE_WORDS[one.place.kind].does(placeName(one))}
        </li>
      ))}
    </ul>
  )
}

function Fact({ name, value }: { name: string; value: string }) {
  return (
    <div className="flex gap-3 border-b border-hair py-0.5">
      <dt className="w-16 shrink-0 text-ink-2">{name}</dt>
      <dd className="min-w-0">{value}</dd>
    </div>
  )
}

interface RoundsProps {
  readonly plan: Plan
  readonly spec: PieceSpec
  readonly settings: WorkshopSettings
  readonly yarnName: (id: string) => string
}

function Rounds({ plan, spec, settings, yarnName }: RoundsProps) {
  const sizes = useSizes()
  // One kind of size needs no word for what it is; several do.
  const kinds = new Set(plan.checkpoints.flatMap(({ promises }) => promises.map(({ of }) => of)))
  const saidAt = (promises: readonly Promised[]) =>
    kinds.size === 1 ? sayBare(promises[0]!, sizes) : sayAllPromised(promises, sizes)
  return (
    <table className="w-full border-collapse text-left text-16">
      <caption className="visually-hidden">Rounds</caption>
      <thead>
        <tr className="border-b-2 rule text-14 text-ink-2 [&>th]:pr-3 [&>th]:pb-1 [&>th]:font-normal">
          <th scope="col">{roundsNoun(plan) === 'rows' ? 'Row' : 'Rnd'}</th>
          <th scope="col">Work</th>
          <th scope="col" className="text-right">
            sts
          </th>
          <th scope="col">Measure</th>
          <th scope="col" className="max-sm:hidden print:table-cell">
            Done
          </th>
        </tr>
      </thead>
      <tbody className="tabular">
        {plan.rounds.map((round, index) => {
          const below = plan.rounds[index - 1]
          const { start, body, end } = writeRound(round, {
            spec,
            terms: settings.terms,
            below,
            above: plan.rounds[index + 1],
          })
          const checkpoint = plan.checkpoints.find(({ afterRound }) => afterRound === round.number)
          const newYarn = !below || !sameYarns(below, round)
          return (
            <tr
              key={round.number}
              className="break-inside-avoid border-b border-hair align-top [&>*]:py-1 [&>*]:pr-3"
            >
              <th scope="row" className="slab">
                {round.number}
              </th>
              <td>
                {newYarn && <strong>{yarnsIn(round).map(yarnName).join(' + ')}: </strong>}
                {[start, body, end].filter(Boolean).join('; ')}.
              </td>
              <td className="slab text-right">{round.count}</td>
              <td className="whitespace-nowrap max-sm:whitespace-normal print:whitespace-nowrap">
                {checkpoint && saidAt(checkpoint.promises)}
              </td>
              <td className="max-sm:hidden print:table-cell">
                <span aria-hidden className="inline-block size-4 border-2 rule" />
              </td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}
