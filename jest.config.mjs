const conditions = ['@binoculum/source', 'node', 'node-addons']
const shared = {
  extensionsToTreatAsEsm: ['.ts'],
  testEnvironment: 'node',
  testEnvironmentOptions: { customExportConditions: conditions },
  transform: {
    '^.+\\.ts$': '<rootDir>/scripts/lib/swc-jest.mjs',
    // Reckons as much as our own modules do.
    'node_modules/(?:astronomy-engine|astronomia|luxon)/.+\\.m?js$': '<rootDir>/scripts/lib/swc-jest.mjs',
  },
  transformIgnorePatterns: ['/node_modules/(?!(?:astronomy-engine|astronomia|luxon)/)'],
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
