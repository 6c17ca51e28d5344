export default {
  // Plain Node: in a context of its own for every file each use of Math or Float64Array costs half a microsecond.
  // One process a run, since threads do not take the loader of TypeScript with them: tools/unit.mjs runs several.
  runner: 'jest-light-runner',
  maxWorkers: 1,
  transform: {},
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  testMatch: ['<rootDir>/{core,app,server,tools}/**/*.test.ts'],
  setupFiles: ['fake-indexeddb/auto', '<rootDir>/tools/properties.ts'],
}
