import { type Domain } from '../storage/domain.ts';
import { Record1790000000012 } from './migrations/1790000000012-record.ts';
import { ReadingEntity } from './reading.entity.ts';
import { RecordEntity } from './record.entity.ts';
import { RecordService } from './record.service.ts';
import { RecordModule } from './record.module.ts';

export const recordDomain: Domain = {
  module: RecordModule,
  entities: [RecordEntity, ReadingEntity],
  migrations: [Record1790000000012],
  content: [RecordService],
};
