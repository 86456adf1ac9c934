/** The benchmarks as the worker runs core: bundled, without names kept for stack traces, which cost a fifth. */
export default {
  ssr: { noExternal: [/^@roskel\//] },
  build: { ssr: 'bench/index.ts', outDir: 'node_modules/.cache/roskel-bench', emptyOutDir: true, target: 'node20', minify: false },
  // No program that serves a kitchen: what it worked out is kept by nobody.
  define: { __RULES__: JSON.stringify('bench') },
  logLevel: 'warn',
};
