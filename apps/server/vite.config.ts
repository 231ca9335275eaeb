import { defineConfig, type Plugin } from 'vite';

/** Nest looks for classes of an older TypeORM through `require`, which would load the whole of it a second time. */
const currentTypeorm: Plugin = {
  name: 'current-typeorm',
  load: (id) =>
    id.endsWith('/@nestjs/typeorm/dist/common/typeorm-compat.js')
      ? 'export const Connection = undefined; export const AbstractRepository = undefined;'
      : null,
};

/**
 * The compiled server with all that it uses in a few files: a start that reads them instead of two thousand takes half
 * the time. The driver of the database stays outside, because it loads a native part; so do the parts of Nest
 * that are not installed, which it asks for and does without.
 */
export default defineConfig({
  logLevel: 'warn',
  plugins: [currentTypeorm],
  ssr: { noExternal: true, external: ['libsql'] },
  build: {
    ssr: true,
    outDir: 'bundle',
    target: 'node20',
    minify: false,
    rolldownOptions: {
      input: { main: 'dist/main.js', 'heavy.worker': 'dist/heavy/heavy.worker.js' },
      external: [
        /^libsql/,
        /^@nestjs\/(?!common|core|mapped-types|platform-express|swagger|throttler|typeorm)/,
        '@fastify/static',
      ],
      output: { entryFileNames: '[name].js' },
    },
  },
});
