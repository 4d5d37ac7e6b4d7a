import next from 'eslint-config-next/core-web-vitals';
import nextTypescript from 'eslint-config-next/typescript';
import boundaries from 'eslint-plugin-boundaries';
import { CORE, OVER_THE_CORE } from './layers.mjs';

const outsideCore = [
  'react',
  'react-dom',
  'next',
  'next/*',
  '@mui/*',
  '@emotion/*',
  'better-sqlite3',
  'fs',
  'path',
  'os',
  'net',
  'http',
  'crypto',
  'child_process',
  'node:*',
];

const coreTypes = CORE.map((folder) => `core/${folder}`);
/** Every folder as a place of its own, and whom each may import: itself, and what lies below it. */
const places = [
  ...CORE.map((folder) => ({ type: `core/${folder}`, pattern: `src/core/${folder}`, partialMatch: false })),
  ...Object.keys(OVER_THE_CORE).map((layer) => ({ type: layer, pattern: `src/${layer}`, partialMatch: false })),
];
const allowed = [
  ...coreTypes.map((type, n) => [type, coreTypes.slice(0, n + 1)]),
  ...Object.entries(OVER_THE_CORE).map(([layer, others]) => [layer, [layer, ...others, ...coreTypes]]),
].map(([type, types]) => ({
  from: { element: { type } },
  allow: { to: { element: { type: types } } },
}));

/** What is only asked of components and hooks. */
const ofReact = Object.fromEntries(
  next
    .flatMap(({ rules = {} }) => Object.keys(rules))
    .filter((rule) => /^(react|react-hooks|jsx-a11y|@next\/next)\//.test(rule))
    .map((rule) => [rule, 'off']),
);

/** Files that are nothing but texts. */
const TEXTS_BY_THEMSELVES = ['src/ui/help/*erms.ts', 'src/ui/help/keys.ts'];

const config = [
  {
    ignores: ['.next/**', '.mutants/**', 'node_modules/**', 'next-env.d.ts', 'test-results/**', 'playwright-report/**'],
  },
  ...next,
  ...nextTypescript,
  // No React below the interface, and none beside it: to look for it takes a third of the time.
  { files: ['**/*.{ts,mts,mjs}'], ignores: ['src/app/**', 'src/ui/**'], rules: ofReact },
  {
    rules: {
      // An interface that only extends adds to what a library has declared.
      '@typescript-eslint/no-empty-object-type': ['error', { allowInterfaces: 'with-single-extends' }],
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true },
      ],
    },
  },
  {
    files: ['src/**/*.{ts,tsx}'],
    ignores: ['**/*.test.ts'],
    plugins: { boundaries },
    settings: {
      'boundaries/elements': places,
      'import/resolver': { typescript: true },
    },
    rules: {
      'boundaries/dependencies': [
        'error',
        {
          default: 'disallow',
          message: '{{ from.element.type }} may not import {{ to.element.type }}: layers.mjs says what lies on what.',
          policies: allowed,
        },
      ],
    },
  },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [{ group: outsideCore, message: 'The core knows no interface, database, file, network or clock.' }],
        },
      ],
    },
  },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'fetch',
        'localStorage',
        'process',
        'setTimeout',
        'setInterval',
        'performance',
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random' },
        { object: 'Date', property: 'now' },
      ],
    },
  },
  {
    files: ['src/app/**/*.{ts,tsx}', 'src/ui/**/*.{ts,tsx}'],
    ignores: ['**/*.test.ts', 'src/ui/shell/ask.ts', 'src/ui/shell/sharedEvents.ts'],
    rules: {
      'no-restricted-globals': [
        'error',
        { name: 'fetch', message: 'The server is asked by ask or answerOf of src/ui/shell, and followed by useQuery.' },
        { name: 'EventSource', message: 'Events are shared by the tabs: shareEvents of src/ui/shell.' },
      ],
    },
  },
  {
    files: ['src/app/**/*.{ts,tsx}', 'src/ui/**/*.{ts,tsx}'],
    ignores: ['**/*.test.ts', '**/texts.ts', 'src/app/api/**', ...TEXTS_BY_THEMSELVES],
    rules: {
      'no-restricted-syntax': [
        'error',
        ...[
          'JSXText[value=/[A-Za-z]{2}/]',
          'JSXAttribute[name.name=/^(label|title|placeholder|helperText|alt|aria-label|heading|note|.*Label)$/] > Literal[value=/[A-Za-z]{2}/]',
          ':not(BinaryExpression, Property) > Literal[value=/^[A-Z][a-z]+[ ,.…].*[a-z]/]',
          'Property > Literal.value[value=/^[A-Z][a-z]+[ ,.…].*[a-z]/]',
          'TemplateElement[value.raw=/[A-Za-z]{3,} (?!infinite)[a-z]{2,}/]',
        ].map((selector) => ({ selector, message: 'What a person reads stands in texts.ts of this folder.' })),
        {
          selector: 'JSXAttribute[name.name="sx"] Property[key.name="fontSize"] Literal[value=/rem$/]',
          message: 'Styles of text stand in src/ui/theme.ts: a variant, or its size by name.',
        },
      ],
    },
  },
];
export default config;
