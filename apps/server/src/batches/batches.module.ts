import { Module } from '@nestjs/common';
import { BatchesController } from './batches.controller.ts';
import { BatchesService } from './batches.service.ts';

@Module({
  controllers: [BatchesController],
  providers: [BatchesService],
  exports: [BatchesService],
})
export class BatchesModule {}
