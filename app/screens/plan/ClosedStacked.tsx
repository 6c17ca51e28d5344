import { useCallback, useMemo } from 'react'
import { wallOf } from '../../../core/index.ts'
import { StitchCanvas } from '../../drawing/StitchCanvas.tsx'
import { HeadBehind } from '../../drawing/HalfSection.tsx'
import { UNROLL_CUT, unrolled } from '../../drawing/views/unrolled.ts'
import { bendOf, sizeStanding, TAIL, widestOf } from '../../drawing/views/viewOf.ts'
import { standing } from '../../drawing/views/standing.ts'
import { useYarnColours } from '../../store/queries.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { wordsOf } from '../../words/formWords.ts'
import { sayAllPromised } from '../../words/measureWords.ts'
import { CrownWords } from './CrownWords.tsx'
import { PieceDrawing } from './PieceDrawing.tsx'
import { girthHandles } from './girthHandles.ts'
import { headOf, pulledGirth } from './planModel.ts'
import type { StackedProps } from './StackedDrawings.tsx'

const TALLEST = 560
/** Of the head that shows under a cap, in half heads. */
const HEAD_BELOW = 1.7

/** A closed piece: as it is worn, and unrolled with its wall below its crown. */
export function ClosedStacked(props: StackedProps & { readonly worn: boolean }) {
  const { model, plan, spec, width, lit, onPoint, unrolls, worn } = props
  const mirrored = model.settings.hand === 'left'
  const guess = spec.gauge.certainty === 'guess'
  const { arc } = plan.rounds.at(-1)!.at
  const bend = bendOf(plan)
  const disc = Math.min(bend, arc)
  const deep = bend === Infinity ? disc : arc
  const widest = Math.max(disc, widestOf(plan))
  const scale = Math.min((width - 8) / (disc + widest * TAIL), (2 * TALLEST) / (disc + deep))
  const radius = disc * scale
  const [x, y] = [mirrored ? width - radius - 4 : radius + 4, radius + 12]
  const viewAt = useCallback(
    (held?: number) => unrolled(plan, { scale: held ?? scale, x, y, cut: UNROLL_CUT, mirrored, bend }),
    [plan, scale, x, y, mirrored, bend],
  )
  const sizes = useSizes()
  const girth = pulledGirth(model, spec, sizes)
  /** Halfway down its wall, along the part of its rows that is rolled out. */
  const walls = plan.rounds.filter(({ section }) => section === wallOf(spec).id)
  const middle = walls[Math.floor(walls.length / 2)]
  const halfway = middle && bend < middle.at.arc ? middle.at.arc - bend : undefined
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-5">
      <CrownWords plan={plan} spec={spec} guess={guess} />
      {worn && <AsWorn {...{ model, plan, spec, width, mirrored, guess }} />}
      {unrolls && (
        <PieceDrawing
          {...{ model, spec, viewAt, width, lit, onPoint }}
          height={(disc + deep) * scale + 30}
          handles={({ scale: px }) =>
            halfway === undefined
              ? []
              : girthHandles(girth, {
                  x,
                  y: y + (disc + halfway) * px,
                  px,
                  share: 1 - UNROLL_CUT,
                  mirrored,
                })
          }
        />
      )}
    </div>
  )
}

type AsWornProps = Pick<StackedProps, 'model' | 'plan' | 'spec' | 'width'> & {
  readonly mirrored: boolean
  readonly guess: boolean
}

/** The piece in elevation: closed at the top, over the head it is made for, or standing. */
function AsWorn({ model, plan, width, mirrored, guess }: AsWornProps) {
  const sizes = useSizes()
  const colours = useYarnColours()
  const head = headOf(model.piece)
  const hangs = wordsOf(model.piece.form).hangs === true
  const { wide, tall } = sizeStanding(plan)
  const below = head === undefined ? 0 : Math.max(0, (HEAD_BELOW * head) / (2 * Math.PI) + wide / 2 - tall)
  const scale = Math.min((width * 0.7) / wide, TALLEST / (tall + below))
  const height = (tall + below) * scale + 8
  const view = useMemo(
    () => standing(plan, { scale, x: width / 2, table: hangs ? 4 : height - 4, mirrored, hangs }),
    [plan, scale, width, height, mirrored, hangs],
  )
  const at = head === undefined ? undefined : { around: head, scale, axis: width / 2, top: 4 }
  return (
    <div
      className="relative"
      style={{ width, height }}
      role="img"
      aria-label={`As it ${hangs ? 'is worn' : 'stands'}: ${sayAllPromised(plan.finished.promises, sizes, guess)}`}
    >
      <svg className="absolute inset-0 overflow-hidden" width={width} height={height} aria-hidden>
        {at && (
          <>
            <HeadBehind {...at} mirrored={false} />
            <HeadBehind {...at} mirrored />
          </>
        )}
      </svg>
      <StitchCanvas
        view={view}
        width={width}
        height={height}
        yarns={colours}
        shown={guess ? { kind: 'guess' } : { kind: 'all' }}
      />
    </div>
  )
}
