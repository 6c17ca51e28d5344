import {
  beliefOf,
  flatIncrease,
  gaugeOf,
  isMeasured,
  STITCHES,
  type GaugeRecord,
} from '../../../core/index.ts'
import { usePieces, useSettings, useTrackRecord, useYarns } from '../../store/queries.ts'
import { useRemembered } from '../../store/remembered.ts'
import { asGauge } from '../../store/onTheWay.ts'
import { useDraft } from '../../store/useDraft.ts'
import { Opening } from '../../ui/Opening.tsx'
import { RecordSentence } from '../../words/RecordSentence.tsx'
import { say } from '../../ui/toasts.tsx'
import { shortName } from '../../words/wording.ts'
import { BelongsEditor } from './BelongsEditor.tsx'
import { EvidencePanel } from './EvidencePanel.tsx'
import type { GaugeModel } from './gaugeModel.ts'
import { MeasureForm } from './MeasureForm.tsx'
import { draftOf, emptyDraft, type MeasureDraft } from './measureDraft.ts'
import { Outcomes } from './Outcomes.tsx'
import { TrueSize } from './TrueSize.tsx'

const USUAL_TARGET = 220

/** One gauge: what it belongs to, the evidence, the next measurement, and what it comes to. */
export function GaugePage({ record }: { record: GaugeRecord }) {
  const settings = useSettings()
  const yarns = useYarns()
  const projects = usePieces()
  const [gauge, change] = useDraft(record, ['gauges'], asGauge, say)
  const [target, setTarget] = useRemembered('gaugeTarget', USUAL_TARGET, say)
  const usual = Math.round(flatIncrease(1, STITCHES[gauge.stitch].heightOverWidth))
  const empty = emptyDraft(gauge.stitch, usual)
  const [kept, setDraft] = useRemembered<MeasureDraft | null>(`measure:${gauge.id}`, null, say)
  if (!yarns || !projects || target === undefined || kept === undefined) return <Opening />
  const draft = kept ?? empty
  const { conflicts } = beliefOf(gauge)
  const model: GaugeModel = {
    gauge,
    size: gaugeOf(gauge),
    conflicts,
    settings,
    yarns,
    usedBy: projects.filter((view) => view.gauge.id === gauge.id).map(({ project }) => project.name),
    target,
    setTarget,
    chosen: draft.id,
    choose: (evidence) => setDraft(draftOf(evidence, empty)),
    change,
  }
  return (
    <main className="flex min-h-0 grow flex-col">
      <div className="grid grid-cols-[minmax(0,1fr)] gap-x-12 gap-y-5 px-7 pt-3 pb-4 max-sm:px-4 lg:grid-cols-[minmax(0,1fr)_25rem]">
        <div className="min-w-0">
          <h1 className="line-clamp-2 text-44 max-sm:text-36" title={gauge.name}>
            {gauge.name}
          </h1>
          <div className="flex flex-wrap items-baseline gap-x-4 pb-1">
            <BelongsEditor model={model} />
            <Standing model={model} />
          </div>
          <EvidencePanel model={model} />
        </div>
        <div className="min-w-0 lg:pt-14">
          <TrueSize size={model.size} name={shortName(gauge.stitch, settings.terms)} />
        </div>
      </div>
      <div className="grid grow grid-cols-[minmax(0,1fr)] border-t-2 rule lg:min-h-72 lg:basis-72 lg:grid-cols-2 lg:grid-rows-[minmax(0,1fr)] lg:[&>*]:overflow-y-auto lg:[&>*:last-child]:border-l-2 max-lg:[&>*:last-child]:border-t-2">
        <div className="min-w-0 px-7 py-3 max-sm:px-4" tabIndex={0} role="group" aria-label="A measurement">
          <MeasureForm model={model} draft={draft} setDraft={setDraft} clear={() => setDraft(null)} />
        </div>
        <div
          className="min-w-0 rule px-7 py-3 max-sm:px-4"
          tabIndex={0}
          role="group"
          aria-label="What it comes to"
        >
          <Outcomes model={model} />
        </div>
      </div>
    </main>
  )
}

/** How the evidence stands: how much, and whether it contradicts. */
function Standing({ model: { gauge, conflicts } }: { model: GaugeModel }) {
  const record = useTrackRecord()
  const counted = gauge.evidence.filter(({ setAside }) => !setAside).length
  return (
    <p className="text-16 text-ink-2" role="status">
      {!isMeasured(gauge)
        ? 'Only the label so far: every size is a guess.'
        : `${counted === 1 ? 'One measurement' : `${counted} measurements`} and the label.`}
      {conflicts.length > 0 && (
        <strong className="text-ink">
          {' '}
          {conflicts.length === 1 ? 'One contradicts the rest' : 'They contradict one another'}: what is known
          is kept wider until it is settled.
        </strong>
      )}
      {gauge.evidence.some((one) => one.from) && (
        <>
          {' '}
          <RecordSentence record={record} />
        </>
      )}
    </p>
  )
}
