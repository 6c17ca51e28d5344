/** A hook size. The millimetres are its identity; the letter is what one country prints beside them. */
export interface HookSize {
  readonly millimetres: number
  readonly letter?: string
}

export const HOOKS: readonly HookSize[] = [
  { millimetres: 1.5 },
  { millimetres: 1.75 },
  { millimetres: 2 },
  { millimetres: 2.25, letter: 'B' },
  { millimetres: 2.5 },
  { millimetres: 2.75, letter: 'C' },
  { millimetres: 3 },
  { millimetres: 3.25, letter: 'D' },
  { millimetres: 3.5, letter: 'E' },
  { millimetres: 3.75, letter: 'F' },
  { millimetres: 4, letter: 'G' },
  { millimetres: 4.5, letter: '7' },
  { millimetres: 5, letter: 'H' },
  { millimetres: 5.5, letter: 'I' },
  { millimetres: 6, letter: 'J' },
  { millimetres: 6.5, letter: 'K' },
  { millimetres: 7 },
  { millimetres: 8, letter: 'L' },
  { millimetres: 9, letter: 'M/N' },
  { millimetres: 10, letter: 'N/P' },
  { millimetres: 12 },
  { millimetres: 15 },
]

/** "H" for 5 mm; nothing for a size that has no letter. */
export const hookLetter = (millimetres: number): string | undefined =>
  HOOKS.find((hook) => Math.abs(hook.millimetres - millimetres) < 0.01)?.letter
