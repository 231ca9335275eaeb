import { Module } from '@nestjs/common';
import { BatchesModule } from '../batches/batches.module.ts';
import { TicksController } from './ticks.controller.ts';
import { TicksService } from './ticks.service.ts';

@Module({
  imports: [BatchesModule],
  controllers: [TicksController],
  providers: [TicksService],
  exports: [TicksService],
})
export class TicksModule {}
