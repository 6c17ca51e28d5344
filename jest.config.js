export default {
  // Plain Node: in a context of its own for every file each use of Math or Float64Array costs half a microsecond.
  // Child processes take tsx with them; threads do not.
  runner: 'jest-light-runner/child-process',
  maxWorkers: '100%',
  transform: {},
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  testMatch: ['<rootDir>/{core,app,server,tools}/**/*.test.ts'],
  setupFiles: ['fake-indexeddb/auto'],
}
