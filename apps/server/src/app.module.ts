import { dirname } from 'node:path';
import { type DynamicModule, Module } from '@nestjs/common';
import { AccessModule } from './access/access.module.ts';
import { type AccessService } from './access/access.service.ts';
import { CalendarModule } from './calendar/calendar.module.ts';
import { BookModule } from './book/book.module.ts';
import { LedgerModule } from './ledger/ledger.module.ts';
import { ColourModule } from './colour/colour.module.ts';
import { CopiesModule } from './copies/copies.module.ts';
import { DemoModule } from './demo/demo.module.ts';
import { domains } from './domains.ts';
import { FilesModule } from './files/files.module.ts';
import { HealthController } from './health.controller.ts';
import { type Certificate } from './lan/certificates.ts';
import { HeavyModule } from './heavy/heavy.module.ts';
import { type StorageError } from './storage/data-folder.ts';
import { type FirstContent } from './storage/domain.ts';
import { StorageModule } from './storage/storage.module.ts';

export interface AppOptions {
  /** Path of the SQLite file. */
  readonly file: string;
  readonly first: FirstContent;
  /** Who may open Kleur. */
  readonly access: AccessService;
  /** Host names besides loopback under which the application is reached. */
  readonly names?: readonly string[];
  /** What other devices are told to trust, while Kleur is open to them. */
  readonly root?: Certificate;
  /** Folder of the built web application; without it only the API is served. */
  readonly webRoot?: string;
  /** The worker thread for heavy work; without one it runs in the server's own. */
  readonly workerFile?: string;
  /** The data file was open and cannot be opened again: nothing more can be saved. */
  readonly onStorageLost: (error: StorageError) => void;
  /** The daily copy of the data file failed; it is tried again. */
  readonly onCopyFailed?: (error: unknown) => void;
}

@Module({})
export class AppModule {
  static forRoot(options: AppOptions): DynamicModule {
    const { file, first, access, onStorageLost, onCopyFailed = () => undefined } = options;
    return {
      module: AppModule,
      imports: [
        StorageModule.forFile(file, domains, onStorageLost, onCopyFailed),
        ...domains.map((d) => d.module),
        AccessModule.of(access),
        HeavyModule.of(options.workerFile ?? null),
        ColourModule,
        FilesModule.in(dirname(file)),
        CalendarModule.in(dirname(file)),
        BookModule,
        LedgerModule,
        CopiesModule.of(domains),
        DemoModule.of(domains, first),
      ],
      controllers: [HealthController],
    };
  }
}
