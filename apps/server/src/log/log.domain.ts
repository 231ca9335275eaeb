import { type Domain } from '../storage/domain.ts';
import { LogEntryEntity } from './log-entry.entity.ts';
import { LogModule } from './log.module.ts';
import { LogService } from './log.service.ts';
import { LogSimulated1790000000015 } from './migrations/1790000000015-log-simulated.ts';
import { Log1790000000010 } from './migrations/1790000000010-log.ts';

export const logDomain: Domain = {
  module: LogModule,
  entities: [LogEntryEntity],
  migrations: [Log1790000000010, LogSimulated1790000000015],
  content: [LogService],
};
