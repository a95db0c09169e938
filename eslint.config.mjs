import boundaries from 'eslint-plugin-boundaries';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';
import { noCircles } from './scripts/lint/noCircles.mjs';

/** What each part of the house may know: the dependency direction of docs/architecture.md. */
const mayKnow = {
  core: ['core'],
  formats: ['core', 'formats'],
  store: ['core', 'store'],
  client: ['core', 'formats', 'client'],
  services: ['core', 'formats', 'store', 'services'],
  parts: ['core', 'parts'],
  screens: ['core', 'formats', 'client', 'parts', 'screens'],
  app: ['core', 'client', 'services', 'screens', 'parts', 'app'],
  demo: ['core', 'formats', 'store', 'services', 'demo'],
  standIns: ['demo', 'standIns'],
  scripts: ['core', 'formats', 'store', 'services', 'screens', 'demo', 'scripts'],
};

/** What comes in is checked by the server: a browser carries no schemas, and no library for them. */
const schemas = ['joi', '**/records/schemas/*', '**/records/schemas', './schemas/*'];

/** The stages of composing, in their order: each knows only those before it (docs/architecture.md). */
const stages = ['displayList', 'frames', 'paragraph', 'lines', 'column', 'text', 'page'];

export default tseslint.config(
  { ignores: ['node_modules', '.next', '.build', '.data', 'public', 'next-env.d.ts'] },
  ...tseslint.configs.recommended,
  {
    files: ['**/*.{ts,tsx}'],
    plugins: { boundaries, 'react-hooks': reactHooks, own: { rules: { 'no-circles': noCircles } } },
    settings: {
      'import/resolver': { typescript: { project: './tsconfig.json' } },
      'boundaries/elements': [
        ...['core', 'formats', 'store', 'client', 'services', 'parts', 'screens'].map((type) => ({
          type,
          pattern: `src/${type}`,
        })),
        ...['app', 'demo', 'standIns', 'scripts'].map((type) => ({ type, pattern: type })),
      ],
      'boundaries/ignore': ['**/*.test.ts', '**/*.test.tsx', 'tests/**'],
    },
    rules: {
      'boundaries/dependencies': [
        'error',
        {
          default: 'disallow',
          policies: Object.entries(mayKnow).map(([from, of]) => ({
            from: { element: { type: from } },
            allow: { to: { element: { types: { anyOf: of } } } },
          })),
        },
      ],
      'own/no-circles': 'error',
      'react-hooks/rules-of-hooks': 'error',
      'react-hooks/exhaustive-deps': 'error',
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
    },
  },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': ['error', 'window', 'document', 'process', 'fetch'],
      'no-restricted-imports': ['error', { patterns: ['node:*', 'react', 'next/*', 'pg', 'sharp'] }],
    },
  },
  {
    files: ['src/{core,formats,client,screens,parts}/**/*.{ts,tsx}'],
    ignores: ['**/*.test.ts', 'src/core/records/schemas/**'],
    rules: {
      '@typescript-eslint/no-restricted-imports': ['error', { patterns: [{ group: schemas }] }],
    },
  },
  ...stages.map((stage, i) => ({
    files: [`src/core/compose/${stage}/*.ts`],
    ignores: ['**/*.test.ts'],
    rules: {
      '@typescript-eslint/no-restricted-imports': [
        'error',
        {
          patterns: [
            { group: [...stages.slice(i + 1).map((later) => `../${later}/*`), '../composer', '../measure/*', ...schemas] },
          ],
        },
      ],
    },
  })),
);
