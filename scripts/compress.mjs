import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants } from 'node:zlib';
import { root } from './setup.mjs';

/** Writes a brotli file beside every built text file, so that the server has nothing to compress. */
const assets = join(root, 'apps/web/dist/assets');
for (const name of readdirSync(assets)) {
  if (!/\.(js|css)$/.test(name)) continue;
  const text = readFileSync(join(assets, name));
  writeFileSync(
    join(assets, `${name}.br`),
    brotliCompressSync(text, {
      params: {
        [constants.BROTLI_PARAM_QUALITY]: constants.BROTLI_MAX_QUALITY,
        [constants.BROTLI_PARAM_SIZE_HINT]: text.length,
      },
    }),
  );
}
