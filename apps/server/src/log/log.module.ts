import { Module } from '@nestjs/common';
import { BatchesModule } from '../batches/batches.module.ts';
import { DaysService } from './days.service.ts';
import { LearnedController, LooksController } from './days.controller.ts';
import { LogController } from './log.controller.ts';
import { LogService } from './log.service.ts';

@Module({
  imports: [BatchesModule],
  controllers: [LogController, LooksController, LearnedController],
  providers: [LogService, DaysService],
  exports: [LogService],
})
export class LogModule {}
