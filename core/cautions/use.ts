/** What a piece is for. A piece may have several uses. */
export type Use =
  'hot' | 'wet' | 'worn' | 'baby' | 'childUnderThree' | 'pet' | 'device' | 'decoration' | 'household'

export const ALL_USES: readonly Use[] = [
  'hot',
  'wet',
  'worn',
  'baby',
  'childUnderThree',
  'pet',
  'device',
  'decoration',
  'household',
]

/** What is put on or into a piece besides yarn. */
export type Hardware = 'smallParts' | 'cords' | 'magnets' | 'hotGlue' | 'stiffener'

export const ALL_HARDWARE: readonly Hardware[] = ['smallParts', 'cords', 'magnets', 'hotGlue', 'stiffener']

/** What a piece is for, and what in it matters for that. */
export interface Fitness {
  readonly uses: readonly Use[]
  readonly layers: 1 | 2
  readonly hardware: readonly Hardware[]
  /** Codes of cautions that were marked as read. */
  readonly read: readonly string[]
}

export const NO_USE_YET: Fitness = { uses: [], layers: 1, hardware: [], read: [] }
