// What every change is judged by is the same search every time (npm test); by itself (npm run unit) each run of
// the properties searches elsewhere, and prints the seed of what it finds.
import fc from 'fast-check'

const { PROPERTY_SEED } = process.env
if (PROPERTY_SEED !== undefined) fc.configureGlobal({ seed: Number(PROPERTY_SEED) })
