const shared = {
  extensionsToTreatAsEsm: ['.ts'],
  testEnvironment: 'node',
  testEnvironmentOptions: { customExportConditions: ['@binoculum/source', 'node', 'node-addons'] },
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
    { ...shared, displayName: 'unit', testMatch: ['<rootDir>/{core,contract,server,web}/src/**/*.test.ts'] },
    { ...shared, displayName: 'integration', testMatch: ['<rootDir>/server/test/**/*.test.ts'] },
  ],
}
