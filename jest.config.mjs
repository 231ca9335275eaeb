import { join } from 'node:path';

/*
 * Core and server run as ES modules, compiled by SWC as they load, in worker threads that keep what they have loaded:
 * a third of the time that a new context for each file of tests takes. The threads read these two from the environment.
 */
process.env.NODE_OPTIONS = [
  process.env.NODE_OPTIONS ?? '',
  '--conditions=source',
  '--import=@swc-node/register/esm-register',
].join(' ');
process.env.TS_NODE_PROJECT = join(import.meta.dirname, 'apps/server/tsconfig.json');

/** The components need a document: they are compiled to CommonJS (no --experimental-vm-modules). */
const swc = {
  '^.+\\.[cm]?[jt]sx?$': [
    '@swc/jest',
    {
      jsc: {
        target: 'es2023',
        parser: { syntax: 'typescript', tsx: true, decorators: true },
        transform: {
          legacyDecorator: true,
          decoratorMetadata: true,
          useDefineForClassFields: false,
          react: { runtime: 'automatic' },
        },
      },
      module: { type: 'commonjs' },
      sourceMaps: 'inline',
    },
  ],
};
// Published as ES modules only, so they must be compiled too.
const esmOnly = [
  'd3-[a-z-]+',
  'internmap',
  '@ant-design/colors',
  'scroll-into-view-if-needed',
  'compute-scroll-into-view',
];

const web = (file) => join(import.meta.dirname, 'apps/web', file);

const project = (displayName, rootDir, extra = {}) => ({
  displayName,
  rootDir,
  testMatch: ['**/*.test.ts?(x)'],
  modulePathIgnorePatterns: ['/dist/', '/bundle/'],
  ...extra,
});
const light = { runner: 'jest-light-runner', transform: {} };

export default {
  // A shared machine can stand still for seconds: this stops what hangs, it does not time anything.
  testTimeout: 120_000,
  // All cores: nothing else runs beside the unit tests.
  maxWorkers: '100%',
  projects: [
    project('core', 'packages/core', light),
    project('server', 'apps/server', {
      ...light,
      setupFiles: ['reflect-metadata'],
      testPathIgnorePatterns: ['/node_modules/', '/reliability/'],
    }),
    // The built server as it is run: killed, starved of room, fed with nonsense.
    project('reliability', 'apps/server/reliability', { ...light, setupFiles: ['reflect-metadata'] }),
    project('web', 'apps/web', {
      transform: swc,
      transformIgnorePatterns: [`/node_modules/(?!(${esmOnly.join('|')})/)`],
      testEnvironment: web('jest.environment.cjs'),
      testEnvironmentOptions: { customExportConditions: ['source', 'browser'], url: 'http://kleur.test/' },
      setupFilesAfterEnv: [web('jest.setup.ts')],
      moduleNameMapper: {
        '\\.(css|svg|woff2)$': web('test/empty.ts'),
        '^antd/es/(.*)$': 'antd/lib/$1',
      },
    }),
  ],
};
