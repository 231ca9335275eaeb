import { Module } from '@nestjs/common';
import { BatchesModule } from '../batches/batches.module.ts';
import { LogModule } from '../log/log.module.ts';
import { SettingsModule } from '../settings/settings.module.ts';
import { HoldService } from './hold.service.ts';
import { ReadingsService } from './readings.service.ts';
import { RecordController } from './record.controller.ts';
import { RecordService } from './record.service.ts';

@Module({
  imports: [BatchesModule, LogModule, SettingsModule],
  controllers: [RecordController],
  providers: [HoldService, ReadingsService, RecordService],
  exports: [ReadingsService, RecordService],
})
export class RecordModule {}
