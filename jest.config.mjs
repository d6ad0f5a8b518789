const conditions = ['@binoculum/source', 'node', 'node-addons']
const shared = {
  extensionsToTreatAsEsm: ['.ts'],
  testEnvironment: 'node',
  testEnvironmentOptions: { customExportConditions: conditions },
  transform: {
    '^.+\\.ts$': [
      '@swc/jest',
      {
        jsc: {
          parser: { syntax: 'typescript', decorators: true },
          transform: { legacyDecorator: true, useDefineForClassFields: false },
          target: 'es2022',
        },
        module: { type: 'es6' },
      },
    ],
  },
  modulePathIgnorePatterns: ['/dist/', '/.data/'],
}

export default {
  maxWorkers: 2,
  // A machine that is busy with something else needs its time; what hangs is still ended.
  testTimeout: 180_000,
  projects: [
    {
      ...shared,
      displayName: 'unit',
      testMatch: ['<rootDir>/{core,contract,server,web}/src/**/*.test.ts'],
      testPathIgnorePatterns: ['[.]component[.]test[.]ts$'],
    },
    {
      // Components mounted in a document that draws nothing: what they show and what they send.
      ...shared,
      displayName: 'component',
      testMatch: ['<rootDir>/web/src/**/*.component.test.ts'],
      testEnvironment: 'jsdom',
      extensionsToTreatAsEsm: ['.ts', '.vue'],
      transform: { ...shared.transform, '[.]vue$': '<rootDir>/scripts/lib/vue-jest.mjs' },
      setupFilesAfterEnv: ['<rootDir>/web/src/testing/mounting.ts'],
    },
    { ...shared, displayName: 'integration', testMatch: ['<rootDir>/server/test/**/*.test.ts'] },
  ],
}
