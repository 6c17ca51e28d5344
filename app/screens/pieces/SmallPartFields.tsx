import { SMALL_PART_LIMITS, SMALL_PARTS, type SmallPart } from '../../../core/index.ts'
import { NumberCell } from '../../ui/NumberCell.tsx'
import { parseWhole } from '../../ui/parseCount.ts'
import { Select } from '../../ui/Select.tsx'
import { useSizes } from '../../ui/useSizes.ts'
import { SMALL_PART_WORDS } from '../../words/smallPartWords.ts'

/** A small part of each kind as most make it. */
const USUAL: Readonly<Record<SmallPart['kind'], SmallPart>> = {
  cord: { kind: 'cord', long: 300, firm: false },
  loop: { kind: 'loop', opening: 25, over: true },
  braid: { kind: 'braid', long: 250, strands: 6 },
  tassel: { kind: 'tassel', long: 80, turns: 25 },
  pompom: { kind: 'pompom', across: 50 },
  dot: { kind: 'dot', stitches: 8 },
}

export const usualSmallPart = (): SmallPart => USUAL.cord

/** What a small part is, and the sizes that its kind asks for. */
export function SmallPartFields({
  part,
  onChange,
}: {
  readonly part: SmallPart
  readonly onChange: (part: SmallPart) => void
}) {
  const sizes = useSizes()
  const length = (
    key: 'long' | 'opening' | 'across',
    label: string,
    value: number,
    next: (mm: number) => SmallPart,
  ) => (
    <NumberCell
      className="w-36 border rule"
      label={label}
      value={value}
      format={sizes.bare}
      parse={sizes.between(SMALL_PART_LIMITS[key][0], SMALL_PART_LIMITS[key][1])}
      step={sizes.step}
      unit={sizes.unit}
      takes="length"
      onChange={(mm) => onChange(next(mm))}
    />
  )
  const count = (
    key: 'strands' | 'turns' | 'stitches',
    label: string,
    value: number,
    next: (n: number) => SmallPart,
  ) => (
    <NumberCell
      className="w-36 border rule"
      label={label}
      value={value}
      format={String}
      parse={parseWhole(SMALL_PART_LIMITS[key][0], SMALL_PART_LIMITS[key][1], label.toLowerCase())}
      step={1}
      onChange={(number) => onChange(next(number))}
    />
  )
  const choice = (label: string, checked: boolean, next: (on: boolean) => SmallPart) => (
    <label className="flex min-h-11 items-center gap-3 text-16">
      <input
        type="checkbox"
        className="size-5 shrink-0 accent-ink"
        checked={checked}
        onChange={({ target }) => onChange(next(target.checked))}
      />
      {label}
    </label>
  )
  return (
    <>
      <Select
        label="Which"
        value={part.kind}
        onChange={(kind) => onChange(USUAL[kind as SmallPart['kind']])}
        choices={SMALL_PARTS.map((kind) => [kind, SMALL_PART_WORDS[kind]] as const)}
      />
      {part.kind === 'cord' && (
        <>
          {length('long', 'Long', part.long, (long) => ({ ...part, long }))}
          {choice('Firm: back along it', part.firm, (firm) => ({ ...part, firm }))}
        </>
      )}
      {part.kind === 'loop' && (
        <>
          {length('opening', 'Open, across', part.opening, (opening) => ({ ...part, opening }))}
          {choice('Worked over', part.over, (over) => ({ ...part, over }))}
        </>
      )}
      {part.kind === 'braid' && (
        <>
          {length('long', 'Long', part.long, (long) => ({ ...part, long }))}
          {count('strands', 'Strands', part.strands, (strands) => ({ ...part, strands }))}
        </>
      )}
      {part.kind === 'tassel' && (
        <>
          {length('long', 'Long', part.long, (long) => ({ ...part, long }))}
          {count('turns', 'Turns', part.turns, (turns) => ({ ...part, turns }))}
        </>
      )}
      {part.kind === 'dot' &&
        count('stitches', 'Stitches', part.stitches, (stitches) => ({ ...part, stitches }))}
      {part.kind === 'pompom' && length('across', 'Across', part.across, (across) => ({ ...part, across }))}
    </>
  )
}
