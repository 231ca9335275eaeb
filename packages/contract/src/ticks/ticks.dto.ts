import { Flag, Moment, Text } from '../fields.dto.ts';
import { type Tick, type TickEntry, TICK_LIMITS } from './ticks.ts';

export class TickDto implements Tick {
  @Text(TICK_LIMITS.line, { min: 1, description: 'The line, as the sheet names it' }) lineId!: string;
  @Flag() done!: boolean;
}

export class TickEntryDto extends TickDto implements TickEntry {
  @Text(80) id!: string;
  @Moment() at!: string;
}
