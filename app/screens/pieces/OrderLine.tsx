import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core'
import {
  rectSortingStrategy,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable'
import clsx from 'clsx'
import type { KeyboardEvent } from 'react'
import { moved, rangeOf, type FinishingStep, type WayToFinish } from '../../../core/index.ts'
import { useSettings } from '../../store/queries.ts'
import { say } from '../../ui/toasts.tsx'
import { useElementSize } from '../../ui/useElementSize.ts'
import { REASON_WORDS, stepWords } from '../../words/finishWords.ts'
import { AddStep } from './AddStep.tsx'
import type { Open } from './PiecesScreen.tsx'
import type { PiecesModel } from './piecesModel.ts'

interface OrderLineProps {
  readonly model: PiecesModel
  readonly way: WayToFinish
  readonly open: Open
  readonly onOpen: (open: Open) => void
}

/** A station needs so much of the line, px. */
const STATION = 126
/** Less than so wide the line goes down. */
const NARROW = 640

/** The steps as one line of stations, done ones in ink, the next in tape; each may be moved as far as the rules let it. */
export function OrderLine({ model, way, open, onOpen }: OrderLineProps) {
  const { edges, finish, change } = model
  const [area, { width }] = useElementSize()
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, {
      coordinateGetter: sortableKeyboardCoordinates,
      keyboardCodes: { start: [], cancel: ['Escape'], end: ['Space', 'Enter'] },
    }),
  )
  const { order, links, done, next } = way
  const down = width < NARROW
  // What has no room in one row goes on in the next.
  const inARow = Math.max(1, Math.floor(width / (STATION * (useSettings().print / 100))))
  const pitch = width / Math.min(order.length, inARow)
  const words = (step: FinishingStep) => stepWords(step, edges, finish)
  const moveTo = (id: string, to: number) => {
    const at = order.findIndex((step) => step.id === id)
    const nextOrder = moved(order, links, id, to)
    const came = nextOrder.findIndex((step) => step.id === id)
    if (came !== to && came === at) sayHeld(id, to < at ? 'before' : 'after')
    if (came !== at) change({ ...finish, order: nextOrder.map((step) => step.id) })
  }
  /** Why a step goes no farther. */
  const sayHeld = (id: string, side: 'before' | 'after') => {
    const link = rangeOf(order, links, id).held.find(
      (one) => (side === 'before' ? one.after : one.before) === id,
    )
    const other = link && order.find((step) => step.id === (side === 'before' ? link.before : link.after))
    const step = order.find((one) => one.id === id)
    if (link && other && step) {
      say(
        `${words(step).name} stays ${side === 'before' ? 'after' : 'before'} ${words(other).name}: ${REASON_WORDS[link.why]}.`,
      )
    }
  }
  const dropped = ({ active, over }: DragEndEvent) => {
    if (!over || active.id === over.id) return
    moveTo(
      String(active.id),
      order.findIndex(({ id }) => id === over.id),
    )
  }
  const chosen = open.kind === 'step' ? open.id : undefined
  const held = chosen === undefined ? [] : rangeOf(order, links, chosen).held
  return (
    <section aria-labelledby="order-title" className="border-t-2 rule px-7 py-3 max-sm:px-4">
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <h2 id="order-title" className="text-26">
          In this order
        </h2>
        <p className="text-16 text-ink-2">
          Drag a step along the line, or move it with Shift and the arrows; it stops where it may not pass.
        </p>
        <AddStep model={model} onAdded={(id) => onOpen({ kind: 'step', id })} />
      </div>
      <div ref={area} className="pt-2">
        {width > 0 && (
          <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={dropped}>
            <SortableContext
              items={order.map(({ id }) => id)}
              strategy={down ? verticalListSortingStrategy : rectSortingStrategy}
            >
              {!down && inARow >= order.length && <Brackets order={order} held={held} pitch={pitch} />}
              <ol className={clsx(down ? 'grid' : 'flex flex-wrap gap-y-3')}>
                {order.map((step, index) => (
                  <Station
                    key={step.id}
                    step={step}
                    words={words(step)}
                    state={done.has(step.id) ? 'done' : next?.id === step.id ? 'next' : 'toCome'}
                    last={index === order.length - 1}
                    chosen={chosen === step.id}
                    down={down}
                    pitch={pitch}
                    onChoose={() => onOpen({ kind: 'step', id: step.id })}
                    onMove={(by) => moveTo(step.id, Math.max(0, Math.min(order.length - 1, index + by)))}
                  />
                ))}
              </ol>
            </SortableContext>
          </DndContext>
        )}
      </div>
    </section>
  )
}

interface StationProps {
  readonly step: FinishingStep
  readonly words: { readonly name: string; readonly detail: string }
  readonly state: 'done' | 'next' | 'toCome'
  readonly last: boolean
  readonly chosen: boolean
  readonly down: boolean
  /** Px that it takes of a row. */
  readonly pitch: number
  readonly onChoose: () => void
  readonly onMove: (by: number) => void
}

const STATE_WORDS = { done: 'done', next: 'next', toCome: 'to come' } as const

function Station({ step, words, state, last, chosen, down, pitch, onChoose, onMove }: StationProps) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({
    id: step.id,
  })
  const key = (event: KeyboardEvent) => {
    if (!event.shiftKey) return
    const by = { ArrowLeft: -1, ArrowUp: -1, ArrowRight: 1, ArrowDown: 1 }[event.key]
    if (by === undefined) return
    event.preventDefault()
    onMove(by)
  }
  return (
    <li
      ref={setNodeRef}
      className={clsx('relative', down && 'flex', isDragging && 'z-10')}
      style={{
        width: down ? undefined : pitch,
        transform: transform
          ? `translate(${Math.round(transform.x)}px, ${Math.round(transform.y)}px)`
          : undefined,
        transition,
      }}
    >
      {!last && (
        <span
          aria-hidden
          className={clsx(
            'absolute',
            down ? 'top-6 bottom-[-1.5rem] left-[1.19rem] w-1' : 'top-[1.19rem] -right-4 left-6 h-1',
            state === 'done' ? 'bg-ink' : 'bg-hair',
          )}
        />
      )}
      <button
        type="button"
        {...attributes}
        {...listeners}
        role="button"
        aria-roledescription="step that can be moved"
        aria-pressed={chosen}
        aria-label={`${words.name}, ${[words.detail, STATE_WORDS[state]].filter(Boolean).join(', ')}`}
        className={clsx(
          'relative flex min-h-11 touch-manipulation text-left',
          down ? 'w-full items-center gap-3' : 'w-full flex-col items-start gap-1 pr-3',
          chosen && 'bg-film-2',
        )}
        onClick={onChoose}
        onKeyDown={(event) => {
          key(event)
          listeners?.['onKeyDown']?.(event)
        }}
      >
        <span className={clsx('grid size-11 shrink-0 place-items-center', !down && '-ml-1')}>
          <span
            aria-hidden
            className={clsx(
              'block rounded-full border-ink',
              state === 'done' && 'size-4 bg-ink',
              state === 'next' && 'size-6 border-[3px] bg-tape',
              state === 'toCome' && 'size-4 border-2 border-dashed bg-film',
            )}
          />
        </span>
        <span className="block min-w-0 pb-1 pl-1">
          <span className="slab block text-18 leading-tight [overflow-wrap:anywhere]">{words.name}</span>
          <span className="block text-14 text-ink-2">{state === 'done' ? 'done' : words.detail}</span>
        </span>
      </button>
    </li>
  )
}

interface BracketsProps {
  readonly order: readonly FinishingStep[]
  readonly held: ReturnType<typeof rangeOf>['held']
  readonly pitch: number
}

/** Over the line: what the chosen step may not pass, and why. */
function Brackets({ order, held, pitch }: BracketsProps) {
  const place = (id: string) => order.findIndex((step) => step.id === id) * pitch + 20
  return (
    <svg width={pitch * order.length} height={34} className="block" aria-hidden>
      {held.map(({ before, after, why }) => {
        const [from, to] = [place(before), place(after)]
        return (
          <g key={`${before} ${after}`}>
            <path d={`M${from} 32V22H${to}V32`} fill="none" stroke="var(--color-ink)" strokeWidth={1.4} />
            <text x={(from + to) / 2} y={15} textAnchor="middle" className="text-14" fill="var(--color-ink)">
              {REASON_WORDS[why]}
            </text>
          </g>
        )
      })}
    </svg>
  )
}
