import { ToggleGroup } from 'radix-ui'
import { validateEvidence, type Evidence } from '../../../core/index.ts'
import { MarksDrawing, RoundSwatchDrawing, SwatchDrawing } from '../../drawing/MeasureDrawings.tsx'
import { freshId } from '../../store/database.ts'
import { say } from '../../ui/toasts.tsx'
import { useElementSize } from '../../ui/useElementSize.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { refusalOf } from '../../ui/refusal.ts'
import type { GaugeModel } from './gaugeModel.ts'
import { EVIDENCE_NAMES, evidenceName } from '../../words/gaugeWords.ts'
import { ItSays } from './ItSays.tsx'
import { evidenceOf, missingIn, type MeasureDraft } from './measureDraft.ts'
import { MeasureFields, Way } from './MeasureFields.tsx'

const KINDS = ['swatch', 'round', 'marks'] as const

const HOW: Record<Evidence['kind'], string> = {
  swatch:
    'Some 20 stitches by 20 rows, lying flat for a minute. Count in the middle, clear of the edges; a quarter of a stitch counts.',
  round:
    'Work some rounds, lay them on a hard table, loop off the hook, and pat flat. Measure through the centre, clear of the join; a quarter turn, and again.',
  marks:
    'On the piece in work: mark two stitches of a round and count between them, or two rounds outward from the centre. One of the two is enough.',
}

interface MeasureFormProps {
  readonly model: GaugeModel
  readonly draft: MeasureDraft
  readonly setDraft: (draft: MeasureDraft) => void
  readonly clear: () => void
}

/** A guided measurement: what to lay where, what to read, and what it says before it is kept. */
export function MeasureForm({ model, draft, setDraft, clear }: MeasureFormProps) {
  const { gauge, change, settings } = model
  const known = gauge.evidence.find(({ id }) => id === draft.id)
  const evidence = evidenceOf(draft, 'draft', Date.now())
  const { speech } = useSizes()
  const fault = evidence && refusalOf(() => validateEvidence(evidence, model.gauge), speech)
  if (known?.kind === 'round' && known.from !== undefined) {
    return <FromPiece model={model} known={known} clear={clear} />
  }
  const set = (part: Partial<MeasureDraft>) => setDraft({ ...draft, ...part })
  const keep = () => {
    const whole = evidenceOf(draft, freshId(), known?.at ?? Date.now())
    if (!whole || fault) return
    const others = gauge.evidence.filter(({ id }) => id !== whole.id)
    change({
      ...gauge,
      evidence: known ? gauge.evidence.map((one) => (one.id === whole.id ? whole : one)) : [...others, whole],
    })
    clear()
    say(`${evidenceName(whole)} is kept.`)
  }
  return (
    <section aria-label="Measure" className="min-w-0">
      <div className="flex flex-wrap items-center justify-between gap-x-6 gap-y-2">
        <h2 className="text-24">{known ? `Change: ${evidenceName(known).toLowerCase()}` : 'Measure'}</h2>
        <ToggleGroup.Root
          type="single"
          value={draft.kind}
          onValueChange={(kind) => kind && set({ kind: kind as Evidence['kind'] })}
          aria-label="What to measure"
          className="flex flex-wrap"
        >
          {KINDS.map((kind) => (
            <ToggleGroup.Item
              key={kind}
              value={kind}
              className="min-h-11 border-b-4 border-transparent px-3 text-16 text-ink-2 data-[state=on]:border-ink data-[state=on]:font-bold data-[state=on]:text-ink"
            >
              {EVIDENCE_NAMES[kind]}
            </ToggleGroup.Item>
          ))}
        </ToggleGroup.Root>
      </div>
      <div className="grid gap-4 pt-2 sm:grid-cols-[13rem_1fr]">
        <div className="min-w-0">
          <Picture model={model} draft={draft} />
          <p className="pt-2 text-14 leading-snug">{HOW[draft.kind]}</p>
        </div>
        <div className="grid min-w-0 content-start gap-3">
          <MeasureFields model={model} draft={draft} set={set} fault={fault} />
          <Way draft={draft} set={set} settings={settings} />
          <ItSays model={model} evidence={fault ? undefined : evidence} missing={missingIn(draft)} />
          <div className="flex flex-wrap gap-2">
            <button
              type="button"
              className="button-ink"
              disabled={!evidence || fault !== undefined}
              onClick={keep}
            >
              Keep it
            </button>
            {known && <KnownButtons model={model} known={known} clear={clear} />}
          </div>
        </div>
      </div>
    </section>
  )
}

/** A finished piece keeps its own counts: it can be put aside or deleted here, and measured anew at the hook. */
function FromPiece({
  model,
  known,
  clear,
}: {
  model: GaugeModel
  known: Evidence & { kind: 'round' }
  clear: () => void
}) {
  return (
    <section aria-label="Measure" className="grid max-w-xl gap-3">
      <h2 className="text-24">{known.from}</h2>
      <p className="text-16">
        Measured on the finished piece, with the counts it was worked in: the same hands, day and fabric, and
        so the strongest evidence there is. To measure it anew, open the piece at the hook.
      </p>
      <div className="flex flex-wrap gap-2">
        <KnownButtons model={model} known={known} clear={clear} />
      </div>
    </section>
  )
}

function KnownButtons({ model, known, clear }: { model: GaugeModel; known: Evidence; clear: () => void }) {
  const { gauge, change } = model
  const replace = (evidence: readonly Evidence[]) => {
    change({ ...gauge, evidence })
    clear()
  }
  return (
    <>
      <button
        type="button"
        className="button-line"
        onClick={() =>
          replace(
            gauge.evidence.map((one) => (one.id === known.id ? { ...one, setAside: !known.setAside } : one)),
          )
        }
      >
        {known.setAside ? 'Count it again' : 'Put aside'}
      </button>
      <button
        type="button"
        className="button-line"
        onClick={() => {
          const before = gauge.evidence
          replace(before.filter(({ id }) => id !== known.id))
          say(`${evidenceName(known)} is deleted.`, {
            label: 'Undo',
            run: () => change({ ...gauge, evidence: before }),
          })
        }}
      >
        Delete
      </button>
      <button type="button" className="button-line" onClick={clear}>
        Leave it
      </button>
    </>
  )
}

function Picture({ model, draft }: { model: GaugeModel; draft: MeasureDraft }) {
  const { size } = model
  const inches = useSizes().unit === 'in'
  const [area, { width }] = useElementSize()
  const shared = { w: size.w, h: size.h, inches, width: Math.min(width, 300) }
  return (
    <div ref={area}>
      {width > 0 &&
        (draft.kind === 'round' ? (
          <RoundSwatchDrawing {...shared} rounds={draft.discRounds} perRound={draft.perRound} />
        ) : draft.kind === 'swatch' ? (
          <SwatchDrawing {...shared} stitches={draft.stitches ?? 12} rows={draft.rounds ?? 12} />
        ) : (
          <MarksDrawing {...shared} stitches={draft.stitches ?? 10} rounds={draft.rounds ?? 10} />
        ))}
    </div>
  )
}
