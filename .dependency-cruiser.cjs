/** Who may import whom (docs/decisions/0001-house.md). */
module.exports = {
  forbidden: [
    {
      name: 'core-imports-nothing-of-ours',
      severity: 'error',
      from: { path: '^core/src' },
      to: { path: '^(contract|server|web|bench|scripts)/' },
    },
    { name: 'contract-only-core', severity: 'error', from: { path: '^contract/src' }, to: { path: '^(server|web|bench|scripts)/' } },
    { name: 'nobody-imports-server', severity: 'error', from: { pathNot: '^(server|bench|e2e|scripts)/' }, to: { path: '^server/' } },
    { name: 'nobody-imports-web', severity: 'error', from: { pathNot: '^(web|e2e)/' }, to: { path: '^web/' } },
    { name: 'core-is-pure', severity: 'error', from: { path: '^core/src' }, to: { dependencyTypes: ['core'] } },
    {
      name: 'no-cycles-between-files',
      severity: 'error',
      from: { path: '^(core|contract|server)/src' },
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    {
      name: 'no-cycles-between-rooms-of-core',
      severity: 'error',
      scope: 'folder',
      from: { path: '^core/src' },
      to: { circular: true },
    },
    {
      name: 'solver-only-behind-its-interface',
      severity: 'error',
      from: { path: '^(core|contract|server|web)/src', pathNot: '^(core/src/solve/highs|web/src/worker/worker|server/src/seed/demo)' },
      to: { path: 'node_modules/highs|core/src/solve/highs' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'default', 'types'],
      extensions: ['.ts', '.js', '.json', '.vue'],
    },
  },
};
