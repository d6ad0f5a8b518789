const conditions = ['@binoculum/source', 'node', 'node-addons']

const common = { extensionsToTreatAsEsm: ['.ts'], modulePathIgnorePatterns: ['/dist/', '/.data/'] }

/** What changes nothing but its own data: modules are loaded once a worker. */
const sharing = {
  ...common,
  testEnvironment: '<rootDir>/scripts/jest/shared-environment.mjs',
  runtime: '<rootDir>/scripts/jest/shared-runtime.cjs',
}

/** What replaces modules or globals or stops clocks, and what needs a document: everything is loaded anew for each file. */
const isolated = {
  ...common,
  testEnvironment: 'node',
  testEnvironmentOptions: { customExportConditions: conditions },
  transform: {
    '^.+\\.ts$': '<rootDir>/scripts/jest/isolated-ts.mjs',
    // Reckons as much as our own modules do.
    'node_modules/(?:astronomy-engine|astronomia|luxon)/.+\\.m?js$': '<rootDir>/scripts/jest/isolated-ts.mjs',
  },
  transformIgnorePatterns: ['/node_modules/(?!(?:astronomy-engine|astronomia|luxon)/)'],
}

export default {
  maxWorkers: 2,
  // A machine that is busy with something else needs its time; what hangs is still ended.
  testTimeout: 180_000,
  projects: [
    {
      ...sharing,
      displayName: 'unit',
      testMatch: ['<rootDir>/{core,contract,server,web}/src/**/*.test.ts'],
      testPathIgnorePatterns: ['[.](component|isolated)[.]test[.]ts$'],
    },
    { ...isolated, displayName: 'isolated', testMatch: ['<rootDir>/web/src/**/*.isolated.test.ts'] },
    {
      // Components mounted in a document that draws nothing: what they show and what they send.
      ...isolated,
      displayName: 'component',
      testMatch: ['<rootDir>/web/src/**/*.component.test.ts'],
      testEnvironment: 'jsdom',
      extensionsToTreatAsEsm: ['.ts', '.vue'],
      // One file instead of a thousand.
      moduleNameMapper: { '^element-plus$': '<rootDir>/node_modules/element-plus/dist/index.full.mjs' },
      transform: { ...isolated.transform, '[.]vue$': '<rootDir>/scripts/jest/isolated-vue.mjs' },
      setupFilesAfterEnv: ['<rootDir>/web/src/testing/mounting.ts'],
    },
    { ...sharing, displayName: 'integration', testMatch: ['<rootDir>/server/test/**/*.test.ts'] },
  ],
}
