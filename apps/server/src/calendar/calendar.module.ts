import { type DynamicModule, Module } from '@nestjs/common';
import { BatchesModule } from '../batches/batches.module.ts';
import { LogModule } from '../log/log.module.ts';
import { RecordModule } from '../record/record.module.ts';
import { SettingsModule } from '../settings/settings.module.ts';
import { CalendarController } from './calendar.controller.ts';
import { CalendarService } from './calendar.service.ts';
import { Feed } from './feed.ts';

@Module({})
export class CalendarModule {
  /** @param folder of the data file */
  static in(folder: string): DynamicModule {
    return {
      module: CalendarModule,
      imports: [BatchesModule, LogModule, RecordModule, SettingsModule],
      controllers: [CalendarController],
      providers: [CalendarService, { provide: Feed, useValue: new Feed(folder) }],
    };
  }
}
