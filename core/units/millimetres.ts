declare const unit: unique symbol

/** A length in millimetres. Plain numbers do not pass for one; see {@link mm}. */
export type Millimetres = number & { readonly [unit]: 'mm' }

export const MM_PER_INCH = 25.4

/** Marks a plain number as millimetres. */
export const mm = (value: number): Millimetres => value as Millimetres
