import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type NestExpressApplication } from '@nestjs/platform-express';
import { pino } from 'pino';
import request from 'supertest';
import { AccessService } from '../src/access/access.service.ts';
import { createApp } from '../src/create-app.ts';
import { type FirstContent } from '../src/storage/domain.ts';
import { openDataFolder } from '../src/storage/data-folder.ts';

export interface TestApp {
  readonly app: NestExpressApplication;
  readonly api: ReturnType<typeof request>;
  readonly folder: string;
  close(): Promise<void>;
}

/**
 * A server that does not listen on any known port.
 * @param data its data folder; without one it gets a new one, which `close` removes.
 */
export async function startApp(
  first: FirstContent = 'demo',
  data?: string,
  log = pino({ level: 'silent' }),
): Promise<TestApp> {
  const folder = data ?? mkdtempSync(join(tmpdir(), 'kleur-'));
  const app = await createApp(
    {
      file: openDataFolder(folder),
      first,
      access: new AccessService(folder, true),
      onStorageLost: (error) => {
        throw error;
      },
    },
    log,
  );
  await app.init();
  return {
    app,
    api: request(app.getHttpServer()),
    folder,
    close: async () => {
      await app.close();
      if (data === undefined) rmSync(folder, { recursive: true, force: true });
    },
  };
}
