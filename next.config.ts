import type { NextConfig } from 'next';

const config: NextConfig = {
  serverExternalPackages: ['better-sqlite3', 'piscina'],
  poweredByHeader: false,
  devIndicators: false,
  // `npm run typecheck` is a step of its own: checked once more here, it would take longer than the build itself.
  typescript: { ignoreBuildErrors: true },
  // What is built once and never again is not kept for a next time: writing it down takes a third of the build.
  experimental: { turbopackFileSystemCacheForBuild: process.env.BUILD_ONCE === undefined },
  // The transforms' loader asks for it where it runs in Node.
  turbopack: { resolveAlias: { module: { browser: './src/workers/nodeOnly.ts' } } },
};

export default config;
