import { Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { BatchEntity } from '../storage/batch.entity.ts';
import { BatchesController } from './batches.controller.ts';
import { BatchesService } from './batches.service.ts';

@Module({
  imports: [TypeOrmModule.forFeature([BatchEntity])],
  controllers: [BatchesController],
  providers: [BatchesService],
  exports: [BatchesService],
})
export class BatchesModule {}
