import { defaultServerConditions, defineConfig, type Plugin } from 'vite';

/** Nest looks for classes of an older TypeORM through `require`, which would load the whole of it a second time. */
const currentTypeorm: Plugin = {
  name: 'current-typeorm',
  load: (id) =>
    id.endsWith('/@nestjs/typeorm/dist/common/typeorm-compat.js')
      ? 'export const Connection = undefined; export const AbstractRepository = undefined;'
      : null,
};

/**
 * The server with all that it uses in a few files: a start that reads them instead of two thousand takes half the time.
 * The compiler options of tsconfig hold here too, decorator metadata among them. The driver of the database stays outside, because it loads a native part; so do the parts of Nest
 * that are not installed, which it asks for and does without.
 */
export default defineConfig({
  logLevel: 'warn',
  plugins: [currentTypeorm],
  ssr: {
    noExternal: true,
    external: ['libsql'],
    resolve: { conditions: ['source', ...defaultServerConditions] },
  },
  build: {
    ssr: true,
    outDir: 'bundle',
    target: 'node20',
    minify: false,
    rolldownOptions: {
      input: { main: 'src/main.ts', 'heavy.worker': 'src/heavy/heavy.worker.ts' },
      external: [
        /^libsql/,
        /^@nestjs\/(?!common|core|mapped-types|platform-express|swagger|throttler|typeorm)/,
        '@fastify/static',
      ],
      output: { entryFileNames: '[name].js' },
    },
  },
});
