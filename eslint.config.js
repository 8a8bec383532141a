import hooks from 'eslint-plugin-react-hooks';
import a11y from 'eslint-plugin-jsx-a11y';
import ts from 'typescript-eslint';
import { RATCHET } from './eslint.ratchet.js';
import words from './eslint.rules.js';

/** Addresses are said once, in contract/routes; an import path or a type of a problem is none. */
const NO_ADDRESSES = ['Literal[value=', 'TemplateElement[value.raw='].map((text) => ({
  selector:
    `${text}/^\\u002f(jobs|schedule|bench|suppliers|coordination|firm|runs|walk|s|api|calendar|sign-in|welcome)` +
    '(\\u002f|$)/]',
  message: 'An address is said once: ask contract/routes for it.',
}));

export default ts.config(
  { ignores: ['.next/', '.built/', 'node_modules/', 'var/', 'next-env.d.ts', '*.cjs'] },
  ...ts.configs.strictTypeChecked.map((config) => ({ ...config, files: ['**/*.ts', '**/*.tsx'] })),
  {
    files: ['**/*.ts', '**/*.tsx'],
    languageOptions: { parserOptions: { projectService: true } },
    plugins: { words },
    rules: {
      'words/phrases-whole': 'error',
      '@typescript-eslint/no-non-null-assertion': 'error',
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/no-confusing-void-expression': 'off',
      // There are no enums, instances are seldom handed on, and what is deprecated fails when a package is renewed: these
      // three alone took half of the time.
      '@typescript-eslint/no-deprecated': 'off',
      '@typescript-eslint/no-unsafe-enum-assignment': 'off',
      '@typescript-eslint/no-unsafe-class-instance-assignment': 'off',
      // A query is told what its rows are; only the migration knows whether that is true.
      '@typescript-eslint/no-unnecessary-type-parameters': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
    },
  },
  {
    files: ['src/server/**/*.ts', 'demo/**/*.ts'],
    // Those that write what stands, and that read what a record was made of.
    ignores: [
      'src/server/reading/{records,pictures,standing,named}.ts',
      'src/server/walks/write.ts',
      'src/server/walks/rebuild.ts',
    ],
    rules: {
      'no-restricted-syntax': [
        'error',
        ...['Literal[value=', 'TemplateElement[value.raw='].map((text) => ({
          selector: `${text}/\\b(FROM|JOIN)\\s+observation\\b/]`,
          message: 'What was withdrawn counts nowhere: read standing_observation, or ask reading/records.',
        })),
        ...NO_ADDRESSES,
      ],
    },
  },
  {
    files: ['src/ui/**/*.{ts,tsx}', 'src/app/**/*.{ts,tsx}'],
    ignores: ['**/*.test.*'],
    rules: { 'no-restricted-syntax': ['error', ...NO_ADDRESSES] },
  },
  {
    files: ['src/**/*.tsx'],
    ignores: ['src/ui/kit/link.tsx'],
    rules: {
      'no-restricted-imports': [
        'error',
        { name: 'next/link', message: 'Use Link of ui/kit, which asks for no page before somebody does.' },
      ],
    },
  },
  {
    files: ['src/**/*.tsx', 'src/ui/**/*.ts'],
    plugins: { 'react-hooks': hooks },
    // The other rules of the set compile every component: a third of the time, for a compiler that is not used here.
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
  {
    files: ['src/**/*.tsx'],
    ...a11y.flatConfigs.recommended,
    rules: {
      ...a11y.flatConfigs.recommended.rules,
      // What slides in takes the focus to its first field, and gives it back; a recording's words stand beside it.
      'jsx-a11y/no-autofocus': 'off',
      'jsx-a11y/media-has-caption': 'off',
      // What scrolls sideways, and lists gone through by arrow, are reached by key; axe looks at them on the drawn page.
      'jsx-a11y/no-noninteractive-tabindex': 'off',
      'jsx-a11y/no-noninteractive-element-interactions': 'off',
      'jsx-a11y/no-static-element-interactions': 'off',
    },
  },
  {
    files: ['**/*.test.ts', 'tests/**'],
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/no-unsafe-assignment': 'off',
      '@typescript-eslint/no-unsafe-member-access': 'off',
    },
  },
  {
    // Sums over numbers of known length, a hundred thousand for each walk: an index is right or the test beside it fails.
    files: ['src/core/narration/{stretches,lattice,weights,features,clauses}.ts', 'training/*.ts'],
    rules: { '@typescript-eslint/no-non-null-assertion': 'off' },
  },
  {
    files: ['src/**/*.{ts,tsx}', 'demo/**/*.ts', 'scripts/**/*.ts', 'bench/**/*.ts'],
    ignores: ['**/*.test.{ts,tsx}'],
    // A switch over kinds is one decision: its cases are read line by line, and `never` holds them whole.
    rules: {
      complexity: ['error', { max: 20, variant: 'modified' }],
      'max-lines-per-function': ['error', { max: 120 }],
    },
  },
  ...Object.entries(RATCHET).map(([file, max]) => ({
    files: [file],
    rules: { complexity: ['error', { max, variant: 'modified' }] },
  })),
  { files: ['**/*.{ts,tsx,mjs,js}'], rules: { 'max-len': ['error', { code: 140 }] } },
);
