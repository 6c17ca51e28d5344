const transform = {
  '^.+\\.tsx?$': [
    '@swc/jest',
    {
      jsc: {
        target: 'es2022',
        parser: { syntax: 'typescript', tsx: true },
        transform: { react: { runtime: 'automatic' } },
      },
      module: { type: 'es6' },
    },
  ],
}
const shared = { transform, extensionsToTreatAsEsm: ['.ts', '.tsx'] }

export default {
  projects: [
    {
      ...shared,
      displayName: 'core',
      testEnvironment: 'node',
      testMatch: ['<rootDir>/{core,app,server}/**/*.test.ts'],
      setupFiles: ['fake-indexeddb/auto'],
    },
  ],
}
