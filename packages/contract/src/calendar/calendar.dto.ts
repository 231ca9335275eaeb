import { KEPT, type Kept } from '@kleur/core/day';
import { PLAN_LIMITS } from '@kleur/core/plan';
import { BATCH_STATES, type BatchState } from '../batches/batches.ts';
import { DAY, FaceStripeDto } from '../batches/batches.dto.ts';
import { Id, Within } from '../batches/plan-fields.dto.ts';
import { Flag, Int, Many, OneOf, Pattern, Text, Texts, Version } from '../fields.dto.ts';
import {
  CALENDAR_LIMITS,
  type CalendarEntry,
  type CalendarFeed,
  type CalendarPage,
  type DaysWrite,
  type UndatedEntry,
} from './calendar.ts';

const MANY = 100_000;

export class MouldCountDto {
  @Text(PLAN_LIMITS.name, { min: 1 }) name!: string;
  @Int(1, PLAN_LIMITS.count.max) count!: number;
}

class AnyEntryDto {
  @Id() id!: string;
  @Text(PLAN_LIMITS.name) name!: string;
  @OneOf(BATCH_STATES) state!: BatchState;
  @Version() version!: number;
  @Many(() => FaceStripeDto, PLAN_LIMITS.pots) face!: FaceStripeDto[];
  @Within(PLAN_LIMITS.hours, 'From the first pour to the last') pourHours!: number;
  @Many(() => MouldCountDto, PLAN_LIMITS.moulds) moulds!: MouldCountDto[];
  @OneOf(KEPT) kept!: Kept;
  @Pattern(DAY, '2026-03-09', { nullable: true }) unmouldedOn!: string | null;
  @Pattern(DAY, '2026-03-09', { nullable: true }) cutOn!: string | null;
  @Texts(MANY, 10) readOn!: string[];
  @Flag() poured!: boolean;
  @Flag() onHold!: boolean;
}

class CalendarEntryDto extends AnyEntryDto implements CalendarEntry {
  @Pattern(DAY, '2026-03-09') madeOn!: string;
}

class UndatedEntryDto extends AnyEntryDto implements UndatedEntry {
  @Pattern(DAY, '2026-03-09', { nullable: true }) madeOn!: null;
}

export class CalendarPageDto implements CalendarPage {
  @Many(() => CalendarEntryDto, MANY) batches!: CalendarEntryDto[];
  @Many(() => UndatedEntryDto, MANY) undated!: UndatedEntryDto[];
}

class DayWriteDto {
  @Id() id!: string;
  @Version() version!: number;
  @Pattern(DAY, '2026-03-09') madeOn!: string;
}

export class DaysWriteDto implements DaysWrite {
  @Many(() => DayWriteDto, CALENDAR_LIMITS.days, { min: 1 }) days!: DayWriteDto[];
}

export class CalendarFeedDto implements CalendarFeed {
  @Text(200, { nullable: true }) path!: string | null;
}

export class CalendarQueryDto {
  @Pattern(DAY, '2026-03-09', { optional: true, description: 'Batches poured from this day on' })
  from?: string;
  @Pattern(DAY, '2026-03-09', { optional: true }) to?: string;
}
