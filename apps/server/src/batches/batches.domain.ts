import { type Domain } from '../storage/domain.ts';
import { BatchEntity } from './batch.entity.ts';
import { BatchesModule } from './batches.module.ts';
import { BatchesService } from './batches.service.ts';

export const batchesDomain: Domain = {
  module: BatchesModule,
  entities: [BatchEntity],
  // The table came with the first migration.
  migrations: [],
  content: [BatchesService],
};
