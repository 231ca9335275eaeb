import { type DynamicModule, Global, Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { Copies } from './copies.ts';
import { type StorageError } from './data-folder.ts';
import { dataSourceOptions } from './data-source.ts';
import { Documents } from './document-store.ts';
import { type Domain } from './domain.ts';
import { ON_STORAGE_LOST, WriteQueue, WRITER_OPTIONS } from './write-queue.ts';

@Global()
@Module({})
export class StorageModule {
  static forFile(
    file: string,
    domains: readonly Domain[],
    onLost: (error: StorageError) => void,
    onCopyFailed: (error: unknown) => void,
  ): DynamicModule {
    return {
      module: StorageModule,
      // A file that fails to open will not open the next second either.
      imports: [
        TypeOrmModule.forRoot({ ...dataSourceOptions(file, domains, { migrate: true }), retryAttempts: 0 }),
      ],
      providers: [
        { provide: WRITER_OPTIONS, useValue: dataSourceOptions(file, domains, { migrate: false }) },
        { provide: ON_STORAGE_LOST, useValue: onLost },
        { provide: Copies, useFactory: () => new Copies(file, onCopyFailed) },
        WriteQueue,
        Documents,
      ],
      exports: [WriteQueue, Documents, Copies],
    };
  }
}
