import { type FaultId, FAULT_IDS, JUDGED, type LearnedLoss, type Verdict } from '@kleur/core/record';
import { PLAN_LIMITS } from '@kleur/core/plan';
import { BATCH_STATES, type BatchState, PAGE_LIMITS } from '../batches/batches.ts';
import { BatchSummaryDto, DAY, FaceStripeDto } from '../batches/batches.dto.ts';
import { ID_LENGTH } from '../batches/plan-fields.dto.ts';
import { Int, Many, Num, One, OneOf, Pattern, QueryInt, Text, Texts } from '../fields.dto.ts';
import { SeenPotDto, VerdictDto } from '../record/record.dto.ts';
import { type LedgerBatch, type LedgerPage, LIKE_THIS, type PastOf, type PastResult } from './ledger.ts';

const HEX = /^#[0-9a-fA-F]{6}$/;

export class LedgerQueryDto {
  @QueryInt(1, PAGE_LIMITS.maxPage, { optional: true }) page = 1;
  @Text(PAGE_LIMITS.query, { optional: true, description: 'Part of the name' }) q?: string;
  @OneOf(BATCH_STATES, { optional: true }) state?: BatchState;
  @Pattern(HEX, '#b06a49', { optional: true, description: 'Bars with a cured pot like this' })
  colour?: string;
  @QueryInt(LIKE_THIS.min, LIKE_THIS.max, { optional: true, description: 'ΔE00' }) within?: number;
  @Text(ID_LENGTH, { optional: true, description: 'Id of a material' }) material?: string;
  @Text(PLAN_LIMITS.name, { optional: true, description: 'Part of the label of a lot' }) lot?: string;
  @Text(ID_LENGTH, { optional: true }) technique?: string;
  @OneOf(FAULT_IDS, { optional: true }) fault?: FaultId;
  @Pattern(DAY, '2026-03-09', { optional: true }) from?: string;
  @Pattern(DAY, '2026-03-09', { optional: true }) to?: string;
}

class NearestDto {
  @Text(PLAN_LIMITS.name) name!: string;
  @Text(7) hex!: string;
  @Num(0, 1000) deltaE!: number;
}

class LedgerBatchDto extends BatchSummaryDto implements LedgerBatch {
  @One(() => NearestDto, { nullable: true }) nearest!: NearestDto | null;
}

export class LedgerPageDto implements LedgerPage {
  @Many(() => LedgerBatchDto, PAGE_LIMITS.maxSize) items!: LedgerBatchDto[];
  @Int(0, Number.MAX_SAFE_INTEGER) total!: number;
  @Int(1, PAGE_LIMITS.maxPage) page!: number;
  @Int(1, PAGE_LIMITS.maxSize) pageSize!: number;
}

export class PastQueryDto {
  @OneOf(JUDGED.filter((j) => j !== 'batch')) of!: PastOf;
  @Text(PLAN_LIMITS.name, { min: 1, description: 'Id of a material or a technique, name of a mould' })
  ref!: string;
  @Text(ID_LENGTH, { optional: true, description: 'A batch that is not meant' }) besides?: string;
}

export class PastResultDto implements PastResult {
  @Text(ID_LENGTH) batchId!: string;
  @Text(PLAN_LIMITS.name) name!: string;
  @Pattern(DAY, '2026-03-09', { nullable: true }) madeOn!: string | null;
  @Many(() => FaceStripeDto, PLAN_LIMITS.pots) face!: FaceStripeDto[];
  @Many(() => SeenPotDto, PLAN_LIMITS.pots) seen!: SeenPotDto[];
  @One(() => VerdictDto, { nullable: true }) verdict!: Verdict | null;
  @Texts(40, 40) faults!: FaultId[];
}

class LearnedLossDto implements LearnedLoss {
  @Num(0, 100) factor!: number;
  @Int(1, 1_000_000) batches!: number;
}

export class LossesDto {
  @One(() => LearnedLossDto, { nullable: true }) learned!: LearnedLossDto | null;
}
