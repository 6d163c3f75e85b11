import globals from 'globals';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

/** Arrows point one way: app → features → design/device → contract → core. */
const arrow = (files, forbidden, why) => ({
  files,
  rules: {
    'no-restricted-imports': ['error', { patterns: [{ group: forbidden, message: why }] }],
  },
});

const OUTSIDE_CORE = [
  '@ant-trail/contract/*',
  '@ant-trail/demo',
  '@ant-trail/stand-ins/*',
  'react',
  'react-native',
  'typeorm',
  'express',
  'zod',
  'node:*',
];

export default tseslint.config(
  {
    ignores: [
      '**/node_modules/',
      '**/dist/',
      '**/dist-with-*/',
      '.local/',
      '**/.expo/',
      '**/public/',
      '**/*.js',
      '**/*.cjs',
      '**/test-results/',
    ],
  },
  ...tseslint.configs.recommendedTypeChecked,
  {
    languageOptions: {
      parserOptions: {
        project: ['./tsconfig.json', './apps/client/tsconfig.json'],
        tsconfigRootDir: import.meta.dirname,
      },
    },
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      '@typescript-eslint/switch-exhaustiveness-check': [
        'error',
        { considerDefaultExhaustiveForUnions: true },
      ],
      '@typescript-eslint/no-misused-promises': [
        'error',
        { checksVoidReturn: { attributes: false } },
      ],
      '@typescript-eslint/restrict-template-expressions': [
        'error',
        { allowNumber: true, allowNullish: true },
      ],
      eqeqeq: 'error',
      'no-console': 'off',
    },
  },
  {
    files: ['**/*.mjs'],
    ...tseslint.configs.disableTypeChecked,
    languageOptions: {
      globals: globals.node,
      parserOptions: { project: null, program: null, projectService: false },
    },
  },
  {
    files: ['apps/client/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': reactHooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
  {
    // Declaration merging needs an empty interface, once.
    files: ['apps/client/design/tamagui.config.ts'],
    rules: { '@typescript-eslint/no-empty-object-type': 'off' },
  },
  arrow(
    ['packages/core/src/**/*.ts'],
    OUTSIDE_CORE,
    'The core has no interface, no I/O and no wire format.',
  ),
  arrow(
    ['packages/contract/src/**/*.ts'],
    ['@ant-trail/demo', '@ant-trail/stand-ins/*', 'react', 'typeorm', 'express'],
    'The contract knows only the core.',
  ),
  arrow(
    ['apps/client/design/**', 'apps/client/device/**'],
    ['@/features/*', '@/app/*'],
    'Design and device know no feature.',
  ),
  arrow(
    ['apps/client/features/*/*.{ts,tsx}', 'apps/client/features/capture/parts/**'],
    ['@/app/*', '**/desk/*'],
    'What both faces share must not know the desk.',
  ),
  arrow(
    [
      'apps/client/features/*/field/**',
      'apps/client/app/(field)/**',
      'apps/client/faces/field.tsx',
    ],
    ['@/app/*', '**/desk/*'],
    'The field face loads no desk code.',
  ),
  arrow(
    ['apps/client/features/*/desk/**', 'apps/client/app/(desk)/**', 'apps/client/faces/desk.tsx'],
    ['@/app/*', '**/field/*', '@/features/sync/*'],
    'The desk loads no field code.',
  ),
  arrow(
    ['apps/server/src/modules/**', 'apps/server/src/http/**', 'apps/server/src/database/**'],
    ['@ant-trail/demo'],
    'Only the set-up knows the demo.',
  ),
);
