import { Link } from 'react-router'
import type { StitchSize } from '../../../core/index.ts'
import { StitchGrid } from '../../drawing/MeasureDrawings.tsx'
import { Tape } from '../../drawing/Tape.tsx'
import { useScreenScale } from '../../ui/useScreenScale.ts'
import { useSizes } from '../../ui/useSizes.ts'

const SIDE = 50

/** Stitches as large as they are, to hold beside one's own. */
export function TrueSize({ size, name }: { size: StitchSize; name: string }) {
  const { pxPerMm } = useScreenScale()
  const sizes = useSizes()
  const { w, h } = size
  const columns = Math.max(1, Math.floor(SIDE / w))
  const rows = Math.max(1, Math.floor(SIDE / h))
  const tapeHeight = 24 / pxPerMm
  const wide = Math.max(SIDE, columns * w)
  return (
    <section aria-label="True size" className="min-w-0">
      <h2 className="text-24">True size</h2>
      <div className="flex flex-wrap gap-x-5 gap-y-3 pt-3">
        <svg
          width={wide * pxPerMm}
          height={(rows * h + tapeHeight + 1) * pxPerMm}
          viewBox={`0 0 ${wide} ${rows * h + tapeHeight + 1}`}
          aria-hidden
        >
          <StitchGrid w={w} h={h} columns={columns} rows={rows} />
          <g transform={`translate(0 ${rows * h + 1})`}>
            <Tape length={SIDE} height={tapeHeight} inches={sizes.unit === 'in'} />
          </g>
        </svg>
        <div className="max-w-44 text-16">
          <p className="slab text-18 leading-tight">
            {w.toFixed(1)} wide, {h.toFixed(1)} tall
          </p>
          <p className="text-14 text-ink-2">one {name}, in mm</p>
          <p className="pt-3">
            Hold your own tape to the screen. If{' '}
            {sizes.unit === 'in' ? '1 inch is not 1 inch' : '5 cm is not 5 cm'}:
          </p>
          <Link to="/measure" className="button-line mt-2 inline-block">
            Set the scale
          </Link>
        </div>
      </div>
    </section>
  )
}
