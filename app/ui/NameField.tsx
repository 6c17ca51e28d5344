import clsx from 'clsx'
import { useId, useState } from 'react'
import { nameProblem } from './nameProblem.ts'

interface NameFieldProps {
  readonly label: string
  /** Whether the label is seen, or only said. */
  readonly labelled?: 'seen' | 'said'
  readonly value: string | undefined
  /** Cannot be left empty. */
  readonly must?: boolean
  readonly placeholder?: string
  readonly className?: string
  readonly autoFocus?: boolean
  /** What else may be wrong with it, as a sentence. */
  readonly refuse?: (name: string) => string | undefined
  /** Told what was typed as soon as it can stand; never what cannot. */
  readonly onChange: (name: string | undefined) => void
  /** Told whether what stands in the field is refused. */
  readonly onRefused?: (refused: boolean) => void
}

/** A name, changed in place. What cannot be one stays in the field with a sentence, and the old one stands. */
export function NameField(props: NameFieldProps) {
  const { label, labelled = 'seen', value, must = false, placeholder, onChange, onRefused } = props
  const { className = 'field', autoFocus, refuse } = props
  const id = useId()
  const [draft, setDraft] = useState<string>()
  const problemOf = (text: string) => nameProblem(text, must) ?? refuse?.(text.trim())
  const problem = draft === undefined ? undefined : problemOf(draft)
  return (
    <label className="grid content-start gap-1">
      <span className={clsx(labelled === 'seen' ? 'text-14 text-ink-2' : 'visually-hidden')}>{label}</span>
      <input
        className={className}
        placeholder={placeholder}
        autoComplete="off"
        autoFocus={autoFocus}
        value={draft ?? value ?? ''}
        aria-invalid={problem !== undefined}
        aria-describedby={problem ? id : undefined}
        onChange={({ target: { value: text } }) => {
          setDraft(text)
          const refused = problemOf(text)
          onRefused?.(refused !== undefined)
          if (refused === undefined) onChange(text.trim() || undefined)
        }}
        onBlur={() => problem === undefined && setDraft(undefined)}
      />
      {problem && (
        <span id={id} role="alert" className="fault text-16">
          {problem}
        </span>
      )}
    </label>
  )
}
