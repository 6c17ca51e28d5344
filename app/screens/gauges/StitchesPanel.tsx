import {
  beliefOf,
  BODY_STITCHES,
  sdOfHeightOverWidth,
  sizeOf,
  type FabricState,
  type Loops,
  type StitchName,
} from '../../../core/index.ts'
import { useState } from 'react'
import { Select } from '../../ui/Select.tsx'
import { useSizes } from '../../ui/useSizes.ts'
import { shortName } from '../../words/wording.ts'
import type { GaugeModel } from './gaugeModel.ts'

/** The same yarn and hook in every stitch: what one reading says of the others. */
export function StitchesPanel({ model: { gauge, settings } }: { model: GaugeModel }) {
  const sizes = useSizes()
  const [state, setState] = useState<FabricState>('worked')
  const { belief } = beliefOf(gauge)
  const over = sizes.gaugeOver.millimetres
  const main = shortName(gauge.stitch, settings.terms)
  const rows: readonly (readonly [string, StitchName, Loops])[] = [
    ...BODY_STITCHES.map((stitch) => [shortName(stitch, settings.terms), stitch, 'both'] as const),
    [`${main}, one loop`, gauge.stitch, 'single'],
    [`${main}, post`, gauge.stitch, 'post'],
  ]
  const measuredIn = (stitch: StitchName, loops: Loops) =>
    gauge.evidence.some(
      (one) => one.stitch === stitch && one.loops === loops && one.state === state && !one.setAside,
    )
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-2">
      <div className="max-w-60">
        <Select
          label="Fabric"
          value={state}
          onChange={(next) => setState(next as FabricState)}
          choices={[
            ['worked', 'as worked'],
            ['washed', 'washed and dried'],
          ]}
        />
      </div>
      <table className="tabular w-full border-collapse text-left text-16">
        <thead className="text-14 text-ink-2">
          <tr className="border-b-2 rule [&>th]:py-1 [&>th]:pr-2 [&>th]:font-normal">
            <th scope="col">Stitch</th>
            <th scope="col">sts in {sizes.gaugeOver.label}</th>
            <th scope="col">rnds</th>
            <th scope="col">h/w</th>
            <th scope="col" className="max-sm:hidden">
              w × h, mm
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map(([name, stitch, loops]) => {
            const size = sizeOf(belief, stitch, loops, state)
            const text = (mm: number, variance: number) =>
              `${(over / mm).toFixed(1)} ± ${((2 * Math.sqrt(variance) * over) / mm).toFixed(1)}`
            const ratio = size.h / size.w
            return (
              <tr key={name} className="border-b border-hair [&>*]:py-1 [&>*]:pr-2">
                <th scope="row" className="font-normal">
                  <span className={measuredIn(stitch, loops) ? 'slab' : ''}>{name}</span>
                </th>
                <td>{text(size.w, size.varLnW)}</td>
                <td>{text(size.h, size.varLnH)}</td>
                <td>
                  {ratio.toFixed(2)} ± {(2 * sdOfHeightOverWidth(size) * ratio).toFixed(2)}
                </td>
                <td className="max-sm:hidden">
                  {size.w.toFixed(1)} × {size.h.toFixed(1)}
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
      <p className="text-14 text-ink-2">
        Measured stitches stand bold; the others follow from them with more doubt.
      </p>
    </div>
  )
}
