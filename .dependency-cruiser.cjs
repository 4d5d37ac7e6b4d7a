/** No file and no folder of the source leads back to itself by its imports, those of types included. */
module.exports = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'no-circles-between-folders',
      severity: 'error',
      scope: 'folder',
      from: { path: '^src/core/' },
      to: { circular: true },
    },
  ],
  options: {
    includeOnly: '^src/',
    exclude: '\\.test\\.tsx?$',
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { extensions: ['.ts', '.tsx', '.mjs', '.js'] },
  },
};
