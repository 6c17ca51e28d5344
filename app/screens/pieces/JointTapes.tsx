import { edgeName, pairsOf, stitchesOf, type EdgesOf, type Joint } from '../../../core/index.ts'
import { sts } from '../../words/wording.ts'

interface JointTapesProps {
  readonly joint: Pick<Joint, 'edges' | 'made'>
  readonly edges: readonly EdgesOf[]
  readonly width: number
}

const TAPE = 26
const BETWEEN = 56
const TITLE = 22
/** Closer ticks than this run together, px. */
const TICK = 3

/** Both edges of a joint as count tapes, and a line for every stitch of the seam: straight when equal, fanned when eased. */
export function JointTapes({ joint, edges, width }: JointTapesProps) {
  const [one, other] = joint.edges
  const both = [one, other].map((edge) => {
    const piece = edges.find(({ id }) => id === edge.pieceId)
    return piece && { edge, piece, all: stitchesOf(piece, edge) ?? 0 }
  })
  const [first, second] = both
  if (!first || !second) return null
  // Both at one scale: the longer edge takes the width.
  const px = (width - 2) / Math.max(first.all, second.all)
  const at = (stitch: number) => 1 + stitch * px
  const top = [TITLE, TITLE + TAPE + BETWEEN]
  const pairs = pairsOf(one.count, other.count)
  return (
    <svg
      width={width}
      height={2 * TITLE + 2 * TAPE + BETWEEN}
      role="img"
      aria-label={`${sts(one.count)} of ${edgeName(first.piece, one)} with ${sts(other.count)} of ${edgeName(second.piece, other)}`}
    >
      {pairs.map(([from, to], index) => (
        <path
          key={index}
          d={`M${at(one.from + from + 0.5)} ${top[0]! + TAPE}L${at(other.from + to + 0.5)} ${top[1]!}`}
          stroke="var(--color-ink)"
          strokeWidth={index < (joint.made ?? 0) ? 2.6 : 1}
        />
      ))}
      {[first, second].map(({ edge, piece, all }, index) => (
        <g key={index}>
          <text
            x={1}
            y={index === 0 ? TITLE - 7 : top[1]! + TAPE + 16}
            className="text-14"
            fill="var(--color-ink-2)"
            stroke="var(--color-film)"
            strokeWidth={4}
            paintOrder="stroke"
          >
            {edgeName(piece, edge)}, {sts(all)}
          </text>
          <rect
            x={1}
            y={top[index]}
            width={all * px}
            height={TAPE}
            fill="var(--color-fog)"
            stroke="var(--color-ink)"
            strokeWidth={1.4}
          />
          <rect
            x={at(edge.from)}
            y={top[index]}
            width={edge.count * px}
            height={TAPE}
            fill="var(--color-tape)"
            stroke="var(--color-ink)"
            strokeWidth={1.4}
          />
          <path
            d={Array.from({ length: all - 1 }, (_, stitch) => stitch + 1)
              .filter((stitch) => px >= TICK || stitch % 5 === 0)
              .map(
                (stitch) =>
                  `M${at(stitch)} ${top[index]! + (index === 0 ? TAPE : 0)}v${(index === 0 ? -1 : 1) * (stitch % 10 === 0 ? 9 : 5)}`,
              )
              .join('')}
            stroke="var(--color-ink)"
            strokeWidth={1}
          />
          {edge.count * px > 52 && (
            <text
              x={at(edge.from + edge.count / 2)}
              y={top[index]! + 18}
              textAnchor="middle"
              className="slab text-14"
              fill="var(--color-ink)"
            >
              {edge.from + 1}–{edge.from + edge.count}
            </text>
          )}
        </g>
      ))}
    </svg>
  )
}
