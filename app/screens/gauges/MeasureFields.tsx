import {
  BODY_STITCHES,
  validateEvidence,
  LIMITS,
  questionOf,
  spoken,
  type FabricState,
  type Loops,
  type StitchName,
} from '../../../core/index.ts'
import { EdgeFields } from '../../ui/EdgeFields.tsx'
import { NumberCell } from '../../ui/NumberCell.tsx'
import { parseCount, parseWhole } from '../../ui/parseCount.ts'
import { Select } from '../../ui/Select.tsx'
import { useSizes } from '../../ui/useSizes.ts'
import { shortName } from '../../words/wording.ts'
import { refusalOf, type Refusal } from '../../ui/refusal.ts'
import type { GaugeModel } from './gaugeModel.ts'
import { evidenceOf, type MeasureDraft } from './measureDraft.ts'

interface FieldsProps {
  readonly model: GaugeModel
  readonly draft: MeasureDraft
  readonly set: (part: Partial<MeasureDraft>) => void
  readonly fault: Refusal | undefined
}

const ROW =
  'grid grid-cols-2 border-2 rule [&>*:nth-child(even)]:border-l [&>*:nth-child(n+3)]:border-t [&>*]:rule'

/** What is counted and measured, by the kind of measurement. */
export function MeasureFields({ model, draft, set, fault }: FieldsProps) {
  const sizes = useSizes()
  const at = (...paths: string[]) => (fault && paths.includes(fault.path) ? fault.text : undefined)
  const count = parseCount(0, 1000, 'a count; fractions are fine')
  const length = { format: sizes.bare, unit: sizes.unit, takes: 'length' as const }
  const across = { ...length, parse: sizes.between(...LIMITS.across) }
  const over = { ...length, parse: sizes.between(...LIMITS.countedOver) }
  if (draft.kind === 'round') {
    return (
      <>
        <div className={ROW}>
          <NumberCell
            label="Rounds"
            value={draft.discRounds}
            format={String}
            parse={parseWhole(2, 60, 'a number of rounds')}
            step={1}
            fault={at('counts')}
            onChange={(rounds) => set({ discRounds: rounds })}
          />
          <NumberCell
            label="More each round"
            value={draft.perRound}
            format={String}
            parse={parseWhole(3, 24, 'stitches more each round')}
            step={1}
            unit={`${draft.perRound * draft.discRounds} at last`}
            onChange={(perRound) => set({ perRound })}
          />
          <NumberCell
            {...across}
            label="Across"
            value={draft.across}
            fault={at('across')}
            onChange={(across) => set({ across })}
            onClear={() => set({ across: undefined })}
          />
          <NumberCell
            {...across}
            label="A quarter turn on"
            value={draft.acrossTurned}
            onChange={(acrossTurned) => set({ acrossTurned })}
            onClear={() => set({ acrossTurned: undefined })}
          />
        </div>
        <EdgeFields draft={draft} set={set} fault={at('edge')} />
      </>
    )
  }
  const rows = draft.kind === 'swatch' ? draft.worked : 'rounds'
  return (
    <>
      <div className={ROW}>
        <NumberCell
          label="Stitches"
          value={draft.stitches}
          format={String}
          parse={count}
          fault={at('stitches', 'along')}
          onChange={(stitches) => set({ stitches })}
          onClear={() => set({ stitches: undefined })}
        />
        <NumberCell
          {...over}
          label="over"
          value={draft.stitchesOver}
          onChange={(stitchesOver) => set({ stitchesOver })}
          onClear={() => set({ stitchesOver: undefined })}
        />
        <NumberCell
          label={rows === 'rows' ? 'Rows' : 'Rounds'}
          value={draft.rounds}
          format={String}
          parse={count}
          fault={at('rounds', 'out')}
          onChange={(rounds) => set({ rounds })}
          onClear={() => set({ rounds: undefined })}
        />
        <NumberCell
          {...over}
          label={`over, ${rows}`}
          value={draft.roundsOver}
          onChange={(roundsOver) => set({ roundsOver })}
          onClear={() => set({ roundsOver: undefined })}
        />
      </div>
      <Question model={model} draft={draft} />
    </>
  )
}

const INTO: Record<Loops, string> = {
  both: 'both loops',
  single: 'back or front loop',
  post: 'around the post',
}
const FABRIC: Record<FabricState, string> = { worked: 'as worked', washed: 'washed and dried' }
const SWATCH: Record<MeasureDraft['worked'], string> = { rows: 'rows, back and forth', rounds: 'rounds' }

/** Rings a round swatch may begin in; what matters is the hole that stays. */
const RINGS: [string, string][] = [
  ['0', 'a closed ring'],
  ...[3, 4, 5, 6, 7, 8, 10, 12].map((chains): [string, string] => [String(chains), `${chains} chains`]),
]

interface WayProps extends Pick<FieldsProps, 'draft' | 'set'> {
  readonly settings: GaugeModel['settings']
}

/** How the measured fabric was worked, as a sentence that opens to be changed. */
export function Way({ draft, set, settings }: WayProps) {
  const said = [
    `${shortName(draft.stitch, settings.terms)}, ${INTO[draft.loops]}`,
    draft.kind === 'swatch' && `in ${SWATCH[draft.worked]}`,
    FABRIC[draft.state],
    draft.kind === 'round' && (draft.chains ? `begun in ${draft.chains} chains` : 'begun in a closed ring'),
  ]
  return (
    <details className="group">
      <summary className="min-h-8 cursor-pointer text-16 max-sm:min-h-11 max-sm:content-center">
        {said.filter(Boolean).join(', ')}
      </summary>
      <div className="grid grid-cols-2 gap-2 pt-1">
        <Select
          label="Stitch"
          value={draft.stitch}
          onChange={(stitch) => set({ stitch: stitch as StitchName })}
          choices={BODY_STITCHES.map((stitch) => [stitch, shortName(stitch, settings.terms)])}
        />
        <Select
          label="Worked into"
          value={draft.loops}
          onChange={(loops) => set({ loops: loops as Loops })}
          choices={Object.entries(INTO)}
        />
        <Select
          label="Fabric"
          value={draft.state}
          onChange={(state) => set({ state: state as FabricState })}
          choices={Object.entries(FABRIC)}
        />
        {draft.kind === 'round' && (
          <Select
            label="Begun in"
            value={String(draft.chains ?? 0)}
            onChange={(chains) => set({ chains: Number(chains) || undefined })}
            choices={RINGS}
          />
        )}
        {draft.kind === 'swatch' && (
          <Select
            label="Swatch worked in"
            value={draft.worked}
            onChange={(worked) => set({ worked: worked as MeasureDraft['worked'] })}
            choices={Object.entries(SWATCH)}
          />
        )}
      </div>
    </details>
  )
}

function Question({ model, draft }: { model: GaugeModel; draft: MeasureDraft }) {
  const { speech } = useSizes()
  const evidence = evidenceOf(draft, 'draft', 0)
  const refused = evidence && refusalOf(() => validateEvidence(evidence, model.gauge), speech)
  const question = evidence && !refused && questionOf(evidence, model.gauge)
  return question ? (
    <p role="status" className="fault text-16">
      {spoken(question, speech)}
    </p>
  ) : null
}
