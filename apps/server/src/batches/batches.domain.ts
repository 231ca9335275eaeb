import { type Domain } from '../storage/domain.ts';
import { BatchLine1790000000011 } from './migrations/1790000000011-batch-line.ts';
import { BatchHold1790000000016 } from './migrations/1790000000016-batch-hold.ts';
import { BatchEntity } from './batch.entity.ts';
import { BatchesModule } from './batches.module.ts';
import { BatchesService } from './batches.service.ts';

export const batchesDomain: Domain = {
  module: BatchesModule,
  entities: [BatchEntity],
  // The table came with the first migration.
  migrations: [BatchLine1790000000011, BatchHold1790000000016],
  content: [BatchesService],
};
