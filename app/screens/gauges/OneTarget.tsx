import { scaleLinear } from 'd3-scale'
import {
  attempt,
  FLAT_TOLERANCE as FLAT,
  flatIncrease,
  flatRound,
  gaugeOf,
  isMeasured,
  newPiece,
  planPiece,
  plusMinusOf,
  sdOfHeightOverWidth,
  specOf,
  STITCHES,
  type Answer,
  type GaugeRecord,
  type Plan,
} from '../../../core/index.ts'
import { NumberCell } from '../../ui/NumberCell.tsx'
import { useElementSize } from '../../ui/useElementSize.ts'
import { refusalFrom } from '../../ui/refusal.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { LIE_WORDS, shortName } from '../../words/wording.ts'
import type { GaugeModel } from './gaugeModel.ts'

const SKETCH = { id: 'sketch', projectId: 'sketch', gaugeId: 'sketch', yarnId: 'sketch' }

function planned(gauge: GaugeRecord, across: number, pace: number): Answer<Plan> {
  const mat = newPiece({ ...SKETCH, form: flatRound(across) })
  // Whole rounds of the one stitch, as the evidence is told in.
  const plain = {
    ...mat,
    stitch: gauge.stitch,
    construction: { ...mat.construction, freeLastRounds: 0 as const },
  }
  return attempt(() => planPiece(specOf(plain, gauge, pace)))
}

/** What the gauge makes of one flat mat, and how many more a round lie flat. */
export function OneTarget({ model }: { model: GaugeModel }) {
  const { gauge, target, setTarget, settings } = model
  const sizes = useSizes()
  const answer = planned(gauge, target, settings.pace)
  const plan = answer.ok ? answer.value : undefined
  const byLabel = plan && isMeasured(gauge) && planned({ ...gauge, evidence: [] }, target, settings.pace)
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-3">
      <div className="grid grid-cols-[1.3fr_0.9fr_1.2fr] border-2 rule max-sm:grid-cols-1 [&>*:nth-child(n+2)]:border-l [&>*:nth-child(n+2)]:rule max-sm:[&>*:nth-child(n+2)]:border-t max-sm:[&>*:nth-child(n+2)]:border-l-0">
        <NumberCell
          label="Flat mat, across"
          value={target}
          format={sizes.bare}
          parse={sizes.parse}
          unit={sizes.unit}
          step={sizes.step}
          takes="length"
          fault={answer.ok ? undefined : refusalFrom(answer, sizes.speech).text}
          onChange={setTarget}
        />
        {plan && (
          <>
            <Said label="Needs" value={String(plan.rounds.length)} unit="rounds" />
            <Said
              label="Comes out"
              value={sizes.bare(plan.finished.promises[0]!.value)}
              unit={`± ${sizes.doubt(plusMinusOf(plan.finished.promises[0]!))} ${sizes.unit}, ${LIE_WORDS[plan.finished.lie!]}`}
            />
          </>
        )}
      </div>
      {byLabel && byLabel.ok && (
        <p className="text-16">
          In whole rounds of {shortName(gauge.stitch, settings.terms)}; a plan may trim the last two. On the
          label alone it would be {byLabel.value.rounds.length} rounds, ±{' '}
          {sizes.full(plusMinusOf(byLabel.value.finished.promises[0]!))}.
        </p>
      )}
      <FlatScale model={model} />
    </div>
  )
}

function Said({ label, value, unit }: { label: string; value: string; unit: string }) {
  return (
    <div className="min-w-0 px-3 py-1.5">
      <p className="text-14 text-ink-2">{label}</p>
      <p className="flex flex-wrap items-baseline gap-x-1.5">
        <span className="slab text-24">{value}</span>
        <span className="text-16 text-ink-2">{unit}</span>
      </p>
    </div>
  )
}

/** How many more a round lie flat, and what the usual recipe would do. */
function FlatScale({ model: { gauge, settings } }: { model: GaugeModel }) {
  const [area, { width }] = useElementSize()
  const size = gaugeOf(gauge)
  const flat = flatIncrease(size.w, size.h)
  const doubt = 2 * sdOfHeightOverWidth(size) * flat
  const usual = Math.round(flatIncrease(1, STITCHES[gauge.stitch].heightOverWidth))
  const off = usual / flat - 1
  const short = shortName(gauge.stitch, settings.terms)
  const low = Math.min(flat - doubt, usual, flat * (1 - 2 * FLAT))
  const high = Math.max(flat + doubt, usual, flat * (1 + 2 * FLAT))
  const x = scaleLinear()
    .domain([low, high])
    .nice(5)
    .range([24, Math.max(60, width - 24)])
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-1">
      <p className="text-18">
        <strong className="slab text-24">{flat.toFixed(1)}</strong> more each round lie flat, ±{' '}
        {doubt.toFixed(1)}.
      </p>
      <div ref={area}>
        {width > 0 && (
          <svg width={width} height={86} aria-hidden className="block">
            <rect
              x={x(flat * (1 - FLAT))}
              y={22}
              width={x(flat * (1 + FLAT)) - x(flat * (1 - FLAT))}
              height={40}
              fill="var(--color-film-2)"
            />
            <g fontSize={14} fill="var(--color-ink-2)">
              <text x={0} y={14}>
                cups
              </text>
              <text x={width} y={14} textAnchor="end">
                ruffles
              </text>
              <text x={x(flat)} y={14} textAnchor="middle" fill="var(--color-ink)" fontWeight={700}>
                lies flat
              </text>
            </g>
            <g stroke="var(--color-ink)" strokeWidth={1.6}>
              <path
                d={`M${x(flat - doubt)} 34H${x(flat + doubt)}M${x(flat - doubt)} 28v12M${x(flat + doubt)} 28v12`}
              />
              <rect x={x(flat) - 7} y={29} width={14} height={10} rx={5} fill="var(--color-ink)" />
            </g>
            <path
              d={`M${x(usual) - 12} 44h24l-6 17h-12z`}
              fill="var(--color-inc)"
              stroke="var(--color-film)"
              strokeWidth={1.8}
            />
            <path d={`M${x(usual)} 45v7`} stroke="#FFFFFF" strokeWidth={1.6} />
            <path d={`M0 62H${width}`} stroke="var(--color-ink)" strokeWidth={1.6} />
            {x.ticks(6).map((tick) => (
              <g key={tick}>
                <path d={`M${x(tick)} 62v5`} stroke="var(--color-ink)" />
                <text x={x(tick)} y={82} textAnchor="middle" fontSize={14} fill="var(--color-ink-2)">
                  {tick}
                </text>
              </g>
            ))}
          </svg>
        )}
      </div>
      <p className="text-16">
        <strong>
          {usual} {short} a round{' '}
          {Math.abs(off) <= FLAT ? 'lie flat' : off > 0 ? 'wave or ruffle' : 'dish or cup'}.
        </strong>{' '}
        {Math.abs(off) <= FLAT
          ? `They are ${(Math.abs(off) * 100).toFixed(1)}% off, which blocking takes up.`
          : `They are ${(Math.abs(off) * 100).toFixed(1)}% too ${off > 0 ? 'many' : 'few'}; a plan spreads ${flat.toFixed(1)} over the rounds instead.`}
      </p>
    </div>
  )
}
