import clsx from 'clsx'
import { useDeferredValue, useMemo } from 'react'
import { MM_PER_INCH, roundNamed, type Plan, type Position } from '../../../core/index.ts'
import { tapeTicks } from '../../drawing/tapeTicks.ts'
import { pathOf } from '../../drawing/svgPath.ts'
import { StitchCanvas } from '../../drawing/StitchCanvas.tsx'
import { placeIn } from '../../drawing/views/view.ts'
import {
  isPart,
  isStrip,
  outlineOfPart,
  outlineOfStrip,
  outlineStanding,
  sizeCutOpen,
  sizeOfPart,
  sizeStanding,
  stands,
  wholeIn,
} from '../../drawing/views/viewOf.ts'
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
const TAPE = 18
/** Above its line, px; and the names under its tape, where there is room for them. */
const OVER = 6
const NAMES = 36
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
            {placed.map(({ row }, index) => (
              <p
                key={row.view.piece.id}
                className={clsx(
                  'absolute top-1 -translate-x-1/2 truncate px-2 text-center text-16',
                  row.view.piece.id === current && 'bg-tape',
                )}
                style={{ left: middles[index], maxWidth: roomAt(middles, index, width) }}
              >
                <span className="slab">{numbers.get(row.view.project.id)}</span>{' '}
                {row.view.pieces.length > 1 ? row.view.piece.name : row.view.project.name}
              </p>
            ))}
          </div>
        </>
      )}
    </div>
  )
}

/** Room that is kept for it until it is drawn, px: pieces, tape and, beside a phone, names. */
const roomFor = (height: number): number =>
  8 + height + 2 + TAPE + (matchMedia('(min-width: 40rem)').matches ? NAMES : 0)

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

/** How much of the ledge a piece takes, mm: flats stand face-on, walls as they stand. */
function sizeOnLedge(plan: Plan): { readonly width: number; readonly height: number } {
  if (stands(plan)) {
    const { wide, tall } = sizeStanding(plan)
    return { width: wide, height: tall }
  }
  if (isStrip(plan)) {
    const { wide, long } = sizeCutOpen(plan)
    return { width: wide, height: long }
  }
  if (isPart(plan)) {
    const { wide, up, down } = sizeOfPart(plan)
    return { width: wide, height: up + down }
  }
  const { at } = plan.rounds.at(-1)!
  return { width: 2 * at.arc, height: 2 * at.arc }
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

interface OnePieceProps {
  readonly plan: Plan
  readonly width: number
  readonly height: number
  readonly yarns: ReadonlyMap<string, string>
  readonly position?: Position
  readonly finished: boolean
  /** Whether its stitches show; the ones behind are only an edge. */
  readonly detailed: boolean
  readonly mirrored: boolean
  /** It is closed at the top. */
  readonly hangs: boolean
}

function OnePiece(props: OnePieceProps) {
  const { plan, width, height, yarns, position, finished, detailed, mirrored, hangs } = props
  const { view } = useMemo(
    () => wholeIn(plan, { width, height }, mirrored, { hangs }),
    [plan, width, height, mirrored, hangs],
  )
  const round = position && roundNamed(plan.rounds, position.round)
  const here = round && !finished ? placeIn(view, round, position.unit / Math.max(1, round.count)) : undefined
  const edge = {
    fill: finished ? (yarns.get(plan.rounds.at(-1)!.yarn) ?? '#FAFCFB') : 'var(--color-film)',
    stroke: 'var(--color-ink)',
    strokeWidth: 1.2,
    strokeDasharray: finished ? undefined : '4 4',
  }
  return (
    <>
      <svg className="absolute inset-0" width={width} height={height}>
        {stands(plan) ? (
          <path d={pathOf(outlineStanding(view), true)} {...edge} />
        ) : isStrip(plan) ? (
          <path d={pathOf(outlineOfStrip(view), true)} {...edge} />
        ) : isPart(plan) ? (
          <path d={pathOf(outlineOfPart(view), true)} {...edge} />
        ) : (
          <circle cx={width / 2} cy={height / 2} r={width / 2 - 1} {...edge} />
        )}
      </svg>
      {detailed && (
        <StitchCanvas
          view={view}
          width={width}
          height={height}
          yarns={yarns}
          shown={
            finished
              ? { kind: 'all' }
              : { kind: 'madeTo', round: round?.number ?? 1, unit: position?.unit ?? 0, toCome: true }
          }
        />
      )}
      {here && (
        <svg className="absolute inset-0 overflow-visible" width={width} height={height}>
          <circle
            cx={here.x}
            cy={here.y}
            r={7}
            fill="var(--color-tape)"
            stroke="var(--color-ink)"
            strokeWidth={2.6}
          />
        </svg>
      )}
    </>
  )
}

function LedgeTape({ width, scale, inches }: { width: number; scale: number; inches: boolean }) {
  const unit = (inches ? MM_PER_INCH : 10) * scale
  const { ticks } = tapeTicks(width, unit, 1, unit)
  return (
    <svg width={width} height={TAPE} className="block" aria-hidden>
      <rect width={width} height={TAPE} fill="var(--color-tape)" />
      {ticks.map(({ at }) => {
        const number = Math.round(at / unit)
        const named = number % 10 === 0 || (inches && number % 4 === 0)
        return (
          <g key={number}>
            <path d={`M${at} 0v${number % 5 === 0 ? 8 : 5}`} stroke="var(--color-ink)" strokeWidth={1} />
            {named && (
              <text x={at - 3} y={15} textAnchor="end" fontSize={13} className="slab" fill="var(--color-ink)">
                {number}
              </text>
            )}
          </g>
        )
      })}
    </svg>
  )
}
