const swc = [
  '@swc/jest',
  {
    jsc: {
      target: 'es2022',
      parser: { syntax: 'typescript', decorators: true },
      transform: { legacyDecorator: true, useDefineForClassFields: false },
    },
    module: { type: 'es6' },
  },
];

const node = {
  testEnvironment: 'node',
  transform: { '^.+\\.ts$': swc },
  extensionsToTreatAsEsm: ['.ts'],
  // A trade kit of the tests' own is plugged in where further ones are listed.
  moduleNameMapper: {
    // Tests plan sheets at once.
    '^\\./language\\.ts$': '<rootDir>/packages/core/test/support/language-at-once.ts',
    '^\\./more-kits\\.ts$': '<rootDir>/packages/core/test/support/walls-kit/index.ts',
    '^\\./more-report-parts\\.ts$': '<rootDir>/apps/server/test/support/walls-kit/index.ts',
  },
};

export default {
  projects: [
    { ...node, displayName: 'core', testMatch: ['<rootDir>/packages/*/test/**/*.test.ts'] },
    {
      ...node,
      displayName: 'server',
      testMatch: ['<rootDir>/apps/server/test/**/*.test.ts'],
      globalSetup: '<rootDir>/apps/server/test/support/start-cluster.mjs',
      setupFiles: ['<rootDir>/apps/server/test/support/own-cluster.mjs'],
      globalTeardown: '<rootDir>/apps/server/test/support/stop-cluster.mjs',
    },
  ],
  testTimeout: 60_000,
};
