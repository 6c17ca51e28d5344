import clsx from 'clsx'
import type { Joint, JointEdge } from '../../../core/index.ts'
import { LedgeTape, OnePiece, sizeOnLedge } from '../../drawing/OnLedge.tsx'
import { stands } from '../../drawing/views/viewOf.ts'
import { useSettings, useYarnColours } from '../../store/queries.ts'
import { useElementSize } from '../../ui/useElementSize.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { countsOf, jointName } from '../../words/finishWords.ts'
import { sayFormShort, wordsOf } from '../../words/formWords.ts'
import { pieceAddress } from '../../words/pieceWords.ts'
import { sts } from '../../words/wording.ts'
import { Link } from 'react-router'
import type { Open } from './PiecesScreen.tsx'
import type { PieceOnLedge, PiecesModel } from './piecesModel.ts'

interface PiecesLedgeProps {
  readonly model: PiecesModel
  readonly open: Open
  readonly onOpen: (open: Open) => void
  /** Px that its part of the screen is high, where that is given. */
  readonly room: number | undefined
}

const GAP_MM = 34
/** Sets of more copies are drawn once. */
const MOST_COPIES = 3
const TALLEST = 300
/** Px that everything but the pieces takes of its part of the screen. */
const AROUND = 362
const LEAST_TALL = 110
/** About how wide a label is in normal print, half as high as it is with its distance, and how many have room, px. */
const LABEL = 92
const HIGH = 24
const MOST_OVER = 2
/** Fewer px have no room for the words under a piece. */
const NARROW = 96

interface Placed {
  readonly piece: PieceOnLedge
  readonly copy: number
  readonly left: number
  readonly width: number
  readonly height: number
}

interface DrawnJoint {
  readonly joint: Joint
  readonly start: { readonly x: number; readonly y: number }
  readonly end: { readonly x: number; readonly y: number }
  readonly middle: { readonly x: number; readonly y: number }
}

/** All pieces at one scale, made in yarn, to come dashed; joints are lines between their edges with both counts. */
export function PiecesLedge({ model, open, onOpen, room: high }: PiecesLedgeProps) {
  const tall = high === undefined ? TALLEST : Math.max(LEAST_TALL, Math.min(TALLEST, high - AROUND))
  const [area, { width }] = useElementSize()
  const sizes = useSizes()
  const colours = useYarnColours()
  const { hand, print } = useSettings()
  const mirrored = hand === 'left'
  const { pieces, finish } = model
  const shown = pieces.flatMap((piece) => {
    const { quantity } = piece.row.view.piece
    const copies = quantity <= MOST_COPIES ? quantity : 1
    return Array.from({ length: copies }, (_, index) => ({
      piece,
      copy: index + 1,
      ...sizeOnLedge(piece.plan),
    }))
  })
  const across = shown.reduce((sum, one) => sum + one.width + GAP_MM, GAP_MM)
  const tallest = Math.max(1, ...shown.map(({ height }) => height))
  const scale = Math.min(width / Math.max(across, 220), tall / tallest)
  // What has room to spare stands in the middle of it.
  let x = GAP_MM / 2 + Math.max(0, width / scale - across) / 2
  const placed = shown.map((one): Placed => {
    const left = x * scale
    x += one.width + GAP_MM
    return { piece: one.piece, copy: one.copy, left, width: one.width * scale, height: one.height * scale }
  })
  const [label, half] = [LABEL * (print / 100), HIGH * (print / 100)]
  // As many labels may come to lie over one another.
  const height =
    Math.ceil(tallest * scale) + 2 * half * Math.min(MOST_OVER, Math.max(1, finish.joints.length)) + 8
  const of = ({ pieceId, copy }: JointEdge) =>
    placed.find((one) => one.piece.row.view.piece.id === pieceId && one.copy === copy) ??
    placed.find((one) => one.piece.row.view.piece.id === pieceId)
  const drawn: DrawnJoint[] = []
  for (const joint of finish.joints) {
    const [one, other] = [of(joint.edges[0]), of(joint.edges[1])]
    if (!one || !other) continue
    const [from, to] = one.left <= other.left ? [one, other] : [other, one]
    const [start, end] = [edgePoint(from, height, 'right'), edgePoint(to, height, 'left')]
    const between = placed.slice(placed.indexOf(from), placed.indexOf(to) + 1)
    const x = Math.max(label / 2, Math.min(width - label / 2, (start.x + end.x) / 2))
    // Over what stands between them, and over labels that are there already.
    let y = height - Math.max(...between.map((piece) => piece.height)) - half
    const meets = () =>
      drawn.some(({ middle }) => Math.abs(middle.x - x) < label && Math.abs(middle.y - y) < 2 * half)
    while (meets()) y -= 2 * half
    drawn.push({ joint, start, end, middle: { x, y } })
  }
  return (
    <div ref={area} className="min-w-0">
      {width > 0 && (
        <>
          <div className="relative border-b-2 rule" style={{ height }}>
            {placed.map(({ piece, copy, left, width: wide, height: high }) => {
              const { row, plan } = piece
              const progress = row.copies.find(({ number }) => number === copy)
              return (
                <span
                  key={`${row.view.piece.id} ${copy}`}
                  aria-hidden
                  className="absolute bottom-0 block"
                  style={{ left, width: wide, height: high }}
                >
                  <OnePiece
                    plan={progress?.plan ?? plan}
                    width={wide}
                    height={high}
                    yarns={colours}
                    finished={progress?.finished ?? false}
                    detailed
                    mirrored={mirrored}
                    hangs={wordsOf(row.view.piece.form).hangs === true}
                    {...(progress ? { position: progress.position } : {})}
                  />
                </span>
              )
            })}
            <svg
              className="pointer-events-none absolute inset-0 overflow-visible"
              width={width}
              height={height}
              aria-hidden
            >
              {drawn.map(({ joint, start, end, middle }) => {
                const here = open.kind === 'joint' && open.id === joint.id
                return (
                  <g key={joint.id}>
                    <path
                      d={`M${start.x} ${start.y}C${start.x + 14} ${middle.y} ${middle.x - 30} ${middle.y} ${middle.x} ${middle.y}S${end.x - 14} ${middle.y} ${end.x} ${end.y}`}
                      fill="none"
                      stroke="var(--color-ink)"
                      strokeWidth={here ? 2.6 : 1.4}
                      strokeDasharray={here ? undefined : '2 4'}
                    />
                    {[start, end].map(({ x: px, y }, at) => (
                      <circle key={at} cx={px} cy={y} r={4.5} fill="var(--color-ink)" />
                    ))}
                  </g>
                )
              })}
            </svg>
            {drawn.map(({ joint, middle }) => {
              const here = open.kind === 'joint' && open.id === joint.id
              const wrong = model.misfits.has(joint.id)
              return (
                <button
                  key={joint.id}
                  type="button"
                  aria-pressed={here}
                  aria-label={`Joint, ${jointName(joint, model.edges)}: ${countsOf(joint)}${wrong ? ', does not fit its edges any more' : ''}`}
                  className={clsx(
                    'slab absolute min-h-11 min-w-11 -translate-1/2 border px-2 text-16',
                    here ? 'border-ink bg-tape' : 'border-transparent bg-film hover:border-ink',
                    wrong && 'border-l-4 border-l-ink',
                  )}
                  style={{ left: middle.x, top: middle.y }}
                  onClick={() => onOpen({ kind: 'joint', id: joint.id })}
                >
                  {countsOf(joint)}
                </button>
              )
            })}
          </div>
          <LedgeTape width={width} scale={scale} inches={sizes.unit === 'in'} />
          <ul className="flex flex-wrap gap-x-6 gap-y-1 pt-2 lg:relative lg:block lg:h-14">
            {placed
              .filter(({ copy }) => copy === 1)
              .map(({ piece, left, width: wide }, index, all) => {
                const { view } = piece.row
                const room = (all[index + 1]?.left ?? width) - left - 8
                const narrow = room < NARROW
                return (
                  <li
                    key={view.piece.id}
                    className="min-w-0 lg:absolute lg:top-2"
                    style={{ left, maxWidth: Math.max(room, wide) }}
                  >
                    <Link
                      to={pieceAddress(view, 'plan')}
                      className="slab block min-w-11 truncate text-18 leading-tight hover:underline max-lg:flex max-lg:min-h-11 max-lg:items-center"
                    >
                      {view.piece.name}
                      {view.piece.quantity > 1 && ` × ${view.piece.quantity}`}
                    </Link>
                    {!narrow && (
                      <p className="truncate text-14 text-ink-2">
                        {sts(piece.plan.rounds.at(-1)!.count)}, {progressWords(piece)}
                        {room > 2.4 * NARROW && `, ${sayFormShort(view.piece.form, sizes)}`}
                      </p>
                    )}
                  </li>
                )
              })}
          </ul>
        </>
      )}
    </div>
  )
}

/** How far a piece is, in a word or two. */
function progressWords({ row, plan, progress }: PieceOnLedge): string {
  const { quantity } = row.view.piece
  if (progress.finished >= quantity) return 'done'
  const { current } = progress
  if (!current) return progress.finished > 0 ? `${progress.finished} of ${quantity} done` : 'to come'
  const at = current.plan.rounds.findIndex(({ id }) => id === current.position.round) + 1
  return `Rnd ${at} of ${plan.rounds.length}`
}

/** Where a joint leaves a piece: the edge that it ends with stands on top, or is its rim when it lies. */
function edgePoint({ piece, left, width, height: high }: Placed, height: number, side: 'left' | 'right') {
  const x = side === 'right' ? left + width : left
  const standing = stands(piece.plan)
  const hangs = wordsOf(piece.row.view.piece.form).hangs === true
  return { x, y: standing ? (hangs ? height - 8 : height - high + 6) : height - high / 2 }
}
