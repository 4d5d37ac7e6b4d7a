import next from 'eslint-config-next/core-web-vitals';
import nextTypescript from 'eslint-config-next/typescript';

/** Layers from top to bottom; a file may import its own layer and those below it. */
const layers = ['app', 'ui', 'workers', 'store', 'core'];
/** What each layer must not reach, beyond the layers above it. */
const forbidden = {
  app: [],
  ui: ['store'],
  workers: ['store'],
  store: [],
  core: [],
};
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

const group = (names) => names.flatMap((name) => [`@/${name}`, `@/${name}/*`, `**/${name}/*`]);
const layerRule = (layer) => {
  const above = layers.slice(0, layers.indexOf(layer));
  const patterns = [
    {
      group: group([...above, 'cli', ...forbidden[layer]]),
      message: `${layer} imports only its own layer and those below it (README, Layers).`,
    },
  ];
  if (layer === 'core')
    patterns.push({ group: outsideCore, message: 'The core knows no interface, database, file, network or clock.' });
  return {
    files: [`src/${layer}/**/*.{ts,tsx}`],
    ignores: ['**/*.test.ts'],
    rules: { 'no-restricted-imports': ['error', { patterns }] },
  };
};

const config = [
  { ignores: ['.next/**', 'node_modules/**', 'next-env.d.ts', 'test-results/**', 'playwright-report/**'] },
  ...next,
  ...nextTypescript,
  {
    rules: {
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true },
      ],
    },
  },
  ...layers.map(layerRule),
  {
    files: ['src/cli/**/*.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [{ group: group(['app', 'ui', 'workers', 'store']), message: 'The terminal uses the core alone.' }],
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
];
export default config;
