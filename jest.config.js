export default {
  // Plain Node: in a context of its own for every file each use of Math or Float64Array costs half a microsecond.
  runner: 'jest-light-runner',
  transform: {},
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  testMatch: ['<rootDir>/{core,app,server,tools}/**/*.test.ts'],
  setupFiles: ['fake-indexeddb/auto'],
}
