// What every change is judged by is the same search every time, and a third as wide (npm test); by itself (npm run unit)
// each run of the properties searches elsewhere, in full, and prints the seed of what it finds.
import fc from 'fast-check'

const { PROPERTY_SEED, PROPERTY_SHARE } = process.env
fc.configureGlobal({
  ...(PROPERTY_SEED === undefined ? {} : { seed: Number(PROPERTY_SEED) }),
  ...(PROPERTY_SHARE === undefined ? {} : { numRuns: Math.round(100 * Number(PROPERTY_SHARE)) }),
})
