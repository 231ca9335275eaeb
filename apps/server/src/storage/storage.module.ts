import { type DynamicModule, Global, Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { dataSourceOptions } from './data-source.ts';
import { WriteQueue } from './write-queue.ts';

@Global()
@Module({})
export class StorageModule {
  static forFile(file: string): DynamicModule {
    return {
      module: StorageModule,
      // A file that fails to open will not open the next second either.
      imports: [TypeOrmModule.forRoot({ ...dataSourceOptions(file), retryAttempts: 0 })],
      providers: [WriteQueue],
      exports: [WriteQueue],
    };
  }
}
