const { existsSync } = require('node:fs');
const path = require('node:path');
const preset = require('jest-expo/web/jest-preset');

/** Packages that can only be imported, for which Jest's resolver needs to be told the file. */
const importOnly = (name, file) =>
  [
    path.join(__dirname, '../../packages/core/node_modules'),
    path.join(__dirname, '../../node_modules'),
  ]
    .map((place) => path.join(place, name, file))
    .find((candidate) => existsSync(candidate));

module.exports = {
  displayName: 'client',
  testTimeout: 60_000,
  preset: 'jest-expo/web',
  testMatch: ['<rootDir>/test/**/*.test.{ts,tsx}'],
  setupFiles: ['<rootDir>/test/support/browser.ts'],
  setupFilesAfterEnv: ['<rootDir>/test/support/hands-rest.ts'],
  moduleNameMapper: {
    // Tests plan sheets at once.
    '^\\./language\\.ts$': '<rootDir>/../../packages/core/test/support/language-at-once.ts',
    '^\\./more-kits\\.ts$': '<rootDir>/../../packages/core/test/support/walls-kit/index.ts',
    '^\\./more-kit-parts\\.ts$': '<rootDir>/test/support/walls-kit/index.ts',
    '^@/(.*)$': '<rootDir>/$1',
    '^canonicalize$': importOnly('canonicalize', 'lib/canonicalize.js'),
  },
  // Some packages are modules only, under an ending of their own.
  transform: { ...preset.transform, '\\.mjs$': preset.transform['\\.[jt]sx?$'] },
  transformIgnorePatterns: [
    'node_modules/(?!((jest-)?react-native|@react-native|expo|@expo|@tamagui|tamagui|@noble|@scure|canonicalize|uuid|@marcbachmann|dexie|flatqueue|@turf|react-native-svg|react-hotkeys-hook))',
  ],
};
