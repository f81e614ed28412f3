import { house, roofOf } from './house.mjs';

/*
 * The arrows of the house. They only run downward: the app, the command and the printer stand on the core, and each room
 * imports from the rooms that `house.mjs` names for it.
 */
const isTest = '\\.test\\.ts$';

/** @type {import('dependency-cruiser').IConfiguration} */
export default {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'no-lost-imports',
      severity: 'error',
      from: {},
      to: { couldNotResolve: true, pathNot: ['^(\\$|\\./\\$types)', '\\?(url|worker)$'] },
    },
    {
      name: 'core-is-pure',
      comment: 'The core imports no interface, database, network or file-system code, nor anything above it.',
      severity: 'error',
      from: { path: '^core/src', pathNot: isTest },
      to: {
        pathNot: [
          '^core/src',
          '^node_modules/(manifold-3d|harfbuzzjs|bidi-js|pdfkit|zod|fflate|saxes|fast-png|svgpath|d3-delaunay|d3-quadtree|earcut|polylabel|simplify-js|intl-messageformat|@formatjs/icu-messageformat-parser)/',
        ],
      },
    },
    {
      name: 'core-needs-no-node',
      severity: 'error',
      from: { path: '^core/src', pathNot: isTest },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'kernel-only-in-solid',
      comment: 'Only core/src/solid knows which geometry kernel there is.',
      severity: 'error',
      from: { path: '^(core|app|cli|printer)/src', pathNot: ['^core/src/solid', isTest, '\\.worker\\.ts$'] },
      to: { path: 'node_modules/manifold-3d' },
    },
    {
      name: 'the schema of the database needs no kernel',
      comment: 'What makes its migrations cannot load one.',
      severity: 'error',
      from: { path: '^app/src/lib/server/platform/db/schema/', pathNot: isTest },
      to: { path: '^core/src/solid/', reachable: true },
    },
    ...house.flatMap(({ path, uses }) => {
      if (!uses) return [];
      const allowed = [path, ...uses.map((name) => `${roofOf(path)}/${name}`)];
      return {
        name: `${path.replace('/src', '')} keeps to its arrows`,
        severity: 'error',
        from: { path: `^${path}/`, pathNot: isTest },
        to: { path: `^${roofOf(path)}/`, pathNot: `^(${allowed.join('|')})(/|$)` },
      };
    }),
    {
      name: 'core-looks-up-at-nothing',
      severity: 'error',
      from: { path: '^core/' },
      to: { path: '^(app|cli|printer|e2e|bench|fuzz|ops)/' },
    },
    {
      name: 'printer-stands-alone',
      comment:
        'The simulated printer shares no code with what drives it, so that it cannot share its mistakes.',
      severity: 'error',
      from: { path: '^printer/src' },
      to: { path: '^(core|app|cli|ops|e2e|bench)/' },
    },
    {
      name: 'cli-needs-no-app',
      severity: 'error',
      from: { path: '^cli/src' },
      to: { path: '^(app|printer|ops|e2e|bench)/' },
    },
    {
      name: 'server-knows-no-svelte',
      severity: 'error',
      from: { path: '^app/src/lib/server', pathNot: isTest },
      to: { path: ['svelte', '^app/src/routes', '^app/src/lib/(?!server|shared)'] },
    },
    {
      name: 'shared-is-plain',
      comment: 'What a page and the server both do, such as reading a list, knows neither of them.',
      severity: 'error',
      from: { path: '^app/src/lib/shared', pathNot: isTest },
      to: { path: ['svelte', '^app/src/routes', '^app/src/lib/(?!shared)'] },
    },
    {
      name: 'screens-know-no-routes',
      severity: 'error',
      from: { path: '^app/src/lib' },
      to: { path: '^app/src/routes' },
    },
    {
      name: 'shared-parts-know-no-screen',
      severity: 'error',
      from: { path: '^app/src/lib/ui' },
      to: { path: '^app/src/lib/(?!ui|shared|texts|live|server)' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(/dist/|/build/|\\.svelte-kit)' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'types', 'default'],
      extensions: ['.ts', '.js', '.mjs', '.d.ts', '.svelte'],
    },
  },
};
