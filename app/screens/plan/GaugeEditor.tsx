import { useId } from 'react'
import {
  flatIncrease,
  gaugeOf,
  sdOfHeightOverWidth,
  SpecError,
  YARN_WEIGHTS,
  type Gauge,
  type GaugeRecord,
  type StitchName,
  type Swatch,
  type YarnWeight,
} from '../../../core/index.ts'
import { freshId } from '../../store/database.ts'
import { saveGauge } from '../../store/mutations.ts'
import { useGauges, useProjects } from '../../store/queries.ts'
import { Choices } from '../../ui/Choices.tsx'
import { NumberCell, parseCount } from '../../ui/NumberCell.tsx'
import { useSizes, type Sizes } from '../../ui/useSizes.ts'
import { shortName } from '../../ui/wording.ts'
import { faultAt, type PlanModel } from './planModel.ts'

function gaugeOrNothing(record: GaugeRecord): Gauge | undefined {
  try {
    return gaugeOf(record)
  } catch (error) {
    if (error instanceof SpecError) return undefined
    throw error
  }
}

/** "11.2 sts 12.1 rnds", in the stitch the gauge was taken in. */
export function gaugeSummary(record: GaugeRecord, stitch: StitchName, sizes: Sizes): string {
  const gauge = gaugeOrNothing(record)
  if (!gauge) return 'Gauge is missing'
  const over = sizes.gaugeOver.millimetres
  const text = `${(over / gauge.w).toFixed(1)} sts ${(over / gauge.h).toFixed(1)} rnds`
  return record.stitch === stitch ? text : `${text} in ${record.stitch}`
}

/** The gauge of this piece: a swatch counted over a length, or only what the yarn label suggests. */
export function GaugeEditor({ model }: { model: PlanModel }) {
  const { gauge, fault, settings, changeGauge } = model
  const sizes = useSizes()
  const { swatch } = gauge
  const setSwatch = (change: Partial<Swatch>) => {
    const expected = gaugeOrNothing({ ...gauge, swatch: undefined })!
    const over = sizes.gaugeOver.millimetres
    changeGauge({
      ...gauge,
      swatch: {
        stitches: Math.round((over / expected.w) * 2) / 2,
        rounds: Math.round((over / expected.h) * 2) / 2,
        over,
        worked: 'rounds',
        ...swatch,
        ...change,
      },
    })
  }
  const counted = parseCount(0.5, 1000, 'a count; fractions are fine')
  return (
    <>
      <GaugeChooser model={model} />
      <Choices
        label="How the gauge is known"
        value={swatch ? swatch.worked : 'label'}
        onChange={(way) =>
          way === 'label' ? changeGauge({ ...gauge, swatch: undefined }) : setSwatch({ worked: way })
        }
        choices={[
          {
            value: 'rounds',
            label: 'Counted on rounds',
            detail: 'The same hook, worked in rounds, lying flat.',
          },
          {
            value: 'rows',
            label: 'Counted on a flat swatch',
            detail: 'Rows are a little shorter than rounds: more doubt.',
          },
          {
            value: 'label',
            label: 'Not measured',
            detail: 'From the yarn label and hook alone: size to 12%.',
          },
        ]}
      />
      {swatch && (
        <div className="grid grid-cols-3 border-t rule">
          <NumberCell
            className="border-r rule"
            label={`${shortName(gauge.stitch, settings.terms)} sts`}
            value={swatch.stitches}
            format={String}
            parse={counted}
            fault={faultAt(fault, 'gauge.stitches')}
            onChange={(stitches) => setSwatch({ stitches })}
          />
          <NumberCell
            className="border-r rule"
            label={swatch.worked === 'rows' ? 'rows' : 'rounds'}
            value={swatch.rounds}
            format={String}
            parse={counted}
            fault={faultAt(fault, 'gauge.rounds')}
            onChange={(rounds) => setSwatch({ rounds })}
          />
          <NumberCell
            label="over"
            value={swatch.over}
            format={sizes.bare}
            parse={sizes.parse}
            unit={sizes.unit}
            onChange={(over) => setSwatch({ over })}
          />
        </div>
      )}
      <LabelFields model={model} />
      <GaugeOutcome gauge={gaugeOrNothing(gauge)} />
    </>
  )
}

/** Which gauge the piece goes by, and who else does. */
function GaugeChooser({ model: { gauge, piece, project, changePiece } }: { model: PlanModel }) {
  const id = useId()
  const gauges = useGauges() ?? []
  const others = (useProjects() ?? []).filter(
    (other) => other.gauge.id === gauge.id && other.project.id !== project.id,
  )
  const ownOne = async () => {
    const own = { ...gauge, id: freshId(), name: `${gauge.name} for ${project.name}` }
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
      </div>
      <NumberCell
        label="Strands together"
        value={gauge.strands}
        format={String}
        parse={parseCount(1, 6, 'a number of strands')}
        step={1}
        onChange={(strands) => changeGauge({ ...gauge, strands: Math.min(6, Math.round(strands)) })}
      />
    </div>
  )
}

/** What the gauge comes to: one stitch, and how many more a round lie flat. */
function GaugeOutcome({ gauge }: { gauge: Gauge | undefined }) {
  if (!gauge) return null
  const perRound = flatIncrease(gauge.w, gauge.h)
  const doubt = 2 * sdOfHeightOverWidth(gauge) * perRound
  return (
    <p className="border-t rule px-3 py-3 text-16">
      One stitch {gauge.w.toFixed(1)} × {gauge.h.toFixed(1)} mm.{' '}
      <strong>
        {perRound.toFixed(1)} ± {doubt.toFixed(1)} more a round
      </strong>{' '}
      lie flat.
    </p>
  )
}
