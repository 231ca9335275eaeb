import {
  ENTRY_KIND_NAMES,
  ENTRY_WAYS,
  type EntryKind,
  type EntryWay,
  LOG_LIMITS,
  type Kept,
  type Learned,
  type LearnedFigure,
  type LogEntry,
} from '@kleur/core/day';
import { Flag, Int, Many, Num, One, OneOf, QueryInt, Text } from '../fields.dto.ts';
import { type LogPage, type LogSend, type Look } from './log.ts';

export class LogEntryDto implements LogEntry {
  @Text(LOG_LIMITS.id, { min: 1, description: 'Made by the device' }) id!: string;
  @Int(0, LOG_LIMITS.at, { description: 'When it was said, ms since 1970' }) at!: number;
  @OneOf(ENTRY_KIND_NAMES) kind!: EntryKind;
  @Text(LOG_LIMITS.id) potId!: string;
  @Text(LOG_LIMITS.target) target!: string;
  @OneOf(ENTRY_WAYS) by!: EntryWay;
  @Num(0, LOG_LIMITS.value) value!: number;
  @Text(LOG_LIMITS.text) text!: string;
  @Flag({ optional: true, description: 'Whether a simulated instrument said the value' }) simulated?: boolean;
}

export class LogSendDto implements LogSend {
  @Many(() => LogEntryDto, LOG_LIMITS.sent, { min: 1 }) entries!: LogEntryDto[];
}

export class LogPageDto implements LogPage {
  @Many(() => LogEntryDto, LOG_LIMITS.entries) entries!: LogEntryDto[];
  @Int(0, Number.MAX_SAFE_INTEGER) cursor!: number;
}

export class LogQueryDto {
  @QueryInt(0, Number.MAX_SAFE_INTEGER, { optional: true }) after = 0;
}

export class LookDto implements Look {
  @Text(LOG_LIMITS.target) step!: string;
  @Text(LOG_LIMITS.id) batchId!: string;
  @Text(80) batchName!: string;
  @Int(0, LOG_LIMITS.at) at!: number;
  @Text(80) file!: string;
}

class LearnedFigureDto implements LearnedFigure {
  @Num(0, 1_000_000) value!: number;
  @Num(0, 1_000_000) usual!: number;
  @Int(1, 1_000_000) batches!: number;
}
const Figure = (): PropertyDecorator => One(() => LearnedFigureDto, { nullable: true });

class LearnedMinutesDto implements Record<keyof Learned['minutes'], LearnedFigure | null> {
  @Figure() split!: LearnedFigureDto | null;
  @Figure() colour!: LearnedFigureDto | null;
  @Figure() scent!: LearnedFigureDto | null;
  @Figure() pour!: LearnedFigureDto | null;
  @Figure() top!: LearnedFigureDto | null;
}

class LearnedHoursDto implements Record<Kept, LearnedFigure | null> {
  @Figure() warm!: LearnedFigureDto | null;
  @Figure() let!: LearnedFigureDto | null;
  @Figure() cold!: LearnedFigureDto | null;
}

class LearnedAlikeDto {
  @Figure() unmould!: LearnedFigureDto | null;
  @Figure() cut!: LearnedFigureDto | null;
}

export class LearnedDto implements Learned {
  @Figure() pace!: LearnedFigureDto | null;
  @One(() => LearnedMinutesDto) minutes!: LearnedMinutesDto;
  @One(() => LearnedHoursDto) unmould!: LearnedHoursDto;
  @One(() => LearnedHoursDto) cut!: LearnedHoursDto;
  @One(() => LearnedAlikeDto) alike!: LearnedAlikeDto;
}
