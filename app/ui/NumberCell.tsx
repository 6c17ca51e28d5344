import clsx from 'clsx'
import { useEffect, useId, useRef, useState, type ReactNode } from 'react'
import type { ParsedNumber } from './parseCount.ts'
import { aimReadingsAt, loseAim, type ReadingKind } from './readingTarget.ts'

/** Units that readings come in. */
const STORED: Record<ReadingKind, string> = { length: 'mm', mass: 'g' }

interface NumberCellProps {
  readonly label: string
  /** Empty until something is typed when not given. */
  readonly value: number | undefined
  readonly format: (value: number) => string
  readonly parse: (text: string) => ParsedNumber
  readonly onChange: (value: number) => void
  /** Told when the field is emptied. Without it a field cannot be left empty. */
  readonly onClear?: () => void
  readonly unit?: ReactNode
  /** What one press of + or − adds; tenfold with Shift. Without it there are no steppers. */
  readonly step?: number
  /** Whether it may be nothing, or less. */
  readonly signed?: boolean
  /** What is wrong with the value, from the plan. */
  readonly fault?: string
  readonly className?: string
  /** What instrument can fill it: readings come in mm or grams, as `onChange` takes them. */
  readonly takes?: ReadingKind
}

/**
 * A number changed in place. Tape while it is edited; what was typed stays until it is right or given up
 * with Escape; + and − step it.
 */
export function NumberCell(props: NumberCellProps) {
  const { label, value, format, parse, onChange, onClear, unit, step, fault, className, takes } = props
  const { signed = false } = props
  const id = useId()
  const input = useRef<HTMLInputElement>(null)
  const [draft, setDraft] = useState<string>()
  const [problem, setProblem] = useState<string>()
  const shownFault = problem ?? fault
  const shown = draft ?? (value === undefined ? '' : format(value))
  useEffect(() => () => loseAim(label), [label])

  const take = (text: string) => {
    setDraft(text)
    if (onClear && text.trim() === '') {
      setProblem(undefined)
      onClear()
      return
    }
    const read = parse(text)
    setProblem(read.ok ? undefined : read.message)
    if (read.ok) onChange(read.value)
  }
  const letGo = () => {
    if (problem === undefined) setDraft(undefined)
  }
  const giveUp = () => {
    setDraft(undefined)
    setProblem(undefined)
  }
  const stepBy = (direction: 1 | -1, tenfold: boolean) => {
    if (step === undefined || value === undefined) return
    giveUp()
    const by = step * (tenfold ? 10 : 1)
    // Steps land on the grid, so that 21.3 goes to 21.5.
    const next =
      direction > 0 ? Math.floor(value / by + 1e-6) * by + by : Math.ceil(value / by - 1e-6) * by - by
    if (next <= 0 && !signed) return
    // What the field would refuse when typed, it refuses when stepped to.
    const read = parse(format(next))
    if (read.ok) onChange(next)
    else {
      setDraft(format(next))
      setProblem(read.message)
    }
  }

  return (
    <div
      className={clsx(
        'group relative min-w-0 focus-within:bg-tape',
        shownFault && 'border-l-4 rule',
        className,
      )}
      onClick={() => input.current?.focus()}
    >
      <div className="flex">
        <div className="min-w-0 grow px-3 py-1.5">
          <label htmlFor={id} className="block truncate text-14 text-ink-2 group-focus-within:text-ink">
            {label}
          </label>
          <span className="flex items-baseline gap-1.5">
            <input
              ref={input}
              id={id}
              className={clsx(
                'slab shrink-0 border-b-2 bg-transparent text-24 outline-none focus:border-ink',
                shown === '' ? 'border-hair' : 'border-transparent',
              )}
              style={{ width: `${Math.max(2, shown.length) * 0.6 + 0.2}em` }}
              inputMode="decimal"
              autoComplete="off"
              value={shown}
              aria-invalid={shownFault !== undefined}
              aria-describedby={shownFault ? `${id}-fault` : undefined}
              onFocus={(event) => {
                event.target.select()
                if (takes)
                  aimReadingsAt({
                    kind: takes,
                    label,
                    fill: (reading) => take(`${reading} ${STORED[takes]}`),
                  })
              }}
              onBlur={letGo}
              onChange={(event) => take(event.target.value)}
              onKeyDown={(event) => {
                if (event.key === 'Escape') giveUp()
                else if (event.key === 'Enter') input.current?.blur()
                else if (step !== undefined && ['+', '-', 'ArrowUp', 'ArrowDown'].includes(event.key)) {
                  event.preventDefault()
                  stepBy(event.key === '+' || event.key === 'ArrowUp' ? 1 : -1, event.shiftKey)
                }
              }}
            />
            {unit && (
              <span className="min-w-0 truncate text-16 text-ink-2 group-focus-within:text-ink">{unit}</span>
            )}
          </span>
        </div>
        {step !== undefined && (
          <div className="hidden shrink-0 group-focus-within:flex">
            {([-1, 1] as const).map((direction) => (
              <button
                key={direction}
                type="button"
                tabIndex={-1}
                className="slab w-11 border-l rule text-24"
                aria-label={`${label}: ${direction > 0 ? 'more' : 'less'}`}
                onPointerDown={(event) => event.preventDefault()}
                onClick={(event) => stepBy(direction, event.shiftKey)}
              >
                {direction > 0 ? '+' : '−'}
              </button>
            ))}
          </div>
        )}
      </div>
      {shownFault && (
        // Across the whole cell: it must not wrap anew, and move what is below, when the steppers come and go.
        <p id={`${id}-fault`} role="alert" className="px-3 pb-1.5 text-14 leading-snug text-ink">
          {shownFault}
        </p>
      )}
    </div>
  )
}
