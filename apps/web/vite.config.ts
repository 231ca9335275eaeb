import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import react from '@vitejs/plugin-react';
import { defaultClientConditions, defineConfig } from 'vite';

/** The package offers its development build to bundlers, warnings and all. */
const router = join(
  dirname(createRequire(import.meta.url).resolve('react-router/package.json')),
  'dist/production',
);

/** Parts that every page needs: they change seldom, and each is one file for the browser to keep. */
const FRAMEWORK =
  /node_modules\/(react|react-dom|scheduler|react-router|@reduxjs|immer|reselect|redux|redux-thunk|react-redux|use-sync-external-store)\//;

export default defineConfig(({ command }) => ({
  plugins: [react()],
  resolve: {
    conditions: ['source', ...defaultClientConditions],
    alias:
      command === 'build'
        ? [
            { find: /^react-router$/, replacement: join(router, 'index.mjs') },
            { find: /^react-router\/dom$/, replacement: join(router, 'dom-export.mjs') },
          ]
        : [],
  },
  server: { port: 5173, proxy: { '/api': 'http://127.0.0.1:4173' } },
  worker: { format: 'es' },
  build: {
    target: 'es2023',
    sourcemap: false,
    manifest: true,
    reportCompressedSize: false,
    rolldownOptions: {
      treeshake: {
        // They do nothing on import but do not say so: without this a text field brings the whole of forms.
        moduleSideEffects: [{ test: /node_modules\/(@rc-component|@ant-design)\//, sideEffects: false }],
      },
      output: {
        codeSplitting: {
          // Few large files compress a tenth better than fifty small ones.
          groups: [
            { name: 'framework', test: FRAMEWORK, priority: 3 },
            { name: 'controls', test: /node_modules/, minShareCount: 4, priority: 2 },
            { name: 'shared', minShareCount: 4, priority: 1 },
          ],
        },
      },
    },
  },
}));
