/**
 * The layer rule: imports go only downward.
 *
 *   app -> ui -> browser -> core
 *   app -> server -> core
 *   library, demo -> core
 */
const layer = (name) => `^src/${name}/`;

/** @type {import('dependency-cruiser').IConfiguration} */
export default {
  forbidden: [
    {
      name: 'core-is-pure',
      comment:
        'The core imports itself, Zod and small pure libraries; no React, Next, Node, DOM or database.',
      severity: 'error',
      from: { path: layer('core'), pathNot: ['\\.test\\.ts$'] },
      to: {
        pathNot: [
          layer('core'),
          'node_modules/(zod|date-fns|@date-fns|dequal|rrule|ical\\.js|windows-iana)/',
        ],
      },
    },
    {
      name: 'browser-knows-only-core',
      severity: 'error',
      from: { path: layer('browser') },
      to: { path: [layer('app'), layer('ui'), layer('server'), '^(library|demo|migrations)/'] },
    },
    {
      name: 'ui-knows-neither-app-nor-server',
      severity: 'error',
      from: { path: layer('ui') },
      to: {
        path: [layer('app'), layer('server'), '^(demo|migrations)/', 'node_modules/(knex|pg)/'],
      },
    },
    {
      name: 'server-knows-no-screen',
      severity: 'error',
      from: { path: layer('server'), pathNot: '\\.test\\.ts$' },
      to: {
        path: [layer('app'), layer('ui'), layer('browser'), 'node_modules/(react|react-dom|next)/'],
      },
    },
    {
      name: 'only-server-knows-the-database',
      severity: 'error',
      from: { path: 'src/', pathNot: layer('server') },
      to: { path: 'node_modules/(knex|pg)/' },
    },
    {
      name: 'data-knows-only-core',
      severity: 'error',
      from: { path: '^(library|demo)/' },
      to: { path: [layer('app'), layer('ui'), layer('browser'), layer('server')] },
    },
    {
      name: 'only-tests-know-testing',
      severity: 'error',
      from: { path: '^(src|library|demo)/', pathNot: ['\\.test\\.tsx?$', '/testing/'] },
      to: { path: '^testing/' },
    },
    {
      name: 'links-are-of-the-kit',
      comment:
        'Links of the framework ask for every page in sight beforehand; those of the kit do not.',
      severity: 'error',
      from: { path: 'src/', pathNot: '^src/ui/kit/link\\.tsx$' },
      to: { path: 'node_modules/next/link' },
    },
    { name: 'no-circle', severity: 'error', from: {}, to: { circular: true } },
  ],
  options: {
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    doNotFollow: { path: 'node_modules' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'types'],
    },
  },
};
