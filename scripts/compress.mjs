import { readdirSync } from 'node:fs';
import { readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, constants } from 'node:zlib';
import { root } from './setup.mjs';

/** Writes a brotli file beside every built text file, so that the server has nothing to compress; on all cores. */
const assets = join(root, 'apps/web/dist/assets');
const compressed = promisify(brotliCompress);
await Promise.all(
  readdirSync(assets)
    .filter((name) => /\.(js|css)$/.test(name))
    .map(async (name) => {
      const text = await readFile(join(assets, name));
      const params = {
        [constants.BROTLI_PARAM_QUALITY]: constants.BROTLI_MAX_QUALITY,
        [constants.BROTLI_PARAM_SIZE_HINT]: text.length,
      };
      await writeFile(join(assets, `${name}.br`), await compressed(text, { params }));
    }),
);
