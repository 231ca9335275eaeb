import { Module } from '@nestjs/common';
import { BatchesModule } from '../batches/batches.module.ts';
import { CatalogueModule } from '../catalogue/catalogue.module.ts';
import { LogModule } from '../log/log.module.ts';
import { RecordModule } from '../record/record.module.ts';
import { SettingsModule } from '../settings/settings.module.ts';
import { BookController } from './book.controller.ts';
import { BookReadingsService } from './book-readings.service.ts';
import { BookService } from './book.service.ts';
import { TestBarsService } from './test-bars.service.ts';

@Module({
  imports: [BatchesModule, CatalogueModule, LogModule, RecordModule, SettingsModule],
  controllers: [BookController],
  providers: [BookService, BookReadingsService, TestBarsService],
})
export class BookModule {}
