/** Imports go down only: core ← contract ← server, web. */
const CORE = '^packages/core/';
const CONTRACT = '^packages/contract/';
const SERVER = '^apps/server/';
const WEB = '^apps/web/';
/** What every domain of the server may use. */
const SERVER_FLOORS = `${SERVER}src/(storage|problems|demo/data)/`;

/** Floors of core from the ground up: a folder imports from floors below its own, or from itself. */
const CORE_FLOORS = [
  ['units', 'numerics', 'device'],
  ['colour'],
  ['pigment', 'formats'],
  ['material', 'fit'],
  ['plan'],
  ['balance'],
  ['match'],
  ['palette'],
  ['work'],
  ['checks', 'sheet'],
  ['why', 'start', 'day'],
  ['evidence'],
  ['face'],
  ['record'],
  ['causes', 'calendar'],
];
const folders = (names) => `${CORE}src/(${names.join('|')})/`;
const TEST = '\\.test\\.tsx?$';
/** Tests keep to the floors as well, but may use what is there for testing. */
const coreFloors = CORE_FLOORS.flatMap((floor, level) =>
  floor.flatMap((folder) => {
    const below = [folder, ...CORE_FLOORS.slice(0, level).flat()];
    const rule = (name, from, allowed) => ({
      name,
      severity: 'error',
      from: { path: folders([folder]), ...from },
      to: { path: `${CORE}src/`, pathNot: folders(allowed) },
    });
    return [
      rule(`core-floor-of-${folder}`, { pathNot: TEST }, below),
      rule(`core-floor-of-tests-of-${folder}`, { path: `${folders([folder])}.*${TEST}` }, [
        ...below,
        'testing',
      ]),
    ];
  }),
);

/** Floors of the web from the ground up: server data, shared parts, rooms, and the application that assembles them. */
const WEB_FLOORS = ['data', 'shared', 'rooms', 'app'];
const webFloors = WEB_FLOORS.map((floor, level) => ({
  name: `web-floor-of-${floor}`,
  severity: 'error',
  from: { path: `${WEB}src/${floor}/` },
  to: {
    path: `${WEB}src/`,
    pathNot: `${WEB}src/(${[...WEB_FLOORS.slice(0, level + 1), 'workers'].join('|')})/`,
  },
}));

module.exports = {
  forbidden: [
    {
      name: 'no-circular',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    ...coreFloors,
    {
      name: 'core-folder-has-a-floor',
      comment: 'A new folder of core is put on a floor above.',
      severity: 'error',
      from: { path: `${CORE}src/`, pathNot: folders([...CORE_FLOORS.flat(), 'testing']) },
      to: {},
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
      to: { path: `${CONTRACT}src/.*dto\\.ts$` },
    },
    {
      name: 'rooms-do-not-import-each-other',
      severity: 'error',
      from: { path: '^apps/web/src/rooms/([^/]+)/' },
      to: { path: '^apps/web/src/rooms/', pathNot: '^apps/web/src/rooms/$1/' },
    },
    ...webFloors,
    {
      name: 'workers-import-core-only',
      severity: 'error',
      from: { path: '^apps/web/src/workers/' },
      to: { path: '^(apps|packages)/', pathNot: [`${CORE}`, '^apps/web/src/workers/'] },
    },
    {
      name: 'server-domains-meet-in-services',
      comment: 'A domain sees of another its service and module, and the floors below all domains.',
      severity: 'error',
      from: { path: `${SERVER}src/([^/]+)/`, pathNot: `${SERVER_FLOORS}.*${TEST}` },
      to: {
        path: `${SERVER}src/[^/]+/`,
        pathNot: [`${SERVER}src/$1/`, SERVER_FLOORS, '\\.(service|module)\\.ts$'],
      },
    },
    {
      name: 'server-floors-know-no-domain',
      severity: 'error',
      from: { path: SERVER_FLOORS, pathNot: TEST },
      to: { path: `${SERVER}src/`, pathNot: SERVER_FLOORS },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '/(dist|bundle)/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.test.json' },
    enhancedResolveOptions: {
      conditionNames: ['source', 'import', 'types', 'default'],
      exportsFields: ['exports'],
    },
  },
};
