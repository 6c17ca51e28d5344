import { LIMITS, type Plan } from '../../../core/index.ts'
import { MeasuredSection } from '../../drawing/MeasuredSection.tsx'
import { EdgeFields } from '../../ui/EdgeFields.tsx'
import { NumberCell } from '../../ui/NumberCell.tsx'
import { parseWhole } from '../../ui/parseCount.ts'
import { useElementSize } from '../../ui/useElementSize.ts'
import { useSizes } from '../../ui/useSizes.ts'
import type { CheckDraft } from './checkDraft.ts'

interface CheckFieldsProps {
  readonly draft: CheckDraft
  readonly setDraft: (draft: CheckDraft) => void
  readonly plan: Plan
  readonly afterRound: number
  readonly fault?: { readonly path: string; readonly text: string }
}

/** Where the tape lies, and what it reads. */
export function CheckFields({ draft, setDraft, plan, afterRound, fault }: CheckFieldsProps) {
  const sizes = useSizes()
  const [area, { width }] = useElementSize()
  const set = (part: Partial<CheckDraft>) => setDraft({ ...draft, ...part })
  const at = (path: string) => (fault?.path === path ? fault.text : undefined)
  const length = {
    format: sizes.bare,
    unit: sizes.unit,
    step: sizes.unit === 'in' ? sizes.step : 1,
    takes: 'length' as const,
  }
  const round = plan.rounds[afterRound - 1]!
  const counted = draft.counts[afterRound]
  return (
    <section aria-label="What is measured" className="min-w-0">
      <div ref={area}>
        {width > 0 && (
          <MeasuredSection
            width={width}
            rounds={plan.rounds.slice(0, afterRound)}
            measured={draft.across}
            standsUp={draft.edge === 'standsUp' ? (draft.standsUp ?? 0) : 0}
            sizes={sizes}
          />
        )}
      </div>
      <div className="grid grid-cols-4 border-2 rule max-sm:grid-cols-2 [&>*+*]:border-l [&>*]:rule max-sm:[&>*:nth-child(3)]:border-l-0 max-sm:[&>*:nth-child(n+3)]:border-t">
        <NumberCell
          {...length}
          label="Across"
          parse={sizes.between(...LIMITS.across)}
          value={draft.across}
          fault={at('across')}
          onChange={(across) => set({ across })}
          onClear={() => set({ across: undefined })}
        />
        <NumberCell
          {...length}
          label="A quarter turn on"
          parse={sizes.between(...LIMITS.across)}
          value={draft.acrossTurned}
          onChange={(acrossTurned) => set({ acrossTurned })}
          onClear={() => set({ acrossTurned: undefined })}
        />
        <NumberCell
          {...length}
          label="Around, if you can"
          parse={sizes.between(...LIMITS.around)}
          value={draft.around}
          fault={at('around')}
          onChange={(around) => set({ around })}
          onClear={() => set({ around: undefined })}
        />
        <NumberCell
          label={`Rnd ${afterRound}, planned ${round.count}`}
          value={counted}
          format={String}
          parse={parseWhole(1, 100_000, 'what you count')}
          unit="sts"
          fault={at('count')}
          onChange={(count) => set({ counts: { ...draft.counts, [afterRound]: count } })}
          onClear={() => {
            const { [afterRound]: _, ...counts } = draft.counts
            set({ counts })
          }}
        />
      </div>
      <div className="flex flex-wrap items-end gap-x-6 gap-y-2 pt-2">
        <EdgeFields draft={draft} set={set} fault={at('edge')} />
        <div className="border-2 rule">
          <NumberCell
            {...length}
            label="Hole, if any"
            parse={sizes.between(...LIMITS.hole)}
            value={draft.hole}
            fault={at('hole')}
            onChange={(hole) => set({ hole })}
            onClear={() => set({ hole: undefined })}
          />
        </div>
        {(draft.across !== undefined || Object.keys(draft.counts).length > 0) && (
          <button
            type="button"
            className="min-h-11 text-16 underline"
            onClick={() => setDraft({ edge: 'flat', much: 'little', counts: {} })}
          >
            Clear
          </button>
        )}
      </div>
    </section>
  )
}
