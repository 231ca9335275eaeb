import { BAND_COUNT, type LabD65 } from '@kleur/core/colour';
import {
  type Face,
  FACES,
  GELS_SEEN,
  type GelSeen,
  READ_HOW,
  type ReadHow,
  type Reading,
  type ReadWith,
  READING_LIMITS,
} from '@kleur/core/evidence';
import { PLAN_LIMITS } from '@kleur/core/plan';
import {
  type BatchRecord,
  CUT_DIRECTIONS,
  type CutDirection,
  type CutRecord,
  type CutRegion,
  type Fates,
  FAULT_IDS,
  type FaultId,
  type FaultSeen,
  JUDGED,
  type Judged,
  type LyeTest,
  RECORD_LIMITS,
  RECORD_SCHEMA,
  type RecordNote,
  REGION_USES,
  type RegionUse,
  SCENT_OUTCOMES,
  type ScentOutcome,
  type Verdict,
  VERDICTS,
} from '@kleur/core/record';
import { BATCH_STATES, type BatchState } from '../batches/batches.ts';
import { DAY, FaceStripeDto, PlanDto } from '../batches/batches.dto.ts';
import { Id, ID_LENGTH, Within } from '../batches/plan-fields.dto.ts';
import { Flag, Int, Many, Num, Numbers, One, OneOf, Pattern, Text, Texts } from '../fields.dto.ts';
import {
  type AgainWrite,
  type LineBatch,
  type ReadingSend,
  type ReadingWrite,
  type RecordWire,
  type SeenPot,
} from './record.ts';

const L = RECORD_LIMITS;
const FILE = 80;
const Mass = (): PropertyDecorator => Num(L.mass.min, L.mass.max, { nullable: true, description: 'g' });

class GelSeenDto implements GelSeen {
  @OneOf(GELS_SEEN) how!: GelSeen['how'];
  @Within(L.rim, 'Pale rim round the gelled middle, mm') rim!: number;
}

class FaultSeenDto implements FaultSeen {
  @Id() id!: string;
  @OneOf(FAULT_IDS) fault!: FaultId;
  @Texts(L.pots, ID_LENGTH, { description: 'Pots that show it; empty for the whole bar' }) potIds!: string[];
  @Text(L.text) text!: string;
}

class LyeTestDto implements LyeTest {
  @Within(L.ph) ph!: number;
  @Pattern(DAY, '2026-03-09') on!: string;
  @Text(L.text, { optional: true, description: 'Where on the soap it was highest' }) place?: string;
}

class CutRegionDto implements CutRegion {
  @Id() id!: string;
  @OneOf(REGION_USES) use!: RegionUse;
  @Within(L.millimetres, 'Along the block, mm') length!: number;
  @OneOf(CUT_DIRECTIONS) direction!: CutDirection;
  @Within(L.millimetres, 'Of one piece, mm') thickness!: number;
  @Int(L.columns.min, L.columns.max) columns!: number;
}

class FatesDto implements Fates {
  @Int(L.bars.min, L.bars.max) sale!: number;
  @Int(L.bars.min, L.bars.max) given!: number;
  @Int(L.bars.min, L.bars.max) swatches!: number;
}

class CutRecordDto implements CutRecord {
  @Many(() => CutRegionDto, L.regions, { nullable: true }) regions!: CutRegionDto[] | null;
  @Int(L.bars.min, L.bars.max, { nullable: true }) bars!: number | null;
  @Mass() atCut!: number | null;
  @Mass() cured!: number | null;
  @Mass() finished!: number | null;
  @One(() => FatesDto) fates!: FatesDto;
}

export class VerdictDto implements Verdict {
  @OneOf(JUDGED) of!: Judged;
  @Text(PLAN_LIMITS.name, { description: 'Material, technique or mould; empty for the batch' }) ref!: string;
  @OneOf(VERDICTS) says!: Verdict['says'];
  @Text(L.text) text!: string;
}

class RecordNoteDto implements RecordNote {
  @Id() id!: string;
  @Int(0, Number.MAX_SAFE_INTEGER) at!: number;
  @Text(ID_LENGTH) potId!: string;
  @Int(0, L.bars.max) bar!: number;
  @Text(L.text) text!: string;
  @Text(FILE) file!: string;
}

class BatchRecordDto implements BatchRecord {
  @OneOf([RECORD_SCHEMA]) schema!: typeof RECORD_SCHEMA;
  @One(() => GelSeenDto, { nullable: true }) gel!: GelSeenDto | null;
  @Many(() => FaultSeenDto, L.faults) faults!: FaultSeenDto[];
  @OneOf(SCENT_OUTCOMES, { nullable: true }) scent!: ScentOutcome | null;
  @One(() => LyeTestDto, { nullable: true }) lyeTest!: LyeTestDto | null;
  @One(() => CutRecordDto) cut!: CutRecordDto;
  @Many(() => VerdictDto, L.verdicts) verdicts!: VerdictDto[];
  @Many(() => RecordNoteDto, L.notes) notes!: RecordNoteDto[];
  @Texts(L.sketches, FILE, { description: 'Files of sketches' }) sketches!: string[];
}

export class RecordWireDto implements RecordWire {
  @One(() => BatchRecordDto) record!: BatchRecordDto;
  @Int(0, 1_000_000_000, { description: 'That the record grew from; 0 for the first' }) version!: number;
}

/** How a colour was taken, where more is known of it than its Lab. */
export class ReadWithDto implements ReadWith {
  @Numbers(BAND_COUNT, -0.02, 1.5, { optional: true, description: '380–730 nm in 10 nm steps, as read' })
  spectrum?: number[];
  @Text(READING_LIMITS.instrument, { optional: true, description: 'What it was read with' })
  instrument?: string;
  @Flag({ optional: true, description: 'Whether the instrument sees the gloss too' }) hasGloss?: boolean;
  @Text(READING_LIMITS.lot, { optional: true, description: 'Of the colourant' }) lot?: string;
  @Flag({ optional: true, description: 'Whether a simulated instrument read it' }) simulated?: boolean;
}

export class ReadingWriteDto extends ReadWithDto implements ReadingWrite {
  @Text(ID_LENGTH, { min: 1, description: 'Made by the device' }) id!: string;
  @Id() potId!: string;
  @OneOf(FACES) face!: Face;
  @Pattern(DAY, '2026-03-09') on!: string;
  @Numbers(3, -128, 128, { description: 'CIELAB D65' }) lab!: LabD65;
  @OneOf(READ_HOW) how!: ReadHow;
  @Within(READING_LIMITS.doubt, '± ΔE00') doubt!: number;
  @Text(FILE) file!: string;
  @Text(READING_LIMITS.note) note!: string;
  @Flag({ optional: true, description: 'Of this piece, where it is not as the batch' }) gelled?: boolean;
}

/** Readings of one photo are kept together, or none of them. */
export class ReadingSendDto implements ReadingSend {
  @Many(() => ReadingWriteDto, READING_LIMITS.sent, { min: 1 }) readings!: ReadingWriteDto[];
}

export class ReadingDto extends ReadingWriteDto implements Reading {
  @Within(READING_LIMITS.hours, 'Since the pour') hours!: number;
}

export class AgainWriteDto implements AgainWrite {
  @Text(PLAN_LIMITS.name, { min: 1 }) name!: string;
  @One(() => PlanDto) plan!: PlanDto;
}

export class SeenPotDto implements SeenPot {
  @Text(ID_LENGTH) potId!: string;
  @Text(7) hex!: string;
}

export class LineBatchDto implements LineBatch {
  @Id() id!: string;
  @Text(PLAN_LIMITS.name) name!: string;
  @Text(ID_LENGTH, { nullable: true }) parentId!: string | null;
  @OneOf(BATCH_STATES) state!: BatchState;
  @Pattern(DAY, '2026-03-09', { nullable: true }) madeOn!: string | null;
  @Many(() => FaceStripeDto, PLAN_LIMITS.pots) face!: FaceStripeDto[];
  @Flag() onHold!: boolean;
  @Many(() => SeenPotDto, PLAN_LIMITS.pots) seen!: SeenPotDto[];
  @Texts(L.faults, 40) faults!: FaultId[];
  @One(() => VerdictDto, { nullable: true }) verdict!: VerdictDto | null;
}
