import { useState } from 'react'
import { Link } from 'react-router'
import { CardOutline, RingsOnScreen, ScreenTape } from '../../drawing/ScreenMeasures.tsx'
import { Header } from '../../ui/Header.tsx'
import { useElementSize } from '../../ui/useElementSize.ts'
import { useScreenScale } from '../../ui/useScreenScale.ts'
import { useSizes, type Sizes } from '../../ui/useSizes.ts'
import { usePageTitle } from '../../ui/usePageTitle.ts'

/** Screens from a third under to twice the size a browser takes them for. */
const LEAST = 0.65
const MOST = 2
const STEP = 0.002

/** A ruler and rings at true size on this screen, once it was set with a card. */
export function MeasureScreen() {
  usePageTitle('Ruler')
  const { pxPerMm, scale, set } = useScreenScale()
  const sizes = useSizes()
  const [area, { width }] = useElementSize()
  return (
    <div className="flex min-h-dvh flex-col">
      <Header />
      <main className="grid grid-cols-[minmax(0,1fr)] content-start gap-6 px-7 py-4 max-sm:px-4">
        <div className="flex flex-wrap items-baseline gap-x-7 gap-y-1">
          <h1 className="text-44 max-sm:text-36">On this screen</h1>
          <p className="text-18">
            A ruler and rings as large as they are, for small pieces.{' '}
            <Link to="/sheet" className="underline">
              A sheet to print
            </Link>{' '}
            measures larger ones.
          </p>
        </div>
        <div ref={area} className="min-w-0">
          {width > 0 && (
            <div className="grid grid-cols-[minmax(0,1fr)] gap-7">
              <section aria-label="Ruler">
                <ScreenTape width={width} pxPerMm={pxPerMm} inches={sizes.unit === 'in'} />
              </section>
              <div className="grid grid-cols-[minmax(0,1fr)] gap-x-10 gap-y-7 lg:grid-cols-[repeat(2,minmax(0,1fr))]">
                <section
                  aria-label="Set the size"
                  className="grid min-w-0 grid-cols-[minmax(0,1fr)] content-start gap-3"
                >
                  <h2 className="text-24">Set the size once</h2>
                  <p className="text-16">
                    Lay a bank card on the outline, 85.60 by 53.98 mm, and move the slider until its edges
                    meet the lines. Arrow keys move it finely. It is kept on this device.
                  </p>
                  <CardOutline pxPerMm={pxPerMm} room={width} />
                  <label className="grid gap-1">
                    <span className="text-16">
                      Screen scale{' '}
                      <strong className="slab tabular bg-tape px-1">{(scale * 100).toFixed(1)}%</strong>
                    </span>
                    <input
                      type="range"
                      min={LEAST}
                      max={MOST}
                      step={STEP}
                      value={scale}
                      className="h-11 w-full accent-ink"
                      onChange={({ target: { value } }) => set(Number(value))}
                    />
                  </label>
                  <button
                    type="button"
                    className="button-line justify-self-start"
                    disabled={scale === 1}
                    onClick={() => set(1)}
                  >
                    Back to 100%
                  </button>
                </section>
                <RingsPanel pxPerMm={pxPerMm} sizes={sizes} />
              </div>
            </div>
          )}
        </div>
      </main>
    </div>
  )
}

const LARGEST_RING = 200

/** Rings as wide as there is room for; what is drawn is never scaled down. */
function RingsPanel({ pxPerMm, sizes }: { pxPerMm: number; sizes: Sizes }) {
  const [area, { width }] = useElementSize()
  const [ring, setRing] = useState(90)
  const widest = Math.min(LARGEST_RING, Math.max(20, Math.floor(width / pxPerMm)))
  const shown = Math.min(ring, widest)
  return (
    <section aria-label="Rings" className="grid min-w-0 grid-cols-[minmax(0,1fr)] content-start gap-3">
      <h2 className="text-24">Lay a disc on the rings</h2>
      <p className="text-16">
        A ring every 5 mm across. Move the cased ring to the edge: it is{' '}
        <strong className="slab bg-tape px-1">{sizes.full(shown)}</strong> across.
      </p>
      <input
        type="range"
        aria-label="Ring across"
        min={10}
        max={widest}
        step={1}
        value={shown}
        aria-valuetext={sizes.full(shown)}
        className="h-11 w-full accent-ink"
        onChange={({ target: { value } }) => setRing(Number(value))}
      />
      <div ref={area}>
        {width > 0 && (
          <RingsOnScreen pxPerMm={pxPerMm} across={widest} marked={shown} inches={sizes.unit === 'in'} />
        )}
      </div>
    </section>
  )
}
