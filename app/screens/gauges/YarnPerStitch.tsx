import { format } from 'date-fns'
import { ToggleGroup } from 'radix-ui'
import {
  validateCalibration,
  LIMITS,
  measuredMetres,
  tellsLittle,
  yarnUseOf,
  yarnPerStitch,
  gaugeForStitch,
  type Calibration,
} from '../../../core/index.ts'
import { freshId } from '../../store/database.ts'
import { useRemembered } from '../../store/remembered.ts'
import { NumberCell } from '../../ui/NumberCell.tsx'
import { parseWhole } from '../../ui/parseCount.ts'
import { refusalOf } from '../../ui/refusal.ts'
import { say } from '../../ui/toasts.tsx'
import { useSizes } from '../../ui/useSizes.ts'
import { percent, shortName } from '../../words/wording.ts'
import type { GaugeModel } from './gaugeModel.ts'

interface CalibrationDraft {
  readonly kind: Calibration['kind']
  readonly stitches: number
  readonly length?: number
  readonly gramsBefore?: number
  readonly gramsAfter?: number
  readonly metresPerBall?: number
  readonly gramsPerBall?: number
}

/** Yarn in one stitch: estimated, then weighed off the ball or pulled out and measured. */
export function YarnPerStitch({ model }: { model: GaugeModel }) {
  const { gauge, size, change, settings, yarns } = model
  const sizes = useSizes()
  const fitting = yarns.find(({ weight, metresPerBall }) => weight === gauge.weight && metresPerBall)
  const [draft, setDraft] = useRemembered<CalibrationDraft>(
    `calibration:${gauge.id}`,
    {
      kind: 'unravelled',
      stitches: 10,
      metresPerBall: fitting?.metresPerBall,
      gramsPerBall: fitting?.gramsPerBall,
    },
    say,
  )
  if (!draft) return null
  const use = yarnUseOf(size, gauge.calibrations)
  const usual = yarnPerStitch(gauge.stitch, gaugeForStitch(size, 'sc').w, size.yarnDiameter)
  const calibration = calibrationOf(draft, gauge.stitch)
  const fault = calibration && refusalOf(() => validateCalibration(calibration, size), sizes.speech)
  const set = (part: Partial<CalibrationDraft>) => setDraft({ ...draft, ...part })
  const keep = () => {
    if (!calibration || fault) return
    change({
      ...gauge,
      calibrations: [...gauge.calibrations, { ...calibration, id: freshId(), at: Date.now() }],
    })
    setDraft({ ...draft, length: undefined, gramsBefore: undefined, gramsAfter: undefined })
  }
  const at = (path: string) => (fault?.path === path ? fault.text : undefined)
  const count = parseWhole(1, 100_000, 'a number of stitches')
  return (
    <div className="grid gap-3 text-16">
      <p>
        <strong className="slab text-20">{(usual * use.factor).toFixed(0)} mm</strong> of yarn in one{' '}
        {shortName(gauge.stitch, settings.terms)}, ± {percent(2 * use.sd)}
        {gauge.calibrations.length === 0 ? ', estimated from width and thickness.' : '.'}
      </p>
      {gauge.calibrations.length > 0 && (
        <ul>
          {gauge.calibrations.map((one) => (
            <li key={one.id} className="flex flex-wrap items-center gap-x-3 border-b border-hair py-0.5">
              <span className="grow">
                {one.stitches} {shortName(one.stitch, settings.terms)}{' '}
                {one.kind === 'weighed' ? 'weighed' : 'pulled out'}:{' '}
                {sizes.yarn.full(measuredMetres(one, gauge.strands).metres)},{' '}
                {((measuredMetres(one, gauge.strands).metres * 1000) / one.stitches).toFixed(0)} mm each,{' '}
                {format(one.at, 'd MMM')}
              </span>
              <button
                type="button"
                className="min-h-9 underline"
                onClick={() =>
                  change({ ...gauge, calibrations: gauge.calibrations.filter(({ id }) => id !== one.id) })
                }
              >
                Leave out
              </button>
            </li>
          ))}
        </ul>
      )}
      <ToggleGroup.Root
        type="single"
        value={draft.kind}
        onValueChange={(kind) =>
          kind && set({ kind: kind as Calibration['kind'], stitches: kind === 'weighed' ? 300 : 10 })
        }
        aria-label="How the yarn is measured"
        className="flex"
      >
        {(['unravelled', 'weighed'] as const).map((kind) => (
          <ToggleGroup.Item
            key={kind}
            value={kind}
            className="min-h-11 border-b-4 border-transparent pr-5 text-left text-ink-2 data-[state=on]:border-ink data-[state=on]:font-bold data-[state=on]:text-ink"
          >
            {kind === 'unravelled'
              ? 'Pull out ten'
              : gauge.strands > 1
                ? 'Weigh the balls'
                : 'Weigh the ball'}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
      <div className="grid grid-cols-2 border-2 rule [&>*]:rule [&>*:nth-child(even)]:border-l [&>*:nth-child(n+3)]:border-t">
        <NumberCell
          label="Stitches"
          value={draft.stitches}
          format={String}
          parse={count}
          fault={at('stitches')}
          onChange={(stitches) => set({ stitches })}
        />
        {draft.kind === 'unravelled' ? (
          <NumberCell
            label="Yarn pulled out"
            value={draft.length}
            format={sizes.bare}
            parse={sizes.between(...LIMITS.pulledOut)}
            unit={sizes.unit}
            takes="length"
            fault={at('length')}
            onChange={(length) => set({ length })}
            onClear={() => set({ length: undefined })}
          />
        ) : (
          <>
            <NumberCell
              label={gauge.strands > 1 ? 'All balls before' : 'Ball before'}
              value={draft.gramsBefore}
              format={sizes.mass.bare}
              parse={sizes.mass.parse}
              unit={sizes.mass.unit}
              takes="mass"
              onChange={(gramsBefore) => set({ gramsBefore })}
            />
            <NumberCell
              label={gauge.strands > 1 ? 'All balls after' : 'Ball after'}
              value={draft.gramsAfter}
              format={sizes.mass.bare}
              parse={sizes.mass.parse}
              unit={sizes.mass.unit}
              takes="mass"
              fault={at('gramsAfter')}
              onChange={(gramsAfter) => set({ gramsAfter })}
            />
            <NumberCell
              label="On the label"
              value={draft.metresPerBall}
              format={sizes.yarn.bare}
              parse={sizes.yarn.parse}
              unit={`${sizes.yarn.unit} a ball`}
              fault={at('metresPerBall')}
              onChange={(metresPerBall) => set({ metresPerBall })}
            />
            <NumberCell
              label="Ball weighs"
              value={draft.gramsPerBall}
              format={sizes.mass.bare}
              parse={sizes.mass.parse}
              unit={`${sizes.mass.unit} new`}
              onChange={(gramsPerBall) => set({ gramsPerBall })}
            />
          </>
        )}
      </div>
      {calibration && !fault && tellsLittle(calibration) && (
        <p role="status">
          A kitchen scale reads to a gram: with some 300 sts between the weighings it tells more than the
          estimate. For fewer, pull out ten.
        </p>
      )}
      <div>
        <button
          type="button"
          className="button-ink"
          disabled={!calibration || fault !== undefined}
          onClick={keep}
        >
          Keep it
        </button>
      </div>
    </div>
  )
}

function calibrationOf(draft: CalibrationDraft, stitch: Calibration['stitch']): Calibration | undefined {
  const taken = { id: 'draft', at: 0, stitch, stitches: draft.stitches }
  const { kind, length, gramsBefore, gramsAfter, metresPerBall, gramsPerBall } = draft
  if (kind === 'unravelled') return length === undefined ? undefined : { ...taken, kind, length }
  if (gramsBefore === undefined || gramsAfter === undefined) return undefined
  return {
    ...taken,
    kind,
    gramsBefore,
    gramsAfter,
    metresPerBall: metresPerBall ?? 0,
    gramsPerBall: gramsPerBall ?? 0,
  }
}
