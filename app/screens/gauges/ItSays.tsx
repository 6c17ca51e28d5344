import {
  beliefOf,
  isMeasured,
  nextMeasurements,
  sizeOf,
  tellingOf,
  type Evidence,
  type GaugeRecord,
} from '../../../core/index.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { percent } from '../../words/wording.ts'
import type { GaugeModel } from './gaugeModel.ts'
import { conflictSentence, MEASUREMENT_WORDS } from '../../words/gaugeWords.ts'

interface ItSaysProps {
  readonly model: GaugeModel
  /** The measurement, when it is whole and can be. */
  readonly evidence: Evidence | undefined
  readonly missing: readonly string[]
}

/** What a measurement would make of the gauge, before it is kept; what it does not tell; what would. */
export function ItSays({ model, evidence, missing }: ItSaysProps) {
  const sizes = useSizes()
  const { gauge } = model
  if (!evidence) {
    return (
      <p role="status" className="text-16 text-ink-2">
        {missing.length > 0
          ? `Still to fill in: ${missing.join(', ')}.`
          : 'Mend what is marked, then keep it.'}
      </p>
    )
  }
  const counted = { ...evidence, setAside: false }
  const after: GaugeRecord = {
    ...gauge,
    evidence: [...gauge.evidence.filter(({ id }) => id !== evidence.id), counted],
  }
  const { belief, conflicts } = beliefOf(after)
  const own = sizeOf(belief, evidence.stitch, evidence.loops, evidence.state)
  const over = sizes.gaugeOver.millimetres
  const conflict = conflicts.find(({ id }) => id === evidence.id)
  const alone = after.evidence.filter(({ setAside }) => !setAside).length === 1
  return (
    <div role="status" className="border-t rule pt-2 text-16 leading-snug">
      <p>
        {isMeasured(gauge) ? 'With all the rest' : 'With the label'}, in {sizes.gaugeOver.label}:{' '}
        <strong className="slab text-18 whitespace-nowrap">
          {(over / own.w).toFixed(1)} ± {((2 * Math.sqrt(own.varLnW) * over) / own.w).toFixed(1)} sts
        </strong>
        ,{' '}
        <strong className="slab text-18 whitespace-nowrap">
          {(over / own.h).toFixed(1)} ± {((2 * Math.sqrt(own.varLnH) * over) / own.h).toFixed(1)} rnds
        </strong>
        .
      </p>
      {conflict ? (
        <p className="fault mt-1">
          <strong>It contradicts.</strong> {conflictSentence(conflict, alone)}{' '}
          {alone
            ? 'Check the yarn weight and hook, or measure again.'
            : 'Measure again, or put one of them aside.'}
        </p>
      ) : (
        <WhatWouldTell record={after} evidence={evidence} />
      )}
    </div>
  )
}

/** Known well enough to plan with, both ways (one standard deviation). */
const WELL_KNOWN = 0.013

function WhatWouldTell({ record, evidence }: { record: GaugeRecord; evidence: Evidence }) {
  const { belief } = beliefOf(record)
  const now = tellingOf(belief, record.stitch)
  const next = nextMeasurements(belief, record.stitch, record.evidence)[0]!
  if (Math.max(now.size, now.ratio) < WELL_KNOWN) {
    return <p>Size and shape of a stitch are both well known now.</p>
  }
  const why =
    evidence.kind === 'round' && evidence.edge.kind === 'flat'
      ? 'A disc that lies flat tells its size, not how wide and how tall apart.'
      : evidence.kind === 'swatch' && evidence.worked === 'rows'
        ? 'Rows tell the width; rounds may come out taller or shorter.'
        : now.ratio > now.size
          ? 'How wide against how tall is what is least known.'
          : 'The size is what is least known.'
  const [from, to] = now.ratio >= now.size ? [now.ratio, next.ratio] : [now.size, next.size]
  return (
    <p>
      {why} {MEASUREMENT_WORDS[next.measurement]}: from ± {percent(2 * from)} to ± {percent(2 * to)}.
    </p>
  )
}
