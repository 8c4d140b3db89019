/** The arrows of the house: core <- contract <- server, web; demo stands outside. No circles anywhere. */
module.exports = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-imports-only-core',
      severity: 'error',
      from: { path: '^core/' },
      to: { path: '^(contract|server|web|demo|e2e)/' },
    },
    {
      name: 'core-no-node',
      severity: 'error',
      from: { path: '^core/', pathNot: '(\\.test|/testing)\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'contract-imports-core',
      severity: 'error',
      from: { path: '^contract/' },
      to: { path: '^(server|web|demo|e2e)/' },
    },
    {
      name: 'server-not-web',
      severity: 'error',
      from: { path: '^server/' },
      to: { path: '^(web|demo|e2e)/' },
    },
    {
      name: 'web-not-server',
      severity: 'error',
      from: { path: '^web/' },
      to: { path: '^(server|demo|e2e)/' },
    },
    {
      name: 'stations-stand-apart',
      severity: 'error',
      from: { path: '^web/stations/([^/]+)/' },
      to: { path: '^web/stations/', pathNot: '^web/stations/$1/' },
    },
    {
      name: 'nothing-unresolved',
      severity: 'error',
      from: {},
      to: { couldNotResolve: true, pathNot: '^pdfmake/interfaces$' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^dist/|\\.woff2?$|\\?url$)' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      extensions: ['.ts', '.tsx', '.js', '.mjs', '.json'],
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
    },
  },
};
