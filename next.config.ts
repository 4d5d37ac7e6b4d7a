import type { NextConfig } from 'next';

const config: NextConfig = {
  serverExternalPackages: ['better-sqlite3', 'piscina'],
  poweredByHeader: false,
  devIndicators: false,
  // The transforms' loader asks for it where it runs in Node.
  turbopack: { resolveAlias: { module: { browser: './src/workers/nodeOnly.ts' } } },
};

export default config;
