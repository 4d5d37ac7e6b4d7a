import type { NextConfig } from 'next';

/**
 * React's own compiler, in the browser: what did not change is not drawn again. Over what holds a whole place together;
 * over everything the build would take half as long again, for little more.
 */
const compiled = (isTSX: boolean) => ({
  condition: { all: ['browser' as const, { not: 'foreign' as const }] },
  loaders: [
    {
      loader: 'babel-loader',
      options: {
        babelrc: false,
        configFile: false,
        plugins: [
          // What only an event's function reads may not be there yet while it is drawn.
          ['babel-plugin-react-compiler', { environment: { enableTreatFunctionDepsAsConditional: true } }],
          ['@babel/plugin-syntax-typescript', { isTSX }],
        ],
      },
    },
  ],
});

const config: NextConfig = {
  serverExternalPackages: ['better-sqlite3', 'piscina'],
  poweredByHeader: false,
  devIndicators: false,
  // `npm run typecheck` is a step of its own: checked once more here, it would take longer than the build itself.
  typescript: { ignoreBuildErrors: true },
  // What is built once and never again is not kept for a next time: writing it down takes a third of the build.
  experimental: {
    turbopackFileSystemCacheForBuild: process.env.BUILD_ONCE === undefined,
    turbopackUseBuiltinBabel: false,
  },
  turbopack: {
    // The transforms' loader asks for it where it runs in Node.
    resolveAlias: { module: { browser: './src/workers/nodeOnly.ts' } },
    rules: {
      '*{Place,Frame,Bar,Here,Rail,Menu,Parts,Button,Field,Choice}.tsx': compiled(true),
      'use*.ts': compiled(false),
    },
  },
};

export default config;
