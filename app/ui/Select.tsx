import type { ReactNode } from 'react'

interface SelectProps {
  readonly label: string
  readonly value: string
  readonly onChange: (value: string) => void
  readonly choices: readonly (readonly [value: string, words: string])[]
}

/** One of a few from a list, with its label above. */
export function Select({ label, value, onChange, choices }: SelectProps): ReactNode {
  return (
    <label className="grid min-w-0 gap-1">
      <span className="text-14 text-ink-2">{label}</span>
      <select className="field" value={value} onChange={(event) => onChange(event.target.value)}>
        {choices.map(([key, words]) => (
          <option key={key} value={key}>
            {words}
          </option>
        ))}
      </select>
    </label>
  )
}
