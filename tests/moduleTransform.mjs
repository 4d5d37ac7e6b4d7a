import { pathToFileURL } from 'node:url';
import { transformSync } from 'esbuild';

/** Modules of packages that know where they lie by `import.meta`, for Jest, which runs CommonJS. */
const modules = {
  process: (source, path) => ({
    code: transformSync(source, {
      format: 'cjs',
      platform: 'node',
      define: { 'import.meta.url': JSON.stringify(pathToFileURL(path).href) },
      supported: { 'dynamic-import': false },
    }).code,
  }),
};
export default modules;
