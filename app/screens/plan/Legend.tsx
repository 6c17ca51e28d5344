import type { StitchName, Terms } from '../../../core/index.ts'
import { NewYarnMark } from '../../drawing/PlanOverlay.tsx'
import type { Point } from '../../drawing/views/view.ts'
import { shortName } from '../../words/wording.ts'

interface LegendProps {
  readonly terms: Terms
  readonly stitch: StitchName
  readonly newYarn: boolean
  readonly decreases: boolean
  readonly radius: number
  readonly centre: Point
}

/** What the shapes mean, in the corners the disc leaves free. */
export function Legend({ terms, stitch, newYarn, decreases, radius, centre }: LegendProps) {
  return (
    <svg
      aria-label="Legend"
      role="img"
      className="pointer-events-none absolute top-0 overflow-visible text-16"
      style={{ left: centre.x - radius }}
      width={2 * radius}
      height={90}
    >
      <g fill="var(--color-ink)" fontSize={16}>
        <rect x={6} y={12} width={18} height={18} rx={4} fill="var(--color-fog)" stroke="#7F959B" />
        <path d="M11 27C20 24 9 17 19 15" fill="none" stroke="#7F959B" strokeWidth={1.4} />
        <text x={34} y={27}>
          {shortName(stitch, terms)}
        </text>
        <path d="M2 42H28L21 58H9Z" fill="var(--color-inc)" />
        <path d="M15 42v7" stroke="#fff" strokeWidth={1.6} />
        <text x={34} y={56}>
          inc
        </text>
        {decreases && (
          // Beside the first of them: farther down the piece itself would lie under it.
          <g transform="translate(72 -57)">
            <path d="M9 70H21L28 86H2Z" fill="var(--color-film)" stroke="var(--color-dec)" strokeWidth={2} />
            <text x={34} y={84}>
              dec
            </text>
          </g>
        )}
        <path d={`M${2 * radius - 90} 20h26`} stroke="var(--color-ink)" strokeWidth={4.6} />
        <path d={`M${2 * radius - 90} 20h26`} stroke="var(--color-tape)" strokeWidth={2.8} />
        <text x={2 * radius - 56} y={25}>
          measure
        </text>
        {newYarn && (
          <>
            <NewYarnMark x={2 * radius - 77} y={46} />
            <text x={2 * radius - 56} y={51}>
              new yarn
            </text>
          </>
        )}
      </g>
    </svg>
  )
}
