import clsx from 'clsx'
import { useDeferredValue } from 'react'
import type { Plan } from '../../../core/index.ts'
import { LEDGE_TAPE, LedgeTape, OnePiece, sizeOnLedge } from '../../drawing/OnLedge.tsx'
import { wordsOf } from '../../words/formWords.ts'
import { useYarnColours } from '../../store/queries.ts'
import { useElementSize } from '../../ui/useElementSize.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { byProject, type ShelfRow } from './useShelfRows.ts'

interface LedgeProps {
  readonly rows: readonly ShelfRow[]
  readonly current?: string
  readonly onChoose: (pieceId: string) => void
  readonly mirrored: boolean
}

/** Copies of a set stand behind one another, a part of their width apart. */
const OVERLAP = 0.09
const MOST_COPIES = 8
const GAP_MM = 24
const TALLEST = 190
/** Above its line, px; and the names under its tape, where there is room for them. */
const OVER = 6
const NAMES = 36
/** Where a name has less room than this, px, its number stands alone. */
const ROOM_FOR_NAME = 72
/** About what a screen leaves beside it, px. */
const MARGINS = 44

/** Everything on one ledge at one scale; its front edge is the tape. */
export function Ledge({ rows, current, onChoose, mirrored }: LedgeProps) {
  const [area, size] = useElementSize()
  // Drawn in slices between which the page answers.
  const width = useDeferredValue(size.width)
  const sizes = useSizes()
  const colours = useYarnColours()
  const pieces = rows.flatMap((row) => {
    if (!row.planned.ok) return []
    const { plan, progress } = row.planned.value
    return [{ row, plan, progress, mm: ledgeWidth(plan, row) }]
  })
  const across = pieces.reduce((sum, { mm }) => sum + mm + GAP_MM, GAP_MM)
  const tallest = Math.max(1, ...pieces.map(({ plan }) => sizeOnLedge(plan).height))
  // Few small pieces are not blown up to fill the ledge: about true size at the most.
  const scaleAt = (wide: number) => Math.min(wide / Math.max(across, 420), TALLEST / tallest)
  const heightAt = (wide: number) => Math.ceil(Math.min(TALLEST, tallest * scaleAt(wide))) + OVER
  const [scale, height] = [scaleAt(width), heightAt(width)]
  const numbers = new Map(byProject(rows).map(([row], index) => [row!.view.project.id, index + 1]))
  let x = GAP_MM / 2
  const placed = pieces.map((piece) => {
    const left = x
    x += piece.mm + GAP_MM
    return { ...piece, left }
  })
  const middles = placed.map(({ left, mm }) => (left + mm / 2) * scale)
  return (
    <div
      ref={area}
      className="pt-2"
      style={width > 0 ? undefined : { minHeight: roomFor(heightAt(size.width || innerWidth - MARGINS)) }}
    >
      {width > 0 && (
        <>
          <div className="relative border-b-2 rule" style={{ height }}>
            {placed.map(({ row, plan, progress, left, mm }) => (
              <button
                key={row.view.piece.id}
                type="button"
                tabIndex={-1}
                aria-hidden
                className="absolute bottom-0"
                style={{ left: left * scale, width: mm * scale, height }}
                onClick={() => onChoose(row.view.piece.id)}
              >
                <SetOfPieces
                  row={row}
                  plan={plan}
                  current={progress.current?.number}
                  colours={colours}
                  scale={scale}
                  mirrored={mirrored}
                />
              </button>
            ))}
          </div>
          <LedgeTape width={width} scale={scale} inches={sizes.unit === 'in'} />
          <div className="relative h-9 max-sm:hidden" aria-hidden>
            {placed.map(({ row }, index) => {
              const maxWidth = roomAt(middles, index, width)
              return (
                <p
                  key={row.view.piece.id}
                  className={clsx(
                    'absolute top-1 -translate-x-1/2 truncate px-2 text-center text-16',
                    row.view.piece.id === current && 'bg-tape',
                  )}
                  style={{ left: middles[index], maxWidth }}
                >
                  <span className="slab">{numbers.get(row.view.project.id)}</span>
                  {maxWidth >= ROOM_FOR_NAME &&
                    ` ${row.view.pieces.length > 1 ? row.view.piece.name : row.view.project.name}`}
                </p>
              )
            })}
          </div>
        </>
      )}
    </div>
  )
}

/** Room that is kept for it until it is drawn, px: pieces, tape and, beside a phone, names. */
const roomFor = (height: number): number =>
  8 + height + 2 + LEDGE_TAPE + (matchMedia('(min-width: 40rem)').matches ? NAMES : 0)

/** Room for a name in the middle of its piece, px: as far as halfway to the names beside it. */
function roomAt(middles: readonly number[], index: number, width: number): number {
  const here = middles[index]!
  const before = index === 0 ? -here : middles[index - 1]!
  const after = index === middles.length - 1 ? 2 * width - here : middles[index + 1]!
  return Math.min(here - before, after - here)
}

function copiesShown({ view }: ShelfRow): number {
  return Math.min(MOST_COPIES, view.piece.quantity)
}

const ledgeWidth = (plan: Plan, row: ShelfRow): number =>
  sizeOnLedge(plan).width * (1 + OVERLAP * (copiesShown(row) - 1))

interface SetProps {
  readonly row: ShelfRow
  readonly plan: Plan
  /** Number of the copy on the hook. */
  readonly current?: number
  readonly colours: ReadonlyMap<string, string>
  readonly scale: number
  readonly mirrored: boolean
}

/** Made in yarn, to come in outline inside a dashed edge; the one on the hook in front. */
function SetOfPieces({ row, plan, current, colours, scale, mirrored }: SetProps) {
  const size = sizeOnLedge(plan)
  const [width, height] = [size.width * scale, size.height * scale]
  const shown = copiesShown(row)
  const order = Array.from({ length: shown }, (_, index) => index)
  // Each made one stands before the one made earlier; those to come stand behind.
  const front = current === undefined ? row.copies.length - 1 : current - 1
  return order.map((index) => {
    const copy = row.copies.find(({ number }) => number === index + 1)
    const left = index * OVERLAP * width
    return (
      <span
        key={index}
        className="absolute bottom-0 block"
        style={{ left, width, height, zIndex: index <= front ? index + 1 : -index }}
      >
        <OnePiece
          plan={copy?.plan ?? plan}
          width={width}
          height={height}
          yarns={colours}
          position={copy?.position}
          finished={copy?.finished ?? false}
          detailed={index === front || index === front - 1 || (front < 0 && index === 0)}
          mirrored={mirrored}
          hangs={wordsOf(row.view.piece.form).hangs === true}
        />
      </span>
    )
  })
}
