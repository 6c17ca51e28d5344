import {
  validateEvidence,
  learnFromPiece,
  LIMITS,
  type CopyRecord,
  type Plan,
  type PieceSpec,
} from '../../../core/index.ts'
import { readingOf } from '../check/checkDraft.ts'
import { freshId } from '../../store/database.ts'
import { keepFinished } from '../../store/keepFinished.ts'
import { useReadings, useTrackRecord, type PieceView } from '../../store/queries.ts'
import { useRemembered } from '../../store/remembered.ts'
import { EdgeFields } from '../../ui/EdgeFields.tsx'
import { NumberCell } from '../../ui/NumberCell.tsx'
import { RecordSentence } from '../../ui/RecordSentence.tsx'
import { refusalOf } from '../../ui/refusal.ts'
import { say } from '../../ui/toasts.tsx'
import { useSizes } from '../../ui/useSizes.ts'
import { percent } from '../../ui/wording.ts'

interface MeasureFinishedProps {
  readonly view: PieceView
  readonly copy: CopyRecord
  readonly plan: Plan
  readonly spec: PieceSpec
}

interface FinishedDraft {
  readonly across?: number
  readonly acrossTurned?: number
  readonly edge: 'flat' | 'standsUp' | 'waves'
  readonly standsUp?: number
  readonly much: 'little' | 'lot'
}

/** What the finished piece really measures: kept beside what was foretold, and taught to its gauge. */
export function MeasureFinished({ view, copy, plan, spec }: MeasureFinishedProps) {
  const { project, piece, gauge } = view
  const sizes = useSizes()
  const readings = useReadings(copy.id)
  const record = useTrackRecord()
  const [draft, setDraft] = useRemembered<FinishedDraft>(
    `finished:${copy.id}`,
    { edge: 'flat', much: 'little' },
    say,
  )
  if (!readings || !draft) return null
  const known = readings.findLast(({ afterRound }) => afterRound === plan.rounds.length)
  const length = {
    format: sizes.bare,
    parse: sizes.between(...LIMITS.across),
    unit: sizes.unit,
    step: sizes.unit === 'in' ? sizes.step : 1,
    takes: 'length' as const,
  }
  const across = draft.across ?? known?.across[0]
  const far = across !== undefined && Math.abs(Math.log(across / plan.finished.across)) > Math.log(1.5)
  const name = piece.quantity > 1 ? `${project.name} no. ${copy.number}` : project.name
  const reading =
    across === undefined
      ? undefined
      : readingOf(
          { ...draft, across, acrossTurned: draft.acrossTurned ?? known?.across[1], counts: {} },
          {
            id: known?.id ?? 'draft',
            copyId: copy.id,
            at: Date.now(),
            planVersion: copy.planVersion,
            afterRound: plan.rounds.length,
          },
        )
  const evidence = reading && learnFromPiece(reading, plan, spec, name)
  const fault = evidence && refusalOf(() => validateEvidence(evidence, gauge), sizes.speech)
  const ready = evidence !== undefined && fault === undefined && !far
  const keep = async () => {
    if (!reading || !evidence || !ready) return
    const kept = { ...reading, id: known?.id ?? freshId() }
    await keepFinished(kept, gauge, evidence)
    say(`${gauge.name} has learned from it.`, {
      label: 'Undo',
      run: () => void keepFinished(known ?? kept, gauge),
    })
  }
  return (
    <section aria-label="What it measures" className="grid max-w-3xl gap-3 border-y-2 rule py-4">
      <h2 className="text-26">What does it measure?</h2>
      <div className="grid grid-cols-2 border-2 rule max-sm:grid-cols-1">
        <NumberCell
          {...length}
          label="Across"
          value={across}
          fault={
            far
              ? `${sizes.full(across)} is far from the ${sizes.full(plan.finished.across)} foretold. Check the tape and its unit.`
              : fault?.path === 'across'
                ? fault.text
                : undefined
          }
          onChange={(next) => setDraft({ ...draft, across: next })}
        />
        <NumberCell
          {...length}
          className="border-l rule max-sm:border-t max-sm:border-l-0"
          label="A quarter turn on"
          value={draft.acrossTurned ?? known?.across[1]}
          onChange={(acrossTurned) => setDraft({ ...draft, acrossTurned })}
          onClear={() => setDraft({ ...draft, acrossTurned: undefined })}
        />
      </div>
      <EdgeFields
        draft={draft}
        set={(part) => setDraft({ ...draft, ...part })}
        fault={fault?.path === 'edge' ? fault.text : undefined}
      />
      <p className="text-18" role="status">
        {across !== undefined && !far && (
          <>
            <strong>
              {percent(Math.abs(across / plan.finished.across - 1))}{' '}
              {across >= plan.finished.across ? 'larger' : 'smaller'} than foretold.
            </strong>{' '}
          </>
        )}
        <RecordSentence record={record} />
      </p>
      <div>
        <button type="button" className="button-ink" disabled={!ready} onClick={() => void keep()}>
          {known ? 'Keep it anew' : 'Keep it'}
        </button>
      </div>
    </section>
  )
}
