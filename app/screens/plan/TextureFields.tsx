import {
  numbersOfTexture,
  TEXTURE_KINDS,
  type Texture,
  type TextureKind,
  type WorkshopSettings,
} from '../../../core/index.ts'
import { TEXTURE_WORDS } from '../../words/textureWords.ts'

interface TextureFieldsProps {
  readonly name: string
  readonly texture: Texture | undefined
  /** The kind that the maker has chosen; nothing while it is as is usual. */
  readonly chosen: TextureKind | undefined
  readonly settings: WorkshopSettings
  /** What it is called while nothing is said. */
  readonly usual?: string
  /** It is of one round: a texture has no rounds of its own there. */
  readonly accent?: boolean
  readonly onKind: (kind: TextureKind | undefined) => void
  readonly onTexture: (texture: Texture) => void
}

/** Which texture, and its few numbers. */
export function TextureFields({
  name,
  texture,
  chosen,
  settings,
  usual,
  accent = false,
  onKind,
  onTexture,
}: TextureFieldsProps) {
  const words = texture && TEXTURE_WORDS[texture.kind]
  return (
    <>
      <Choice
        label={`${name}: texture`}
        value={chosen}
        usual={usual}
        choices={TEXTURE_KINDS.map((kind) => [kind, TEXTURE_WORDS[kind].label] as const)}
        onChange={onKind}
      />
      {texture && words && (
        <>
          <p className="text-16 text-ink-2">{words.detail[settings.terms]}</p>
          {numbersOfTexture(texture.kind)
            .filter(({ number }) => !accent || number !== 'rounds')
            .map(({ number, least, most, usual: first }) => (
              <label key={number} className="flex items-center justify-between gap-3 text-16">
                {words.numbers[number]}
                <select
                  aria-label={`${name}: ${words.numbers[number]?.toLowerCase()}`}
                  className="field w-24"
                  value={texture[number] ?? first}
                  onChange={({ target }) => onTexture({ ...texture, [number]: Number(target.value) })}
                >
                  {Array.from({ length: most - least + 1 }, (_, index) => (
                    <option key={index} value={least + index}>
                      {least + index}
                    </option>
                  ))}
                </select>
              </label>
            ))}
        </>
      )}
    </>
  )
}

interface ChoiceProps<T extends string> {
  readonly label: string
  readonly value: T | undefined
  readonly usual?: string | undefined
  /** Whether that can be chosen. */
  readonly usualWorks?: boolean
  readonly choices: readonly (readonly [T, string])[]
  readonly onChange: (value: T | undefined) => void
}

export function Choice<T extends string>({
  label,
  value,
  usual,
  usualWorks = true,
  choices,
  onChange,
}: ChoiceProps<T>) {
  return (
    <select
      aria-label={label}
      className="field"
      value={value ?? ''}
      onChange={(event) => onChange(event.target.value === '' ? undefined : (event.target.value as T))}
    >
      {usual !== undefined && usualWorks && <option value="">{usual}</option>}
      {choices.map(([name, words]) => (
        <option key={name} value={name}>
          {words}
        </option>
      ))}
    </select>
  )
}
