import { createHash, randomUUID } from 'node:crypto';
import { createReadStream, type ReadStream } from 'node:fs';
import { access, mkdir, open, rename, unlink } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { Inject, Injectable } from '@nestjs/common';
import { carriesMetadata, MEDIA, MEDIA_TYPES, type MediaType, mediaTypeOf } from '@kleur/core/formats';
import { BatchesService } from '../batches/batches.service.ts';
import { notFound, ProblemError } from '../problems/problem.ts';

export const DATA_FOLDER = Symbol('data folder');
const FOLDER = 'files';
const NAME = /^[0-9a-f]{64}\.([a-z0-9]{2,4})$/;

/** Pictures and clips of making days: files beside the data file, named by their content, only ever added. */
@Injectable()
export class FilesService {
  constructor(
    @Inject(DATA_FOLDER) private readonly folder: string,
    private readonly batches: BatchesService,
  ) {}

  /**
   * Keeps a file; one that is kept already is the same. It lies on the disk when this resolves.
   * @throws ProblemError `not-found`; `invalid-input` for what is no picture or clip, does not have its name’s content,
   *   or says where it was taken.
   */
  async keep(batchId: string, name: string, bytes: Uint8Array): Promise<void> {
    await this.batches.head(batchId);
    const type = mediaTypeOf(bytes);
    if (type === null) throw refused('This is no picture (JPEG, PNG, WebP) and no clip (WebM, Ogg, MP4).');
    const hash = createHash('sha256').update(bytes).digest('hex');
    if (name !== `${hash}.${MEDIA[type]}`)
      throw refused('The file does not have the content that its name says.');
    if (carriesMetadata(bytes))
      throw refused('The picture says where or by what it was taken. Take that out of it first.');
    await this.put(name, bytes);
  }

  /** Puts bytes under the name of their content; what is there stays. They lie on the disk when this resolves. */
  async put(name: string, bytes: Uint8Array): Promise<void> {
    const file = this.pathOf(name);
    if (await isThere(file)) return;
    await mkdir(dirname(file), { recursive: true });
    const fresh = `${file}.${randomUUID()}.new`;
    try {
      const handle = await open(fresh, 'wx', 0o600);
      try {
        await handle.writeFile(bytes);
        await handle.sync();
      } finally {
        await handle.close();
      }
      await rename(fresh, file);
    } catch (error) {
      await unlink(fresh).catch(() => undefined);
      throw error;
    }
    await syncFolder(dirname(file));
  }

  /** @throws ProblemError `not-found`. */
  async read(
    batchId: string,
    name: string,
  ): Promise<{ readonly type: MediaType; readonly stream: ReadStream }> {
    await this.batches.head(batchId);
    const ending = NAME.exec(name)?.[1];
    const type = MEDIA_TYPES.find((t) => MEDIA[t] === ending);
    if (!type || !(await isThere(this.pathOf(name)))) throw notFound('The file');
    return { type, stream: createReadStream(this.pathOf(name)) };
  }

  /** Only names that were checked come here. */
  private pathOf(name: string): string {
    return join(this.folder, FOLDER, name.slice(0, 2), name);
  }
}

const refused = (message: string): ProblemError =>
  new ProblemError('invalid-input', message, [{ path: 'file', message }]);

const isThere = (file: string): Promise<boolean> =>
  access(file).then(
    () => true,
    () => false,
  );

/** A name that was given must survive as well as what it names. */
async function syncFolder(folder: string): Promise<void> {
  const handle = await open(folder);
  try {
    await handle.sync();
  } finally {
    await handle.close();
  }
}
