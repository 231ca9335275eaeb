import { Module } from '@nestjs/common';
import { BatchesModule } from '../batches/batches.module.ts';
import { LogController } from './log.controller.ts';
import { LogService } from './log.service.ts';

@Module({
  imports: [BatchesModule],
  controllers: [LogController],
  providers: [LogService],
  exports: [LogService],
})
export class LogModule {}
