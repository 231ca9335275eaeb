import { type DynamicModule, Module } from '@nestjs/common';
import { BatchesModule } from '../batches/batches.module.ts';
import { FilesController } from './files.controller.ts';
import { DATA_FOLDER, FilesService } from './files.service.ts';

@Module({})
export class FilesModule {
  /** @param folder where the data file lies. */
  static in(folder: string): DynamicModule {
    return {
      module: FilesModule,
      // Domains that keep files of their own put them here.
      global: true,
      imports: [BatchesModule],
      controllers: [FilesController],
      providers: [FilesService, { provide: DATA_FOLDER, useValue: folder }],
      exports: [FilesService],
    };
  }
}
