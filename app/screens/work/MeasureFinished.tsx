import {
  familyOf,
  tapeAt,
  learnFromPiece,
  sizeSeen,
  validateEvidence,
  type CopyRecord,
  type MeasureKind,
  type PieceReading,
  type PieceSpec,
  type Plan,
  type TapePlace,
  lastMeasured,
} from '../../../core/index.ts'
import { readingOf, sizeIn, withSize, type CheckDraft } from '../check/checkDraft.ts'
import { TapeFields } from '../check/TapeFields.tsx'
import { isDisc } from '../../drawing/views/viewOf.ts'
import { freshId } from '../../store/database.ts'
import { keepFinished } from '../../store/keepFinished.ts'
import { useReadings, useTrackRecord, type PieceView } from '../../store/queries.ts'
import { useRemembered } from '../../store/remembered.ts'
import type { EdgeDraft } from '../../ui/edgeDraft.ts'
import { EdgeFields } from '../../ui/EdgeFields.tsx'
import { RecordSentence } from '../../words/RecordSentence.tsx'
import { Select } from '../../ui/Select.tsx'
import { refusalOf } from '../../ui/refusal.ts'
import { say } from '../../ui/toasts.tsx'
import { useSizes } from '../../ui/useSizes.ts'
import { MEASURE_WORDS } from '../../words/measureWords.ts'
import { percent } from '../../words/wording.ts'

interface MeasureFinishedProps {
  readonly view: PieceView
  readonly copy: CopyRecord
  readonly plan: Plan
  readonly spec: PieceSpec
}

interface FinishedDraft extends EdgeDraft {
  readonly washed?: boolean
  readonly sizes: readonly (number | null)[]
}

const NOTHING_YET: FinishedDraft = { edge: 'flat', much: 'little', sizes: [] }

/** So far from what was foretold it is a slip of the pen. */
const FAR = Math.log(1.5)

const TELLS_OF_ITSELF = 'Textured, it tells of itself: it is kept, and its gauge stays as it is.'

/** Whether a part of it is textured: its gauge is that of plain stitches. */
const isTextured = (spec: PieceSpec): boolean =>
  Object.values(spec.sections ?? {}).some((work) => work?.texture !== undefined)

/** What the finished piece really measures: kept beside what was foretold, and taught to its gauge. */
export function MeasureFinished({ view, copy, plan, spec }: MeasureFinishedProps) {
  const { project, piece, gauge } = view
  const sizes = useSizes()
  const readings = useReadings(copy.id)
  const record = useTrackRecord()
  const [draft, setDraft] = useRemembered<FinishedDraft>(
    `finished:${copy.id}`,
    NOTHING_YET,
    say,
    ({ sizes: kept }) => Array.isArray(kept),
  )
  // Filled, its stitches are stretched: it says nothing of the gauge.
  if (!readings || !draft || familyOf(spec.form).closes) return null
  const last = lastMeasured(plan)
  const washed = draft.washed === true
  const knownAs = (state: boolean) =>
    readings.findLast((one) => one.afterRound === last && (one.washed === true) === state)
  const known = knownAs(washed)
  const lies = isDisc(plan)
  // A finished piece is measured at its edge; around what lies flat the count tells.
  const tape = tapeAt(spec.form, plan.rounds[last - 1]!.section).filter(
    ({ of, at, needed }) => at === 'edge' && (of !== 'around' || needed === true),
  )
  const kept = known ? sizesOfSeen(known, tape) : []
  const filled: CheckDraft = {
    ...draft,
    counts: {},
    sizes: tape.map((_, place) => draft.sizes[place] ?? kept[place] ?? null),
  }
  const read = readingOf(
    filled,
    {
      id: known?.id ?? 'draft',
      copyId: copy.id,
      at: Date.now(),
      planVersion: copy.planVersion,
      afterRound: last,
    },
    tape,
    lies,
  )
  const reading: PieceReading | undefined = read && washed ? { ...read, washed: true } : read
  const name = piece.quantity > 1 ? `${project.name} no. ${copy.number}` : project.name
  const offs = plan.finished.promises.flatMap((promised) => {
    const seen = reading && sizeSeen(reading, promised.of)
    // What washing changed is told by what it was before.
    const unwashed = washed ? knownAs(false) : undefined
    const before = (unwashed && sizeSeen(unwashed, promised.of)) ?? promised.value
    return seen === undefined ? [] : [{ promised, seen, off: seen / before - 1 }]
  })
  const far = offs.find(({ off }) => Math.abs(Math.log(1 + off)) > FAR)
  const evidence = reading && learnFromPiece(reading, plan, spec, name)
  const fault = evidence && refusalOf(() => validateEvidence(evidence, gauge), sizes.speech)
  const teaches = !isTextured(spec)
  const ready = reading !== undefined && (!teaches || evidence !== undefined) && fault === undefined && !far
  const farWords =
    far &&
    `${sizes.full(far.seen)} is far from the ${sizes.full(far.promised.value)} foretold. Check the tape and its unit.`
  const keep = async () => {
    if (!reading || !ready) return
    const kept = { ...reading, id: known?.id ?? freshId() }
    await keepFinished(kept, gauge, evidence)
    say(evidence ? `${gauge.name} has learned from it.` : 'What it measures is kept with it.', {
      label: 'Undo',
      run: () => void keepFinished(known ?? kept, gauge),
    })
  }
  return (
    <section aria-label="What it measures" className="grid max-w-3xl gap-3 border-y-2 rule py-4">
      <h2 className="text-26">What does it measure?</h2>
      <div className="max-w-60">
        <Select
          label="It is measured"
          value={washed ? 'washed' : 'worked'}
          onChange={(state) => setDraft({ ...NOTHING_YET, washed: state === 'washed' })}
          choices={[
            ['worked', 'off the hook'],
            ['washed', 'washed and dried'],
          ]}
        />
      </div>
      <div className="grid grid-cols-2 border-2 rule max-sm:grid-cols-1 [&>*+*]:border-l [&>*+*]:rule max-sm:[&>*+*]:border-t max-sm:[&>*+*]:border-l-0">
        <TapeFields
          tape={tape}
          sizeAt={(place) => sizeIn(filled, place)}
          faultAt={(of) => (far?.promised.of === of ? farWords : fault?.path === of ? fault.text : undefined)}
          onSize={(place, size) => setDraft({ ...draft, sizes: withSize(filled, place, size).sizes })}
        />
      </div>
      {lies && (
        <EdgeFields
          draft={draft}
          set={(part) => setDraft({ ...draft, ...part })}
          fault={fault?.path === 'edge' ? fault.text : undefined}
        />
      )}
      <p className="text-18" role="status">
        {!far && offs.length > 0 && (
          <>
            <strong>
              {offs.map(({ promised, off }) => offWords(promised.of, off, lies)).join(', ')} than{' '}
              {washed && knownAs(false) ? 'before its wash' : 'foretold'}.
            </strong>{' '}
          </>
        )}
        {teaches ? <RecordSentence record={record} /> : TELLS_OF_ITSELF}
      </p>
      <div>
        <button type="button" className="button-ink" disabled={!ready} onClick={() => void keep()}>
          {known ? 'Keep it anew' : 'Keep it'}
        </button>
      </div>
    </section>
  )
}

const offWords = (of: MeasureKind, off: number, only: boolean): string => {
  const way = only
    ? off >= 0
      ? 'larger'
      : 'smaller'
    : `${off >= 0 ? 'more' : 'less'} ${MEASURE_WORDS[of].after}`
  return `${percent(Math.abs(off))} ${way}`
}

/** What was kept, place by place of the tape. */
function sizesOfSeen({ seen }: PieceReading, tape: readonly TapePlace[]): (number | null)[] {
  return tape.map(({ of }, place) => {
    const times = tape.slice(0, place).filter((one) => one.of === of).length
    return seen.find((one) => one.of === of)?.values[times] ?? null
  })
}
