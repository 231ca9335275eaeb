import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import react from '@vitejs/plugin-react';
import { defaultClientConditions, defineConfig, type Plugin } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

/** The package offers its development build to bundlers, warnings and all. */
const router = join(
  dirname(createRequire(import.meta.url).resolve('react-router/package.json')),
  'dist/production',
);

/**
 * Imports of Ant Design that bring a whole package for one small part of it. Asked for that part alone, the rest is only
 * loaded where it is used: fields look whether they stand in a form, buttons whether their ground is bright.
 */
const SMALLER: readonly { readonly file: string; readonly from: string; readonly to: string }[] = [
  {
    file: '/antd/es/form/context.js',
    from: "'@rc-component/form'",
    to: "'@rc-component/form/es/FormContext'",
  },
  {
    file: '/antd/es/color-picker/color.js',
    from: "'@rc-component/color-picker'",
    to: "'@rc-component/color-picker/es/color'",
  },
  {
    file: '/antd/es/color-picker/util.js',
    from: "'@rc-component/color-picker'",
    to: "'@rc-component/color-picker/es/color'",
  },
  // Kinds of text fields that no page has.
  ...['Group', 'OTP', 'Search'].map((kind) => ({
    file: '/antd/es/input/index.js',
    from: `import ${kind} from './${kind}';`,
    to: `const ${kind} = undefined;`,
  })),
  {
    file: '/antd/es/button/style/token.js',
    from: "import { isBright } from '../../color-picker/components/ColorPresets'",
    to: 'const isBright = (color) => { const { r, g, b } = color.toRgb(); return r * 0.299 + g * 0.587 + b * 0.114 > 192; }',
  },
];

const smallerImports: Plugin = {
  name: 'smaller-imports',
  transform: (code, id) => {
    const rules = SMALLER.filter(({ file }) => id.endsWith(file));
    if (rules.length === 0) return null;
    return rules.reduce((smaller, { file, from, to }) => {
      if (!smaller.includes(from)) throw new Error(`${file} no longer imports ${from}`);
      return smaller.replace(from, to);
    }, code);
  },
};

/** Asks for the font with the page: text that changes its font when it arrives changes its lines too. */
const preloadFont: Plugin = {
  name: 'preload-font',
  transformIndexHtml: {
    order: 'post',
    handler: (_html, { bundle }) =>
      Object.keys(bundle ?? {})
        .filter((file) => /public-sans-latin-wght-normal.*\.woff2$/.test(file))
        .map((file) => ({
          tag: 'link',
          attrs: { rel: 'preload', as: 'font', type: 'font/woff2', href: `/${file}`, crossorigin: true },
          injectTo: 'head-prepend' as const,
        })),
  },
};

/** What a page reads when it opens: kept for when the server is away. What is asked again and again is not among it. */
const READ_ON_OPENING = /^\/api\/(access|settings|materials|batches(\/[^/]+)?)$/;

/**
 * The service worker: the whole application lies in it, so that it opens without the server; with it, pages and data are
 * always the server's. It is registered where the making day begins (`data/offline.ts`).
 */
const installable = VitePWA({
  injectRegister: false,
  manifest: {
    name: 'Kleur',
    short_name: 'Kleur',
    description: 'Colour for soap made by hand',
    start_url: '/',
    display: 'standalone',
    background_color: '#e4e4e4',
    theme_color: '#2a2a2a',
    icons: [
      { src: '/icon.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' },
      { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
      { src: '/icon-512.png', sizes: '512x512', type: 'image/png', purpose: 'any maskable' },
    ],
  },
  workbox: {
    globPatterns: ['**/*.{js,css,html,svg,png,woff2,wav}'],
    skipWaiting: true,
    clientsClaim: true,
    inlineWorkboxRuntime: true,
    cleanupOutdatedCaches: true,
    navigateFallback: null,
    runtimeCaching: [
      {
        urlPattern: ({ request, url }) =>
          request.mode === 'navigate' && !/^\/(api|trust)(\/|$)/.test(url.pathname),
        handler: 'NetworkOnly',
        options: { precacheFallback: { fallbackURL: '/index.html' } },
      },
      {
        urlPattern: new RegExp(`^https?://[^/]+${READ_ON_OPENING.source.slice(1)}`),
        handler: 'NetworkFirst',
        options: { cacheName: 'kleur-data', expiration: { maxEntries: 60 } },
      },
    ],
  },
});

/** Parts that every page needs: they change seldom, and each is one file for the browser to keep. */
const FRAMEWORK =
  /node_modules\/(react|react-dom|scheduler|react-router|@reduxjs|immer|reselect|redux|redux-thunk|react-redux|use-sync-external-store)\//;

/** Parts of Ant Design that no page shows at first: dialogs, drawers and their like load with what opens them. */
const LATE =
  /node_modules\/(@rc-component\/(dialog|color-picker|collapse|form|async-validator|picker|drawer|menu|dropdown|pagination|checkbox)|antd\/es\/(modal|checkbox|skeleton|color-picker|collapse|form|date-picker|drawer|menu|dropdown|pagination))\//;

/** What rooms have in common, but for what brings a package along. */
const PARTS =
  /apps.web.src.(shared|data|workers)|packages.contract|^vite|core.src.(units|colour|material)|bench.steps\.ts/;
const OWN_CHUNK =
  /shared.(form|settings|photo)|SortableList|ListRoom|ColourPicker|PlainTable|BarEffect|shared.batches.DueReadings|data.(benchLogs?|outbox|log|record|media|ledger|calendar|book)\.ts/;

/** What is known of a batch that was made, and of bars that were read. */
const RECORD = /data.record\.ts|core.src.(evidence|record(?!.hold))/;

/** What went wrong and why: only where faults are looked into. */
const CAUSES = /core.src.causes/;

/** What parts of the result have in common. */
const RESULT = /rooms.bench.result/;

/** What every form has beside Ant Design's own. */
const FIELDS =
  /shared.form.(NumberItem|NumberInput|entryProblem|serverErrors|QuantityItem|isUsable)|shared.settings.UnitFields/;

/** What lists and long pages use. */
const LISTS = /RightOutlined|ListRoom|PlainTable|skeleton/;

/** The log of the day: not needed where a batch is planned. */
const LOG =
  /core.src.day.(actuals|bench|merge|weighedLine|entry|testCups|cups|words)|data.(benchLogs?|outbox|log)\.ts|make.useBenchLog|bench.TestCupWords|node_modules.idb/;

/** What is printed and worked by. */
const SHEET =
  /core.src.(sheet|day)|core.src.work.(pourScript|sittings)|prep.(useSheet|PagePrint|PrintButton)/;

/** How a recipe is looked for: not needed once a batch is planned. */
const MATCHING = /rooms.bench.(MatchFilterBar|useSameLook|useMatching|MaterialPicker)/;

/** How a colourant of one's own gets its curve: only where one is made. */
const OWN_CURVE = /pigment.(buildOptics|defaultCurve)|numerics.leastSquares/;

/** The room of the swatch book. */
const BOOK = /rooms.book.(?!BaseChoice)|data.book\.ts|BarEffect/;

/** How a colour looks and how sure it is: not needed where a batch is made. */
const LOOKS = /core.src.why.(base|pots)|balance.potDoubt|material.(curveModes|doubt)|pigment.spread/;

/** What every step of a batch works out. */
const CORE = /core.src.(balance|plan|work(?!.pourScript|.sittings)|pigment|checks|match.adjust)/;

export default defineConfig(({ command }) => ({
  plugins: [react(), smallerImports, preloadFont, installable],
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
    // One small file instead of one a part: each would be a request before anything is shown.
    cssCodeSplit: false,
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
            { name: 'framework', test: FRAMEWORK, priority: 5 },
            {
              name: 'controls',
              test: (id) => id.includes('node_modules') && !LATE.test(id),
              minShareCount: 6,
              priority: 4,
            },
            {
              name: 'parts',
              test: (id) => PARTS.test(id) && !OWN_CHUNK.test(id),
              minShareCount: 2,
              priority: 3,
            },
            {
              name: 'fields',
              test: FIELDS,
              minShareCount: 2,
              priority: 2,
              includeDependenciesRecursively: false,
            },
            {
              name: 'lists',
              test: LISTS,
              minShareCount: 2,
              priority: 2,
              includeDependenciesRecursively: false,
            },
            {
              name: 'looks',
              test: LOOKS,
              minShareCount: 2,
              priority: 4,
              includeDependenciesRecursively: false,
            },
            { name: 'core', test: CORE, minShareCount: 2, priority: 2 },
            {
              name: 'sheet',
              test: SHEET,
              minShareCount: 2,
              priority: 2,
              includeDependenciesRecursively: false,
            },
            ...[
              { name: 'record', test: RECORD },
              { name: 'causes', test: CAUSES },
              { name: 'matching', test: MATCHING },
              { name: 'dayLog', test: LOG },
              { name: 'book', test: BOOK },
              { name: 'charts', test: /node_modules.d3-/ },
              { name: 'ownCurve', test: OWN_CURVE, minShareCount: 1 },
              { name: 'checkbox', test: /checkbox\// },
            ].map((group) => ({
              minShareCount: 2,
              ...group,
              // Before the large groups, which would take them along.
              priority: 4,
              includeDependenciesRecursively: false,
            })),
            {
              name: 'result',
              test: RESULT,
              minShareCount: 2,
              priority: 2,
              includeDependenciesRecursively: false,
            },
            {
              name: 'bench',
              test: /rooms.bench.(?!ColourCard|idea.(paletteFiles|decodeText)|steps.prep.(PagePrint|PrintButton|CutStrip)|result.)/,
              minShareCount: 2,
              priority: 1,
            },
          ],
        },
      },
    },
  },
}));
