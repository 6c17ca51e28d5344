/** How a sheet is printed; each browser has its own. */
export interface SheetOptions {
  readonly paper: 'A4' | 'Letter'
  readonly large: boolean
  /** A box for every repeat. */
  readonly repeats: boolean
}

export const USUAL_SHEET: SheetOptions = { paper: 'A4', large: false, repeats: false }

export const isSheetOptions = (value: unknown): value is SheetOptions =>
  typeof value === 'object' && value !== null && ['A4', 'Letter'].includes((value as SheetOptions).paper)

/** So many copies have boxes on one sheet. */
export const COPIES_A_SHEET = 6

/** The copies of a set in groups that have room on a sheet. */
export const copyGroups = (quantity: number): readonly (readonly number[])[] =>
  Array.from({ length: Math.ceil(quantity / COPIES_A_SHEET) }, (_, group) =>
    Array.from(
      { length: Math.min(COPIES_A_SHEET, quantity - group * COPIES_A_SHEET) },
      (_one, index) => group * COPIES_A_SHEET + index + 1,
    ),
  )
