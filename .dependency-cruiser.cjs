/** Import directions of the rooms: core ← contract ← server, core ← contract ← web. */
const rule = (name, from, to, extra = {}) => ({ name, severity: 'error', from, to, ...extra })
module.exports = {
  forbidden: [
    rule('no-cycles', {}, { circular: true }),
    rule(
      'core-is-pure',
      { path: '^core/src', pathNot: '([.]test[.]ts$|^core/src/testing/)' },
      {
        // Almanac, needle, English syllables, matrices and quantiles: pure functions without a clock.
        pathNot: ['^core/src', '^node_modules/(astronomy-engine|magvar|ml-matrix|syllable|@stdlib)/'],
      },
    ),
    rule(
      'contract-small',
      { path: '^contract/src', pathNot: '[.]test[.]ts$' },
      { pathNot: ['^(core|contract)/src', '^node_modules/zod/'] },
    ),
    rule('apps-apart', { path: '^(web|server)/' }, { path: '^(web|server)/', pathNot: '^$1/' }),
    rule(
      'front-door',
      { path: '/features/([^/]+)/' },
      { path: '/features/', pathNot: ['/features/$1/', '/service[.]ts$'] },
    ),
    // A new feature is known to one list; what all stand on knows none of them.
    rule('platform-knows-no-feature', { path: '^server/src/platform/' }, { path: '^server/src/(features|demo)' }),
    rule(
      'shared-knows-no-area',
      { path: '^web/src/shared/', pathNot: '[.]test[.]ts$' },
      { path: '^web/src/(areas|borrower)/' },
    ),
    rule('borrower-knows-no-area', { path: '^web/src/borrower/' }, { path: '^web/src/areas/' }),
    rule(
      'typeorm-in-storage',
      { pathNot: ['/platform/', '/migrations/', '/entities[.]ts$', '/queries[.]ts$', '/data-source[.]ts$'] },
      { path: '^node_modules/typeorm/' },
    ),
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)dist/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.tests.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['@binoculum/source', 'import', 'types', 'node'],
      extensions: ['.ts', '.vue', '.js', '.mjs'],
    },
  },
}
