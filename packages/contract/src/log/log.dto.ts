import {
  ENTRY_KIND_NAMES,
  ENTRY_WAYS,
  type EntryKind,
  type EntryWay,
  LOG_LIMITS,
  type LogEntry,
} from '@kleur/core/day';
import { Int, Many, Num, OneOf, QueryInt, Text } from '../fields.dto.ts';
import { type LogPage, type LogSend } from './log.ts';

export class LogEntryDto implements LogEntry {
  @Text(LOG_LIMITS.id, { min: 1, description: 'Made by the device' }) id!: string;
  @Int(0, LOG_LIMITS.at, { description: 'When it was said, ms since 1970' }) at!: number;
  @OneOf(ENTRY_KIND_NAMES) kind!: EntryKind;
  @Text(LOG_LIMITS.id) potId!: string;
  @Text(LOG_LIMITS.target) target!: string;
  @OneOf(ENTRY_WAYS) by!: EntryWay;
  @Num(0, LOG_LIMITS.value) value!: number;
  @Text(LOG_LIMITS.text) text!: string;
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
