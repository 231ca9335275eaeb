import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type NestExpressApplication } from '@nestjs/platform-express';
import { pino } from 'pino';
import request from 'supertest';
import { createApp } from '../src/create-app.ts';
import { type FirstContent } from '../src/demo/demo.service.ts';
import { openDataFolder } from '../src/storage/data-folder.ts';

export interface TestApp {
  readonly app: NestExpressApplication;
  readonly api: ReturnType<typeof request>;
  readonly folder: string;
  close(): Promise<void>;
}

/** A server on a data folder of its own, not listening on any known port. */
export async function startApp(first: FirstContent = 'demo'): Promise<TestApp> {
  const folder = mkdtempSync(join(tmpdir(), 'kleur-'));
  const app = await createApp({ file: openDataFolder(folder), first }, pino({ level: 'silent' }));
  await app.init();
  return {
    app,
    api: request(app.getHttpServer()),
    folder,
    close: async () => {
      await app.close();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
