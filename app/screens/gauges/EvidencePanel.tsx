import {
  evidenceSteps,
  FIBRES,
  roundsFor,
  type StitchSize,
  type WorkshopSettings,
} from '../../../core/index.ts'
import { EvidenceChart, type CountSpread, type EvidenceRow } from '../../drawing/EvidenceChart.tsx'
import { useElementSize } from '../../ui/useElementSize.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { conflictSentence, evidenceAside, evidenceDetail, evidenceName } from '../../words/gaugeWords.ts'
import type { GaugeModel } from './gaugeModel.ts'

const spread = (over: number, size: number, sdOfLog: number): CountSpread => ({
  value: over / size,
  low: (over / size) * Math.exp(-2 * sdOfLog),
  high: (over / size) * Math.exp(2 * sdOfLog),
})

const ROW_HEIGHT = 45

/** The label and all evidence on one axis, and what each step makes of one target. */
export function EvidencePanel({ model }: { model: GaugeModel }) {
  const { gauge, conflicts, target, settings, chosen, choose } = model
  const sizes = useSizes()
  const [area, { width }] = useElementSize()
  const over = sizes.gaugeOver.millimetres
  const counted = gauge.evidence.filter(({ setAside }) => !setAside)
  const steps = evidenceSteps(gauge, counted, FIBRES[gauge.fibre].washing, gauge.stitch)
  const soFarOf = ({ w, h, varLnW, varLnH }: StitchSize) => ({
    stitches: spread(over, w, Math.sqrt(varLnW)),
    rounds: spread(over, h, Math.sqrt(varLnH)),
  })
  const rowOf = (step: (typeof steps)[number]): EvidenceRow => {
    const { evidence, says, soFar } = step
    const conflict = conflicts.find(({ id }) => id === evidence?.id)
    return {
      key: evidence?.id ?? 'label',
      name: evidence ? evidenceName(evidence) : 'Label',
      detail: evidence
        ? [evidenceDetail(evidence, sizes), evidenceAside(evidence, gauge, settings.terms)]
            .filter(Boolean)
            .join(', ')
        : 'yarn and hook, ± 24%',
      note: conflict && conflictSentence(conflict, counted.length === 1),
      consequence: roundsText(soFar, target),
      says: {
        stitches: says.w && spread(over, says.w.value, says.w.sd / says.w.value),
        rounds: says.h && spread(over, says.h.value, says.h.sd / says.h.value),
      },
      soFar: soFarOf(soFar),
      counted: true,
      chosen: evidence !== undefined && evidence.id === chosen,
      onChoose: evidence && (() => choose(evidence)),
    }
  }
  const rows = steps.map(rowOf)
  const last = steps.at(-1)!.soFar
  const aside = gauge.evidence.filter(({ setAside }) => setAside)
  return (
    <section aria-label="Evidence" className="min-w-0">
      <div ref={area}>
        {width > 0 && (
          <EvidenceChart
            rows={rows}
            width={width}
            rowHeight={ROW_HEIGHT}
            print={settings.print / 100}
            consequenceHeading={`rnds for ${sizes.full(target)}`}
            sum={{
              title:
                counted.length === 0
                  ? 'Label only'
                  : counted.length === 1
                    ? 'Both'
                    : `All ${counted.length + 1}`,
              detail: `in ${sizes.gaugeOver.label}, 19 times of 20`,
              consequence: roundsText(last, target),
            }}
          />
        )}
      </div>
      <p className="visually-hidden">{inWords(last, over, settings)}</p>
      {aside.length > 0 && (
        <ul className="pt-1 text-14">
          {aside.map((evidence) => (
            <li key={evidence.id} className="flex flex-wrap items-center gap-x-3">
              <span>
                Put aside: {evidenceName(evidence).toLowerCase()}, {evidenceDetail(evidence, sizes)}.
              </span>
              <button type="button" className="min-h-6 underline" onClick={() => choose(evidence)}>
                Open
              </button>
            </li>
          ))}
        </ul>
      )}
    </section>
  )
}

function roundsText(size: StitchSize, target: number): string {
  const { least, most } = roundsFor(size, target)
  return least === most ? String(least) : `${least} to ${most}`
}

function inWords(
  { w, h, varLnW, varLnH }: StitchSize,
  over: number,
  { gaugeOver }: WorkshopSettings,
): string {
  const [stitches, rounds] = [spread(over, w, Math.sqrt(varLnW)), spread(over, h, Math.sqrt(varLnH))]
  const text = ({ value, low, high }: CountSpread) =>
    `${value.toFixed(1)} plus or minus ${((high - low) / 2).toFixed(1)}`
  return `All together: ${text(stitches)} stitches and ${text(rounds)} rounds in ${gaugeOver === '10cm' ? '10 cm' : '4 in'}.`
}
