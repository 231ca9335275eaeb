import { join } from 'node:path';

/** The workspaces as Jest projects, compiled by SWC to CommonJS (no --experimental-vm-modules). */
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
  '@nestjs',
  'file-type',
  'strtok3',
  'token-types',
  'uint8array-extras',
  '@tokenizer',
  '@borewit',
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
  transform: swc,
  transformIgnorePatterns: [`/node_modules/(?!(${esmOnly.join('|')})/)`],
  testMatch: ['**/*.test.ts?(x)'],
  modulePathIgnorePatterns: ['/dist/', '/bundle/'],
  testEnvironment: 'node',
  testEnvironmentOptions: { customExportConditions: ['source', 'node', 'node-addons'] },
  ...extra,
});

export default {
  // A shared machine can stand still for seconds: this stops what hangs, it does not time anything.
  testTimeout: 120_000,
  // All cores: nothing else runs beside the unit tests.
  maxWorkers: '100%',
  projects: [
    project('core', 'packages/core'),
    project('server', 'apps/server', {
      setupFiles: ['reflect-metadata'],
      testPathIgnorePatterns: ['/node_modules/', '/reliability/'],
    }),
    // The built server as it is run: killed, starved of room, fed with nonsense.
    project('reliability', 'apps/server/reliability', { setupFiles: ['reflect-metadata'] }),
    project('web', 'apps/web', {
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
