import { useId } from 'react'
import { Link } from 'react-router'
import {
  ALL_FIBRES,
  FIBRES,
  flatIncrease,
  gaugeForStitch,
  gaugeOf,
  isMeasured,
  LIMITS,
  LONGEST_NAME,
  sdOfHeightOverWidth,
  YARN_WEIGHTS,
  type Fibre,
  type GaugeRecord,
  type PieceRecord,
  type SwatchEvidence,
  type YarnWeight,
} from '../../../core/index.ts'
import { freshId } from '../../store/database.ts'
import { saveGauge } from '../../store/mutations.ts'
import { useGauges, usePieces } from '../../store/queries.ts'
import { NumberCell } from '../../ui/NumberCell.tsx'
import { parseWhole } from '../../ui/parseCount.ts'
import type { Sizes } from '../../ui/useSizes.ts'
import type { PlanModel } from './planModel.ts'
import { SwatchFields } from './SwatchFields.tsx'
import { WashingChoice } from './WashingChoice.tsx'

/** The gauge of a piece's own fabric: its stitch, into the loops that it is worked into. */
const gaugeFor = (record: GaugeRecord, { stitch, construction }: PieceRecord) =>
  gaugeForStitch(gaugeOf(record, construction.loops ? 'single' : 'both'), stitch)

/** "11.2 sts 12.1 rnds", in the fabric of the piece. */
export function gaugeSummary(record: GaugeRecord, piece: PieceRecord, sizes: Sizes): string {
  const { w, h } = gaugeFor(record, piece)
  const over = sizes.gaugeOver.millimetres
  return `${(over / w).toFixed(1)} sts ${(over / h).toFixed(1)} rnds`
}

/** The gauge of this piece. One swatch can be counted in here; everything else is in the gauge book. */
export function GaugeEditor({ model }: { model: PlanModel }) {
  const { gauge } = model
  const only = gauge.evidence[0]
  const simple = gauge.evidence.length === 0 || (gauge.evidence.length === 1 && only?.kind === 'swatch')
  return (
    <>
      <GaugeChooser model={model} />
      {simple ? (
        <SwatchFields model={model} swatch={only as SwatchEvidence | undefined} />
      ) : (
        <p className="px-3 py-3 text-16">
          {gauge.evidence.length} pieces of evidence, taken together in the gauge book.
        </p>
      )}
      <LabelFields model={model} />
      <GaugeOutcome gauge={gauge} piece={model.piece} />
      <WashingChoice model={model} />
      <p className="border-t rule p-3">
        <Link to={`/gauges/${gauge.id}?from=${model.piece.id}`} className="button-line inline-block">
          Measure in the gauge book
        </Link>
      </p>
    </>
  )
}

/** Which gauge the piece goes by, and who else does. */
function GaugeChooser({ model: { gauge, piece, project, changePiece } }: { model: PlanModel }) {
  const id = useId()
  const gauges = useGauges() ?? []
  const others = (usePieces() ?? []).filter(
    (other) => other.gauge.id === gauge.id && other.piece.id !== piece.id,
  )
  const ownOne = async () => {
    const own = { ...gauge, id: freshId(), name: `${gauge.name} for ${project.name}`.slice(0, LONGEST_NAME) }
    await saveGauge(own)
    changePiece({ ...piece, gaugeId: own.id })
  }
  return (
    <div className="border-b rule px-3 py-3">
      <label htmlFor={id} className="block pb-1 text-16">
        Gauge of
      </label>
      <select
        id={id}
        className="field"
        value={gauge.id}
        onChange={(event) => changePiece({ ...piece, gaugeId: event.target.value })}
      >
        {gauges.map(({ id: value, name }) => (
          <option key={value} value={value}>
            {name}
          </option>
        ))}
      </select>
      {others.length > 0 && (
        <p className="pt-2 text-16">
          {others.map((other) => other.project.name).join(', ')} {others.length === 1 ? 'goes' : 'go'} by it
          too and will change with it.{' '}
          <button type="button" className="underline" onClick={() => void ownOne()}>
            Use a gauge of its own
          </button>
        </p>
      )}
    </div>
  )
}

function LabelFields({ model: { gauge, changeGauge } }: { model: PlanModel }) {
  const id = useId()
  return (
    <div className="grid grid-cols-2 border-t rule">
      <div className="border-r rule px-3 py-2">
        <label htmlFor={id} className="block pb-1 text-14 text-ink-2">
          Yarn weight
        </label>
        <select
          id={id}
          className="field"
          value={gauge.weight}
          onChange={(event) => changeGauge({ ...gauge, weight: Number(event.target.value) as YarnWeight })}
        >
          {YARN_WEIGHTS.map(({ weight, name }) => (
            <option key={weight} value={weight}>
              {weight} {name}
            </option>
          ))}
        </select>
        <label htmlFor={`${id}-fibre`} className="block pt-2 pb-1 text-14 text-ink-2">
          Fibre
        </label>
        <select
          id={`${id}-fibre`}
          className="field"
          value={gauge.fibre}
          onChange={(event) => changeGauge({ ...gauge, fibre: event.target.value as Fibre })}
        >
          {ALL_FIBRES.map((fibre) => (
            <option key={fibre} value={fibre}>
              {FIBRES[fibre].name}
            </option>
          ))}
        </select>
      </div>
      <NumberCell
        label="Strands together"
        value={gauge.strands}
        format={String}
        parse={parseWhole(...LIMITS.strands, 'a number of strands')}
        step={1}
        onChange={(strands) => changeGauge({ ...gauge, strands })}
      />
    </div>
  )
}

/** What the gauge comes to: one stitch, and how many more a round lie flat. */
function GaugeOutcome({ gauge: record, piece }: { gauge: GaugeRecord; piece: PieceRecord }) {
  const gauge = gaugeFor(record, piece)
  const perRound = flatIncrease(gauge.w, gauge.h)
  const doubt = 2 * sdOfHeightOverWidth(gauge) * perRound
  return (
    <p className="border-t rule px-3 py-3 text-16">
      One stitch {gauge.w.toFixed(1)} × {gauge.h.toFixed(1)} mm{isMeasured(record) ? '' : ', by the label'}.{' '}
      <strong>
        {perRound.toFixed(1)} ± {doubt.toFixed(1)} more a round
      </strong>{' '}
      lie flat.
    </p>
  )
}
