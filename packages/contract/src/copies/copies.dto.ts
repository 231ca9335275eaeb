import { Int, Many, Moment, OneOf, Text } from '../fields.dto.ts';
import { type Copy, type CopyContent, COPY_LATEST, COPY_REASONS, type CopyReason } from './copies.ts';

export class CopyDto implements Copy {
  @Text(120, { description: 'Name of its file' }) name!: string;
  @Moment() at!: string;
  @OneOf(COPY_REASONS) reason!: CopyReason;
  @Int(0, Number.MAX_SAFE_INTEGER) bytes!: number;
}

class CopiedBatchDto {
  @Text(80) name!: string;
  @Moment() updatedAt!: string;
}

export class CopyContentDto implements CopyContent {
  @Int(0, Number.MAX_SAFE_INTEGER) batches!: number;
  @Int(0, Number.MAX_SAFE_INTEGER) materials!: number;
  @Int(0, Number.MAX_SAFE_INTEGER) palettes!: number;
  @Int(0, Number.MAX_SAFE_INTEGER) moulds!: number;
  @Int(0, Number.MAX_SAFE_INTEGER) recipes!: number;
  @Many(() => CopiedBatchDto, COPY_LATEST) latest!: CopiedBatchDto[];
}

/** Replacing a workspace takes the word, not just a call. */
export class CopyRestoreDto {
  @OneOf(['replace everything with this copy']) confirm!: string;
}
