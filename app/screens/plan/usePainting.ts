import { useEffect, useState, type PointerEvent } from 'react'
import { painted, type HeldYarns } from '../../../core/index.ts'
import type { PlanModel } from './planModel.ts'

/** Rounds, the first and the last of them. */
export interface RoundSpan {
  readonly from: number
  readonly to: number
}

export interface Painting {
  /** The yarn that rounds are painted with, while there is one. */
  readonly brush?: string
  readonly pick: (yarn: string | undefined) => void
  /** Rounds that the stroke has gone over so far. */
  readonly stroke?: RoundSpan
  /** Paints rounds at once: what a key does. */
  readonly paint: (rounds: RoundSpan) => void
  readonly onPointerDown: (event: PointerEvent) => void
}

/** The rounds of the ledger's row under a pointer. */
function rowUnder(target: EventTarget | null): RoundSpan | undefined {
  const row = target instanceof Element ? target.closest<HTMLElement>('tr[data-from]') : null
  return row ? { from: Number(row.dataset['from']), to: Number(row.dataset['to']) } : undefined
}

/** What is pulled or pressed where it lies is not painted over. */
const TOOLS = '[role="slider"], button, a, input, select'

/**
 * A yarn taken up as a brush: dragged over rounds of the drawing or the ledger it colours them, from where the stroke
 * began to where it ends.
 * @param lit the round that is pointed at now
 */
export function usePainting({ piece, plan, changePiece }: PlanModel, lit: number | undefined): Painting {
  const [brush, pick] = useState<string>()
  const [start, setStart] = useState<RoundSpan>()
  const [over, setOver] = useState<RoundSpan>()
  const pointed = over ?? (lit === undefined ? undefined : { from: lit, to: lit })
  const stroke =
    start && pointed
      ? { from: Math.min(start.from, pointed.from), to: Math.max(start.to, pointed.to) }
      : undefined

  const paint = ({ from, to }: RoundSpan) => {
    if (brush === undefined || !plan) return
    const held: HeldYarns = { yarn: brush }
    changePiece({ ...piece, colours: painted(piece.colours, { from, to }, held, plan.rounds.length) })
  }

  useEffect(() => {
    if (brush === undefined) return
    const putAway = (event: KeyboardEvent) => event.key === 'Escape' && pick(undefined)
    window.addEventListener('keydown', putAway)
    return () => window.removeEventListener('keydown', putAway)
  }, [brush])

  useEffect(() => {
    if (!start) return
    const move = ({ target }: globalThis.PointerEvent) => setOver(rowUnder(target))
    const end = () => {
      if (stroke) paint(stroke)
      setStart(undefined)
      setOver(undefined)
    }
    window.addEventListener('pointermove', move)
    window.addEventListener('pointerup', end, { once: true })
    return () => {
      window.removeEventListener('pointermove', move)
      window.removeEventListener('pointerup', end)
    }
  })

  const onPointerDown = (event: PointerEvent) => {
    if (brush === undefined || event.button !== 0) return
    if (event.target instanceof Element && event.target.closest(TOOLS)) return
    const row = rowUnder(event.target)
    const begins = row ?? pointed
    if (!begins) return
    event.preventDefault()
    setStart(begins)
    setOver(row)
  }
  return {
    ...(brush === undefined ? {} : { brush }),
    pick,
    ...(stroke ? { stroke } : {}),
    paint,
    onPointerDown,
  }
}
