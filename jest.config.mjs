/** Unit tests stand beside the code; the browser tests in tests/e2e belong to Playwright. */
const config = {
  testEnvironment: 'node',
  // Starting ngspice or a second process takes its time on a busy machine.
  testTimeout: 60_000,
  maxWorkers: '100%',
  setupFiles: ['<rootDir>/tests/properties.ts'],
  // Tests run in a context of their own, where looking up a global is slow: these are handed in.
  sandboxInjectedGlobals: ['Array', 'Float64Array', 'JSON', 'Map', 'Math', 'Number', 'Object', 'Set'],
  roots: ['<rootDir>/src', '<rootDir>/tests'],
  testMatch: ['**/*.test.ts'],
  testPathIgnorePatterns: ['/tests/e2e/'],
  // As a file that can be required: modules alone would have to be transformed.
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1', '^d3$': '<rootDir>/node_modules/d3/dist/d3.js' },
  // Brings modules alone, and asks where it lies.
  transformIgnorePatterns: ['/node_modules/(?!@echogarden/)'],
  transform: {
    '/@echogarden/.+\\.js$': '<rootDir>/tests/moduleTransform.mjs',
    '^.+\\.tsx?$': [
      '@swc/jest',
      { jsc: { target: 'es2022', parser: { syntax: 'typescript', tsx: true } }, module: { type: 'commonjs' } },
    ],
  },
};
export default config;
