/** Imports go down only: core ← contract ← server, web. */
const CORE = '^packages/core/';
const CONTRACT = '^packages/contract/';
const SERVER = '^apps/server/';
const WEB = '^apps/web/';

module.exports = {
  forbidden: [
    {
      name: 'no-circular',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    {
      name: 'core-imports-nothing-of-ours',
      severity: 'error',
      from: { path: CORE },
      to: { path: [CONTRACT, '^apps/', '^e2e/', '^bench/'] },
    },
    {
      name: 'core-is-pure',
      comment: 'No Node, no React, no D3 in core.',
      severity: 'error',
      from: { path: CORE },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'core-knows-no-interface',
      severity: 'error',
      from: { path: CORE },
      to: { path: 'node_modules/(react|antd|d3-)' },
    },
    {
      name: 'contract-imports-core-only',
      severity: 'error',
      from: { path: CONTRACT },
      to: { path: '^apps/' },
    },
    {
      name: 'server-and-web-meet-in-the-contract',
      severity: 'error',
      from: { path: SERVER },
      to: { path: WEB },
    },
    {
      name: 'web-and-server-meet-in-the-contract',
      severity: 'error',
      from: { path: WEB },
      to: { path: SERVER },
    },
    {
      name: 'no-dto-classes-in-the-web',
      comment: 'They bring class-validator and Nest with them.',
      severity: 'error',
      from: { path: WEB },
      to: { path: `${CONTRACT}src/dto/` },
    },
    {
      name: 'rooms-do-not-import-each-other',
      severity: 'error',
      from: { path: '^apps/web/src/rooms/([^/]+)/' },
      to: { path: '^apps/web/src/rooms/', pathNot: '^apps/web/src/rooms/$1/' },
    },
    {
      name: 'shared-imports-no-room',
      severity: 'error',
      from: { path: '^apps/web/src/(shared|workers)/' },
      to: { path: '^apps/web/src/rooms/' },
    },
    {
      name: 'workers-import-core-only',
      severity: 'error',
      from: { path: '^apps/web/src/workers/' },
      to: { path: '^(apps|packages)/', pathNot: [`${CORE}`, '^apps/web/src/workers/'] },
    },
    {
      name: 'server-domains-meet-in-services',
      severity: 'error',
      from: { path: '^apps/server/src/(catalogue|batches|settings|colour|palettes)/' },
      to: {
        path: '^apps/server/src/(catalogue|batches|settings|colour|palettes|demo)/',
        pathNot: ['^apps/server/src/$1/', '\\.(service|module)\\.ts$'],
      },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(/dist/|\\.test\\.tsx?$)' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.test.json' },
    enhancedResolveOptions: {
      conditionNames: ['source', 'import', 'types', 'default'],
      exportsFields: ['exports'],
    },
  },
};
