import { useState } from 'react'
import { Link, useParams } from 'react-router'
import {
  placesIn,
  roundsMade,
  tailsOf,
  type Constraints,
  type Plan,
  type PieceSpec,
  type WorkshopSettings,
  type YarnRecord,
} from '../../../core/index.ts'
import { useStored } from '../../store/liveQueries.ts'
import { usePiece, useSettings, useYarns, type PieceView } from '../../store/queries.ts'
import { useRemembered } from '../../store/remembered.ts'
import { readWorkState } from '../../store/workSession.ts'
import { Header } from '../../ui/Header.tsx'
import { NotHere, Opening } from '../../ui/Opening.tsx'
import { Select } from '../../ui/Select.tsx'
import { say } from '../../ui/toasts.tsx'
import { usePageTitle } from '../../ui/usePageTitle.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { closingWords } from '../../words/closingWords.ts'
import { jointName } from '../../words/finishWords.ts'
import { pieceCautions } from '../../words/pieceCautions.ts'
import { pieceAddress, pieceTitle } from '../../words/pieceWords.ts'
import { PLACE_WORDS, placeAt, placeName } from '../../words/placeWords.ts'
import { planFor } from './planFor.ts'
import { copyGroups, isSheetOptions, USUAL_SHEET } from './sheetOptions.ts'
import { TrackerSheet } from './TrackerSheet.tsx'
import { WrittenPattern } from './WrittenPattern.tsx'

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
  const { piece, gauge } = view
  const sizes = useSizes()
  const [options, keep] = useRemembered('sheet', USUAL_SHEET, say, isSheetOptions)
  const [group, setGroup] = useState(0)
  const made = useRoundsMade(view)
  const planned = planFor(view, settings.pace)
  if (!planned)
    return <p className="p-7 text-18">The piece cannot be planned as it is. Open its plan to see why.</p>
  if (!options || !made) return <Opening />
  const { plan, spec } = planned
  const closing = closingWords(spec, plan, sizes)
  const groups = copyGroups(piece.quantity)
  return (
    <main className="grid grid-cols-[minmax(0,1fr)] gap-4 px-7 py-4 max-sm:px-4 print:block print:p-0">
      <div className="flex flex-wrap items-end gap-x-5 gap-y-3 print:hidden">
        <Select
          label="Paper"
          value={options.paper}
          onChange={(paper) => keep({ ...options, paper: paper === 'Letter' ? 'Letter' : 'A4' })}
          choices={[
            ['A4', 'A4'],
            ['Letter', 'Letter'],
          ]}
        />
        <Select
          label="Print"
          value={options.large ? 'large' : 'normal'}
          onChange={(print) => keep({ ...options, large: print === 'large' })}
          choices={[
            ['normal', 'Normal'],
            ['large', 'Large'],
          ]}
        />
        <Select
          label="Boxes"
          value={options.repeats ? 'repeats' : 'rounds'}
          onChange={(boxes) => keep({ ...options, repeats: boxes === 'repeats' })}
          choices={[
            ['rounds', 'A round'],
            ['repeats', 'A round, and a repeat'],
          ]}
        />
        {groups.length > 1 && (
          <Select
            label="Copies"
            value={String(group)}
            onChange={(next) => setGroup(Number(next))}
            choices={groups.map((some, index) => [String(index), `${some[0]} to ${some.at(-1)}`] as const)}
          />
        )}
        <button type="button" className="button-ink" onClick={() => window.print()}>
          Print
        </button>
        <Link className="button-line" to={`${pieceAddress(view, 'work')}?paper`}>
          Back from paper: where I am
        </Link>
      </div>
      <TrackerSheet
        {...{ view, plan, spec, yarns, settings, options, made }}
        copies={groups[group] ?? groups[0]!}
        cautions={pieceCautions(piece, gauge, yarns)}
      >
        {closing && <p className="break-inside-avoid pt-2 text-[0.9em]">{closing}</p>}
        <Places plan={plan} constraints={piece.constraints} />
        <Tails view={view} spec={spec} />
      </TrackerSheet>
      <p className="text-16 print:hidden">
        <Link
          className="inline-flex min-h-11 items-center underline underline-offset-4"
          to={pieceAddress(view, 'block')}
        >
          Its outline at true size, to block it on
        </Link>
      </p>
      <div className="max-w-4xl print:hidden">
        <WrittenPattern view={view} plan={plan} spec={spec} yarns={yarns} />
      </div>
    </main>
  )
}

/** Rounds that are whole, by copy: what is ticked when the sheet is printed. */
function useRoundsMade({ piece, copies, versions }: PieceView): ReadonlyMap<number, number> | undefined {
  return (
    useStored(['rounds made', piece.id], ['events', 'logBlocks', 'copies'], async () => {
      const made = await Promise.all(
        copies.map(async (copy) => {
          const { position, finished, planVersion } = await readWorkState(copy)
          const plan = versions.find(({ version }) => version === planVersion)?.plan
          if (!plan) return [copy.number, 0] as const
          return [copy.number, finished ? plan.rounds.length : roundsMade(plan, position)] as const
        }),
      )
      return new Map(made)
    }) ?? undefined
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
    <ul aria-label="Tails" className="break-inside-avoid pt-2 text-[0.9em]">
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
    <ul aria-label="Places" className="break-inside-avoid pt-2 text-[0.9em]">
      {places.map((one) => (
        <li key={`${one.index}-${one.half ?? 0}`}>
          <strong>{placeAt(one, plan.rounds[one.round - 1]!)}</strong>:{' '}
          {PLACE_WORDS[one.place.kind].does(placeName(one))}
        </li>
      ))}
    </ul>
  )
}
