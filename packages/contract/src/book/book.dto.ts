import { type LabD65 } from '@kleur/core/colour';
import {
  type Face,
  FACES,
  READ_HOW,
  type ReadHow,
  READING_LIMITS,
  type ProposedBar,
  TEST_BAR_LIMITS,
  type TestBar,
  TRIAL_LIMITS,
} from '@kleur/core/evidence';
import { DAY, GelHabitDto, LearntBaseDto } from '../batches/batches.dto.ts';
import { ID_LENGTH } from '../batches/plan-fields.dto.ts';
import { ReadWithDto } from '../record/record.dto.ts';
import { DoseDto, FittedBaseDto, OilShareDto } from '../colour/colour.dto.ts';
import { FitAnswerDto, FitMissDto } from '../colour/fit.dto.ts';
import { FIT_LIMITS } from '../colour/fit.ts';
import { Flag, Flags, Int, Many, Num, Numbers, One, OneOf, Pattern, Text, Texts } from '../fields.dto.ts';
import { ApiProperty, OmitType } from '@nestjs/swagger';
import {
  type BookAccept,
  type BookBack,
  type BookBase,
  type BookBaseFit,
  type BookEffect,
  type BookEffectAsk,
  type BookEntry,
  type BookFit,
  type BookForget,
  type BookMove,
  type BookPage,
  type Learning,
  type LearningCurve,
  type TestBarSend,
  type TestBarWrite,
  type TrialAsk,
} from './book.ts';

const B = TEST_BAR_LIMITS;

class BookEntryDto extends ReadWithDto implements BookEntry {
  @Text(80) id!: string;
  @Text(80, { nullable: true }) batchId!: string | null;
  @Text(200) batchName!: string;
  @Text(200) potName!: string;
  @Text(10, { description: 'YYYY-MM-DD' }) on!: string;
  @Num(0, 1e6, { description: 'Since the pour' }) hours!: number;
  @OneOf(FACES, { nullable: true }) face!: Face | null;
  @Num(0, 1) gel!: number;
  @OneOf(READ_HOW) how!: ReadHow;
  @Num(0, 30, { description: '± ΔE00' }) doubt!: number;
  @Numbers(3, -200, 200, { description: 'CIELAB D65' }) lab!: LabD65;
  @Many(() => DoseDto, FIT_LIMITS.parts) doses!: DoseDto[];
}

export class TestBarWriteDto extends ReadWithDto implements TestBarWrite {
  @Text(ID_LENGTH, { min: 1, description: 'Made by the device' }) id!: string;
  @Text(B.name) name!: string;
  @Pattern(DAY, '2026-03-09') on!: string;
  @Num(READING_LIMITS.hours.min, READING_LIMITS.hours.max, { description: 'Since the pour' }) hours!: number;
  @Num(0, 1, { description: '0 none, 1 full' }) gel!: number;
  @Numbers(3, -128, 128, { optional: true, description: 'CIELAB D65; needed without a spectrum' })
  lab?: LabD65;
  @OneOf(READ_HOW) how!: ReadHow;
  @Num(READING_LIMITS.doubt.min, READING_LIMITS.doubt.max, { description: '± ΔE00' }) doubt!: number;
  @Text(READING_LIMITS.note) note!: string;
  @Many(() => DoseDto, B.doses, { description: 'None for the bare base' }) doses!: DoseDto[];
  @Many(() => OilShareDto, B.oils, { description: 'None for the reference base' }) oils!: OilShareDto[];
  @Num(B.vanillin.min, B.vanillin.max, { description: 'g/kg oils' }) vanillin!: number;
}

/** Bars of one file are kept together, or none of them. */
export class TestBarSendDto implements TestBarSend {
  @Many(() => TestBarWriteDto, B.sent, { min: 1 }) bars!: TestBarWriteDto[];
}

export class TestBarDto extends TestBarWriteDto implements TestBar {
  @Numbers(3, -200, 200) declare lab: LabD65;
}

export class BookPageDto implements BookPage {
  @Many(() => BookEntryDto, FIT_LIMITS.readings) readings!: BookEntryDto[];
}

/** Only ever answered. */
const LAB_PAIR = { type: 'array', items: { type: 'array', items: { type: 'number' } } } as const;

class BookBaseFitDto implements BookBaseFit {
  @One(() => FittedBaseDto) base!: FittedBaseDto;
  @Int(0, FIT_LIMITS.readings) readings!: number;
  @ApiProperty({ ...LAB_PAIR, description: 'As it was known, ungelled and gelled' })
  before!: BookBaseFit['before'];
  @ApiProperty({ ...LAB_PAIR, description: 'As its bars say' })
  after!: BookBaseFit['after'];
  @One(() => GelHabitDto, { nullable: true }) gel!: GelHabitDto | null;
}

export class BookFitDto extends OmitType(FitAnswerDto, ['base']) implements BookFit {
  @Text(80, { description: 'Names what was fitted' }) fitId!: string;
  @One(() => BookBaseFitDto, { nullable: true }) base!: BookBaseFitDto | null;
}

export class BookEffectAskDto implements BookEffectAsk {
  @Texts(TEST_BAR_LIMITS.sent, 80, { description: 'At least one' }) readingIds!: string[];
}

class BookMoveDto implements BookMove {
  @Text(80) materialId!: string;
  @Numbers(3, -200, 200) before!: LabD65;
  @Numbers(3, -200, 200) after!: LabD65;
  @Num(0, 200, { description: 'ΔE00' }) deltaE!: number;
  @Num(0, 200, { nullable: true }) typicalMiss!: number | null;
}

export class BookEffectDto implements BookEffect {
  @Many(() => FitMissDto, FIT_LIMITS.readings) readings!: FitMissDto[];
  @Many(() => BookMoveDto, FIT_LIMITS.materials) moves!: BookMoveDto[];
}

export class BookAcceptDto implements BookAccept {
  @Text(80, { min: 1, description: 'Of the fit that was seen' }) fitId!: string;
  @Texts(FIT_LIMITS.materials, 80) materialIds!: string[];
}

export class BookForgetDto implements BookForget {
  @Texts(FIT_LIMITS.materials, 80) materialIds!: string[];
  @Flag({ optional: true, description: 'The base as well' }) base?: boolean;
}

class LearningCurveDto implements LearningCurve {
  @Text(80) materialId!: string;
  @Int(0, FIT_LIMITS.readings) readings!: number;
  @Num(0, 10) spread!: number;
  @Num(0, 200, { nullable: true }) typicalMiss!: number | null;
}

export class LearningDto implements Learning {
  @Int(1, 1_000_000) version!: number;
  @Text(40) at!: string;
  @Int(0, FIT_LIMITS.readings, { nullable: true }) baseReadings!: number | null;
  @Many(() => LearningCurveDto, FIT_LIMITS.materials) curves!: LearningCurveDto[];
}

export class BookBackDto implements BookBack {
  @Int(1, 1_000_000) version!: number;
  @Texts(FIT_LIMITS.materials, 80) materialIds!: string[];
}

export class BookBaseDto implements BookBase {
  @One(() => LearntBaseDto, { nullable: true }) learnt!: LearntBaseDto | null;
}

export class TrialAskDto implements TrialAsk {
  @Texts(TRIAL_LIMITS.materials, 80, { description: 'At least one' }) materialIds!: string[];
  @Text(80, { min: 1, nullable: true }) whiteId!: string | null;
  @Flags(2, { description: 'Ungelled, gelled, or both' }) gelled!: boolean[];
  @Flag({ description: 'Whether a bar without colour may be among them' }) bare!: boolean;
  @Num(0.1, READING_LIMITS.doubt.max, { description: '± ΔE00 of how the bars will be read' }) doubt!: number;
  @Int(1, TRIAL_LIMITS.bars, { description: 'At most' }) count!: number;
}

export class ProposedBarDto implements ProposedBar {
  @Many(() => DoseDto, B.doses, { description: 'None for the bare base' }) doses!: DoseDto[];
  @Flag() gelled!: boolean;
  @Num(0, 200, { description: 'Mean ± ΔE00 of the colours of the test before it is read' }) before!: number;
  @Num(0, 200, { description: 'And after it, and the ones before it' }) after!: number;
}
