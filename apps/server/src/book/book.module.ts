import { Module } from '@nestjs/common';
import { BatchesModule } from '../batches/batches.module.ts';
import { CatalogueModule } from '../catalogue/catalogue.module.ts';
import { LogModule } from '../log/log.module.ts';
import { RecordModule } from '../record/record.module.ts';
import { SettingsModule } from '../settings/settings.module.ts';
import { BookController } from './book.controller.ts';
import { BookService } from './book.service.ts';

@Module({
  imports: [BatchesModule, CatalogueModule, LogModule, RecordModule, SettingsModule],
  controllers: [BookController],
  providers: [BookService],
})
export class BookModule {}
