import { type Grams, type GramsPerKg, type LabD65, PLAN_LIMITS, PLAN_SCHEMA, type Plan } from '@kleur/core';
import { BATCH_STATES, type BatchState, type BatchWrite, PAGE_LIMITS } from '../batches.ts';
import { Flag, Int, Many, Num, Numbers, One, OneOf, Pattern, Text } from './fields.ts';
import { CarrierDto, MaterialCopyDto } from './material.dto.ts';

const ID = 80;
const DAY = /^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/;
const L = PLAN_LIMITS;

export class OilRowDto {
  @Text(ID, { min: 1 }) id!: string;
  @Text(ID, { min: 1 }) materialId!: string;
  @Num(L.percent.min, L.percent.max, { description: '% of the oils' }) percent!: number;
}

export class ScentChoiceDto {
  @Text(ID, { min: 1 }) materialId!: string;
  @Num(L.dose.min, L.dose.max, { description: 'g/kg oils in the scented pots' }) dose!: GramsPerKg;
}

export class BaseDto {
  @Many(() => OilRowDto, L.oils) oils!: OilRowDto[];
  @Num(L.totalOils.min, L.totalOils.max, { description: 'g' }) totalOils!: Grams;
  @Num(L.superfat.min, L.superfat.max, { description: '%' }) superfat!: number;
  @Num(L.lyeConcentration.min, L.lyeConcentration.max, { description: '%' }) lyeConcentration!: number;
  @One(() => ScentChoiceDto, { nullable: true }) scent!: ScentChoiceDto | null;
}

export class DoseRowDto {
  @Text(ID, { min: 1 }) id!: string;
  @Text(ID, { min: 1 }) materialId!: string;
  @Num(L.dose.min, L.dose.max, { description: 'g/kg oils of the pot' }) dose!: GramsPerKg;
  @One(() => CarrierDto, { nullable: true }) carrier!: CarrierDto | null;
}

export class PotDto {
  @Text(ID, { min: 1 }) id!: string;
  @Text(L.name, { min: 1 }) name!: string;
  @Num(L.parts.min, L.parts.max) parts!: number;
  @Flag() scented!: boolean;
  @Text(ID, { min: 1, nullable: true, description: 'Palette colour that the formula follows' })
  follows!: string | null;
  @Many(() => DoseRowDto, L.dosesPerPot) doses!: DoseRowDto[];
}

export class PaletteColourDto {
  @Text(ID, { min: 1 }) id!: string;
  @Text(L.name, { min: 1 }) name!: string;
  @Numbers(3, -200, 200, { description: 'CIELAB D65' }) lab!: LabD65;
}

export class IdeaDto {
  @Text(ID, { nullable: true }) technique!: string | null;
  @Many(() => PaletteColourDto, L.palette) colours!: PaletteColourDto[];
}

export class PlanDto implements Plan {
  @OneOf([PLAN_SCHEMA]) schema!: typeof PLAN_SCHEMA;
  @One(() => IdeaDto) idea!: IdeaDto;
  @One(() => BaseDto) base!: BaseDto;
  @Many(() => PotDto, L.pots) pots!: PotDto[];
  @Many(() => MaterialCopyDto, L.materials) materials!: MaterialCopyDto[];
}

export class BatchWriteDto implements BatchWrite {
  @Text(L.name, { min: 1 }) name!: string;
  @OneOf(BATCH_STATES) state!: BatchState;
  @Pattern(DAY, '2026-03-09', { nullable: true }) madeOn!: string | null;
  @One(() => PlanDto) plan!: PlanDto;
}

export class BatchUpdateDto extends BatchWriteDto {
  @Int(1, Number.MAX_SAFE_INTEGER) version!: number;
}

export class BatchQueryDto {
  @Int(1, PAGE_LIMITS.maxPage, { optional: true }) page?: number;
  @Int(1, PAGE_LIMITS.maxSize, { optional: true }) pageSize?: number;
  @Text(PAGE_LIMITS.query, { optional: true, description: 'Part of the name' }) q?: string;
  @OneOf(BATCH_STATES, { optional: true }) state?: BatchState;
}
