import {
  ADDITIVE_MOMENTS,
  type AdditiveMoment,
  type BarCut,
  CARRIER_SOURCES,
  type CarrierSource,
  type Draw,
  type Finish,
  FINISHES,
  HEATS,
  LIQUID_KINDS,
  LIQUID_WAYS,
  type LiquidKind,
  type LiquidWay,
  type GelHabit,
  type LearntBase,
  type LyeChoice,
  type Mould,
  MOULD_SHAPES,
  type Moulding,
  type MouldShape,
  PLAN_LIMITS,
  PLAN_SCHEMA,
  type Minutes,
  ORDER_WAYS,
  type OrderWay,
  type Plan,
  POT_PLACES,
  type PotPlace,
  SCENT_MOMENTS,
  type ScentMoment,
  SHARE_WAYS,
  type ShareWay,
  TAKEN,
  type Taken,
  USES,
  type Work,
} from '@kleur/core/plan';
import { type Grams, type GramsPerKg } from '@kleur/core/units';
import { FittedBaseDto } from '../colour/colour.dto.ts';
import {
  BATCH_STATES,
  type BatchDocument,
  type BatchPage,
  type BatchState,
  type BatchSummary,
  type BatchWrite,
  type FaceStripe,
  PAGE_LIMITS,
} from './batches.ts';
import {
  Flag,
  Int,
  Many,
  Moment,
  Num,
  NumberList,
  One,
  OneOf,
  Pattern,
  SomeOf,
  Text,
  Texts,
  Version,
  QueryInt,
} from '../fields.dto.ts';
import { CarrierDto, MaterialCopyDto } from '../catalogue/materials.dto.ts';
import { DayChangesDto, PourScriptDto } from './day.dto.ts';
import { EmbedDto, IdeaDto, PowderLineDto } from './design.dto.ts';
import { Id, ID_LENGTH, Within } from './plan-fields.dto.ts';

/** A day, as 2026-03-09. */
export const DAY = /^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/;
const L = PLAN_LIMITS;

class OilRowDto {
  @Id() id!: string;
  @Id() materialId!: string;
  @Within(L.percent, '% of the oils') percent!: number;
}

export class LyeChoiceDto implements LyeChoice {
  @Within(L.share, '% of the saponification, by moles') kohShare!: number;
  @Within(L.purity, '%') naohPurity!: number;
  @Within(L.purity, '%') kohPurity!: number;
}

class LiquidPartDto {
  @Id() id!: string;
  @Text(L.name, { min: 1 }) name!: string;
  @OneOf(LIQUID_KINDS) kind!: LiquidKind;
  @Within(L.share, '% of the liquid') percent!: number;
}

export class LiquidChoiceDto {
  @OneOf(LIQUID_WAYS) by!: LiquidWay;
  @Within(L.liquid, '% lye in the solution, liquid to lye, or % of oils') value!: number;
  @Many(() => LiquidPartDto, L.liquidParts) parts!: LiquidPartDto[];
  @Within(L.mass, 'Kept out of the lye, g') heldBack!: Grams;
}

class ScentPartDto {
  @Id() id!: string;
  @Id() materialId!: string;
  @Within(L.parts) parts!: number;
}

class ScentChoiceDto {
  @Many(() => ScentPartDto, L.scentParts, { min: 1 }) parts!: ScentPartDto[];
  @Within(L.dose, 'Of the blend, g/kg oils in the scented pots') dose!: GramsPerKg;
  @OneOf(SCENT_MOMENTS) when!: ScentMoment;
  @Within(L.stabiliser, 'g per g of scent') stabiliser!: number;
}

class AdditiveRowDto {
  @Id() id!: string;
  @Id() materialId!: string;
  @Within(L.dose, 'g/kg oils') dose!: GramsPerKg;
  @Num(L.mass.min, L.mass.max, { nullable: true, description: 'Wanted in each bar, g' })
  perBar!: Grams | null;
  @OneOf(ADDITIVE_MOMENTS) moment!: AdditiveMoment;
}

export class GelHabitDto implements GelHabit {
  @Num(-60, 60, { description: '°C by which gel begins later than by the table' }) shift!: number;
  @Int(1, 1_000_000, { description: 'Batches that it stands on' }) batches!: number;
}

export class LearntBaseDto implements LearntBase {
  @Int(1, 1_000_000) version!: number;
  @Int(0, 100_000) readings!: number;
  @One(() => FittedBaseDto) base!: FittedBaseDto;
  @One(() => GelHabitDto, { optional: true }) gel?: GelHabitDto;
}

class BaseDto {
  @Many(() => OilRowDto, L.oils) oils!: OilRowDto[];
  @Within(L.totalOils, 'g') totalOils!: Grams;
  @Within(L.superfat, '%') superfat!: number;
  @One(() => LyeChoiceDto) lye!: LyeChoiceDto;
  @One(() => LiquidChoiceDto) liquid!: LiquidChoiceDto;
  @Within(L.temperature, '°C') temperature!: number;
  @One(() => ScentChoiceDto, { nullable: true }) scent!: ScentChoiceDto | null;
  @Many(() => AdditiveRowDto, L.additives) additives!: AdditiveRowDto[];
  @One(() => LearntBaseDto, { optional: true, description: 'As bars told it; without it the reference base' })
  learnt?: LearntBaseDto;
}

export class MouldDto implements Mould {
  @Text(L.name, { min: 1 }) name!: string;
  @OneOf(MOULD_SHAPES) shape!: MouldShape;
  @Within(L.millimetres, 'mm') length!: number;
  @Within(L.millimetres, 'mm') width!: number;
  @Within(L.millimetres, 'Filled to, mm') height!: number;
  @Within(L.millimetres, 'mm') diameter!: number;
  @Within(L.mass, 'ml') cavityVolume!: number;
  @Int(0, L.count.max) cavities!: number;
  @NumberList(L.sections, 0, L.millimetres.max, { description: 'Between dividers, mm' }) sections!: number[];
  @Within(L.millimetres, 'mm') dividerThickness!: number;
}

class MouldRowDto {
  @Id() id!: string;
  @Int(L.count.min, L.count.max) count!: number;
  @One(() => MouldDto) mould!: MouldDto;
}

class BarCutDto implements BarCut {
  @OneOf(['thickness', 'count']) by!: BarCut['by'];
  @Within(L.millimetres, 'mm') thickness!: number;
  @Int(L.count.min, L.count.max) count!: number;
  @Within(L.millimetres, 'mm') kerf!: number;
  @Within(L.millimetres, 'mm') end!: number;
  @Int(L.count.min, L.count.max) columns!: number;
}

class MouldingDto implements Moulding {
  @Flag() leads!: boolean;
  @Many(() => MouldRowDto, L.moulds) moulds!: MouldRowDto[];
  @Within(L.mass, 'For the top, g') reserve!: Grams;
  @Within(L.mass, 'g') lossPerJug!: Grams;
  @Num(L.density.min, L.density.max, { nullable: true, description: 'g/ml' }) density!: number | null;
  @One(() => BarCutDto) bars!: BarCutDto;
}

class DoseRowDto {
  @Id() id!: string;
  @Id() materialId!: string;
  @Within(L.dose, 'g/kg oils of the pot') dose!: GramsPerKg;
  @Num(L.mass.min, L.mass.max, { nullable: true, description: 'Wanted in each bar, g' })
  perBar!: Grams | null;
  @One(() => CarrierDto, { nullable: true }) carrier!: CarrierDto | null;
  @OneOf(CARRIER_SOURCES) source!: CarrierSource;
}

class DrawDto implements Draw {
  @Id() id!: string;
  @Text(ID_LENGTH, { min: 1, nullable: true, description: 'A pot, or null for the base batter' }) from!:
    | string
    | null;
  @OneOf(SHARE_WAYS) by!: ShareWay;
  @Within(L.draw, 'Parts, %, g, ml, mm, or a section from 1') value!: number;
  @Within(L.millimetres, 'Other height of a slanted layer, mm') second!: number;
}

class PotDto {
  @Id() id!: string;
  @Text(L.name, { min: 1 }) name!: string;
  @Many(() => DrawDto, L.drawsPerPot) draws!: DrawDto[];
  @OneOf(TAKEN) taken!: Taken;
  @Flag() scented!: boolean;
  @Num(L.dose.min, L.dose.max, { nullable: true, description: 'Its own rate of scent, g/kg oils' })
  scentDose!: GramsPerKg | null;
  @OneOf(POT_PLACES) place!: PotPlace;
  @Flag({ optional: true, nullable: true, description: 'By itself; null to go with the batch' })
  gelled?: boolean | null;
  @Within(L.mass, 'Kept back for the top, g') reserve!: Grams;
  @Flag() ownLye!: boolean;
  @Many(() => OilRowDto, L.oils) ownOils!: OilRowDto[];
  @Within(L.hours, 'Hours before the last pour') hoursBefore!: number;
  @Text(ID_LENGTH, { min: 1, nullable: true, description: 'Palette colour that the formula follows' })
  follows!: string | null;
  @Many(() => DoseRowDto, L.dosesPerPot) doses!: DoseRowDto[];
}

class StockDto {
  @Within(L.powderPercent, 'Powder in the bottle, % by weight') powderPercent!: number;
  @Within(L.gramsPerDrop, 'g') gramsPerDrop!: number;
}

class SharedDispersionDto {
  @Id() materialId!: string;
  @One(() => StockDto, { nullable: true }) stock!: StockDto | null;
}

class MinutesDto implements Minutes {
  @Within(L.minutes, 'min') split!: number;
  @Within(L.minutes, 'min') colour!: number;
  @Within(L.minutes, 'min') scent!: number;
  @Within(L.minutes, 'min') pour!: number;
  @Within(L.minutes, 'min') top!: number;
}

class OrderDto {
  @OneOf(ORDER_WAYS) by!: OrderWay;
  @Texts(L.pots, ID_LENGTH, { description: 'Pot ids in the maker’s own order' }) pots!: string[];
}

class WorkDto implements Work {
  @Text(ID_LENGTH, { nullable: true }) fallback!: string | null;
  @OneOf(HEATS) heat!: Work['heat'];
  @SomeOf(FINISHES) finish!: Finish[];
  @OneOf(USES) use!: Work['use'];
  @Flag() permanentLine!: boolean;
  @Within(L.blendSeconds, 'After emulsion, s') blendSeconds!: number;
  @Text(ID_LENGTH, { nullable: true }) carrierOil!: string | null;
  @Flag() equalise!: boolean;
  @Many(() => SharedDispersionDto, L.materials) dispersions!: SharedDispersionDto[];
  @One(() => OrderDto) order!: OrderDto;
  @One(() => MinutesDto) minutes!: MinutesDto;
  @Within(L.oven, 'Switched off when the mould goes in, °C') ovenTemperature!: number;
  @Flag({ description: 'Batter that thickens fast is wanted' }) fastWanted!: boolean;
  @Within(L.pace, 'All times of the batter times this') pace!: number;
  @One(() => PourScriptDto) pour!: PourScriptDto;
  @One(() => DayChangesDto) day!: DayChangesDto;
}

export class PlanDto implements Plan {
  @OneOf([PLAN_SCHEMA]) schema!: typeof PLAN_SCHEMA;
  @One(() => IdeaDto) idea!: IdeaDto;
  @One(() => BaseDto) base!: BaseDto;
  @One(() => MouldingDto) moulding!: MouldingDto;
  @Many(() => PotDto, L.pots) pots!: PotDto[];
  @Many(() => EmbedDto, L.embeds) embeds!: EmbedDto[];
  @Many(() => PowderLineDto, L.lines) lines!: PowderLineDto[];
  @One(() => WorkDto) work!: WorkDto;
  @Many(() => MaterialCopyDto, L.materials) materials!: MaterialCopyDto[];
}

export class BatchWriteDto implements BatchWrite {
  @Text(L.name, { min: 1 }) name!: string;
  @OneOf(BATCH_STATES) state!: BatchState;
  @Pattern(DAY, '2026-03-09', { nullable: true }) madeOn!: string | null;
  @One(() => PlanDto) plan!: PlanDto;
}

export class BatchUpdateDto extends BatchWriteDto {
  @Version() version!: number;
}

export class BatchQueryDto {
  @QueryInt(1, PAGE_LIMITS.maxPage, { optional: true }) page?: number;
  @QueryInt(1, PAGE_LIMITS.maxSize, { optional: true }) pageSize?: number;
  @Text(PAGE_LIMITS.query, { optional: true, description: 'Part of the name' }) q?: string;
  @OneOf(BATCH_STATES, { optional: true }) state?: BatchState;
}

export class BatchDocumentDto extends BatchWriteDto implements BatchDocument {
  @Id() id!: string;
  @Version() version!: number;
  @Text(ID_LENGTH, { nullable: true, description: 'The version it was made from' }) parentId!: string | null;
  @Flag() onHold!: boolean;
  @Moment() createdAt!: string;
  @Moment() updatedAt!: string;
  @Int(1, 10_000, { optional: true, description: 'Entries of the stored plan that cannot be read' })
  leftOut?: number;
}

export class FaceStripeDto implements FaceStripe {
  @Text(L.name) name!: string;
  @Text(7, { description: 'Predicted at cure' }) hex!: string;
  @Num(0, 1, { description: 'Of the batter' }) share!: number;
}

export class BatchSummaryDto implements BatchSummary {
  @Id() id!: string;
  @Text(L.name) name!: string;
  @OneOf(BATCH_STATES) state!: BatchState;
  @Pattern(DAY, '2026-03-09', { nullable: true }) madeOn!: string | null;
  @Within(L.totalOils, 'g') totalOils!: number;
  @Many(() => FaceStripeDto, L.pots) face!: FaceStripeDto[];
  @Flag() onHold!: boolean;
  @Version() version!: number;
  @Moment() updatedAt!: string;
}

export class BatchPageDto implements BatchPage {
  @Many(() => BatchSummaryDto, PAGE_LIMITS.maxSize) items!: BatchSummaryDto[];
  @Int(0, Number.MAX_SAFE_INTEGER) total!: number;
  @Int(1, PAGE_LIMITS.maxPage) page!: number;
  @Int(1, PAGE_LIMITS.maxSize) pageSize!: number;
}
