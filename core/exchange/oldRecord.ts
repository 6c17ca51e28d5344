/** A record of an earlier version: whatever stood there. */
export type OldRecord = Readonly<Record<string, unknown>>

export const isRecord = (value: unknown): value is OldRecord =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
