import { type Domain } from '../storage/domain.ts';
import { Ticks1790000000007 } from './migrations/1790000000007-ticks.ts';
import { TickEntity } from './tick.entity.ts';
import { TicksModule } from './ticks.module.ts';
import { TicksService } from './ticks.service.ts';

export const ticksDomain: Domain = {
  module: TicksModule,
  entities: [TickEntity],
  migrations: [Ticks1790000000007],
  content: [TicksService],
};
