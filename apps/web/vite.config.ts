import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import react from '@vitejs/plugin-react';
import { defaultClientConditions, defineConfig, type Plugin } from 'vite';

/** The package offers its development build to bundlers, warnings and all. */
const router = join(
  dirname(createRequire(import.meta.url).resolve('react-router/package.json')),
  'dist/production',
);

/**
 * Every field of Ant Design looks whether it stands in a form, and asks the whole package of forms for one small part of
 * it. Asked for that part alone, the rest is only loaded where there is a form.
 */
const formContext: Plugin = {
  name: 'form-context',
  transform: (code, id) =>
    id.endsWith('/antd/es/form/context.js')
      ? code.replace("'@rc-component/form'", "'@rc-component/form/es/FormContext'")
      : null,
};

/** Parts that every page needs: they change seldom, and each is one file for the browser to keep. */
const FRAMEWORK =
  /node_modules\/(react|react-dom|scheduler|react-router|@reduxjs|immer|reselect|redux|redux-thunk|react-redux|use-sync-external-store)\//;

/** What every step of a batch works out. */
const CORE = /packages\/core\/src\/(balance|plan|work|pigment|checks|colour|units)\//;

export default defineConfig(({ command }) => ({
  plugins: [react(), formContext],
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
            { name: 'controls', test: /node_modules/, minShareCount: 6, priority: 2 },
            { name: 'core', test: CORE, minShareCount: 2, priority: 2 },
            { name: 'bench', test: /rooms.bench./, minShareCount: 3, priority: 2 },
            { name: 'shared', minShareCount: 7, priority: 1 },
          ],
        },
      },
    },
  },
}));
