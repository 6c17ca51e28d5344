import fc from 'fast-check'

/** Fewer random cases than this tell nothing of a property. */
const FEWEST = 10
const USUAL = 100

/** The share of its random cases that a property is given (tools/properties.ts). */
const share = (): number => (fc.readConfigureGlobal().numRuns ?? USUAL) / USUAL

/** So many random cases of a property, or as large a share of them as a run of all tests takes. */
export const runs = (cases: number): number => Math.max(Math.min(cases, FEWEST), Math.round(cases * share()))

/** How many of a property's random cases must have been of a kind, where so many would be of all of them. */
export const among = (found: number): number => Math.floor(found * share())
