import { RadioGroup } from 'radix-ui'
import type { ReactNode } from 'react'

export interface Choice<T extends string> {
  readonly value: T
  readonly label: string
  readonly detail?: ReactNode
}

interface ChoicesProps<T extends string> {
  readonly label: string
  readonly value: T
  readonly choices: readonly Choice<T>[]
  readonly onChange: (value: T) => void
  /** Shown above the choices. */
  readonly heading?: boolean
}

/** One of a few, each with a word on what it means. */
export function Choices<T extends string>({
  label,
  value,
  choices,
  onChange,
  heading = false,
}: ChoicesProps<T>) {
  return (
    <div>
      {heading && <p className="slab px-3 pt-3 pb-1 text-18">{label}</p>}
      <RadioGroup.Root value={value} onValueChange={(next) => onChange(next as T)} aria-label={label}>
        {choices.map((choice) => (
          <RadioGroup.Item
            key={choice.value}
            value={choice.value}
            className="choice"
            aria-label={choice.label}
          >
            <span
              aria-hidden
              className="mt-1 grid size-4 shrink-0 place-items-center rounded-full border-2 rule"
            >
              <RadioGroup.Indicator className="size-4 rounded-full bg-ink" />
            </span>
            <span className="min-w-0">
              <span className="block text-18 font-medium">{choice.label}</span>
              {choice.detail && <span className="block text-16 text-ink-2">{choice.detail}</span>}
            </span>
          </RadioGroup.Item>
        ))}
      </RadioGroup.Root>
    </div>
  )
}
