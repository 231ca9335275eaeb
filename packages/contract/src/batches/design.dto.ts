import { type LabD65 } from '@kleur/core/colour';
import {
  type Design,
  type DesignLayer,
  type Dusting,
  type Embed,
  EMBED_BASES,
  EMBED_SHAPES,
  type EmbedBase,
  type EmbedPart,
  type EmbedShape,
  type Idea,
  PLAN_LIMITS,
  type PowderLine,
  type Twins,
} from '@kleur/core/plan';
import { type Grams, type GramsPerKg } from '@kleur/core/units';
import { CarrierDto } from '../catalogue/materials.dto.ts';
import { Flag, Int, Many, Num, Numbers, One, OneOf, Text, Texts } from '../fields.dto.ts';
import { Id, ID_LENGTH, Within } from './plan-fields.dto.ts';

const L = PLAN_LIMITS;

class DesignLayerDto implements DesignLayer {
  @Id() id!: string;
  @Id() technique!: string;
  @Texts(L.pots, ID_LENGTH, { description: 'Pot ids' }) pots!: string[];
}

class TwinsDto implements Twins {
  @Id() a!: string;
  @Id() b!: string;
}

class DesignDto implements Design {
  @Texts(L.techniques, ID_LENGTH, { description: 'Ids of techniques, one after another' }) body!: string[];
  @Many(() => DesignLayerDto, L.layers) layers!: DesignLayerDto[];
  @Text(ID_LENGTH, { nullable: true }) top!: string | null;
  @Many(() => TwinsDto, L.twins) twins!: TwinsDto[];
}

export class PaletteColourDto {
  @Text(ID_LENGTH, { min: 1 }) id!: string;
  @Text(L.name, { min: 1 }) name!: string;
  @Numbers(3, L.lab.min, L.lab.max, { description: 'CIELAB D65' }) lab!: LabD65;
}

export class IdeaDto implements Idea {
  @One(() => DesignDto) design!: DesignDto;
  @Many(() => PaletteColourDto, L.palette) colours!: PaletteColourDto[];
}

class EmbedDoseDto {
  @Id() id!: string;
  @Id() materialId!: string;
  @Within(L.dose, 'g/kg of its own soap') dose!: GramsPerKg;
}

class EmbedPartDto implements EmbedPart {
  @Id() id!: string;
  @Within(L.parts, 'Of its soap, in parts') parts!: number;
  @Many(() => EmbedDoseDto, L.dosesPerPot) doses!: EmbedDoseDto[];
}

class DustingDto implements Dusting {
  @Id() materialId!: string;
  @Within(L.gramsPerDm2, 'g/dm²') gramsPerDm2!: number;
}

export class EmbedDto implements Embed {
  @Id() id!: string;
  @Text(L.name, { min: 1 }) name!: string;
  @OneOf(EMBED_BASES) base!: EmbedBase;
  @OneOf(EMBED_SHAPES) shape!: EmbedShape;
  @Within(L.millimetres, 'mm') width!: number;
  @Within(L.millimetres, 'mm') height!: number;
  @Within(L.millimetres, 'mm') length!: number;
  @Int(L.count.min, L.count.max) perBar!: number;
  @Int(L.pieces.min, L.pieces.max, { nullable: true, description: 'In all, instead of per bar' })
  pieces!: number | null;
  @Num(L.mass.min, L.mass.max, { nullable: true, description: 'As weighed, g' }) gramsEach!: Grams | null;
  @Flag() onTop!: boolean;
  @Num(L.millimetres.min, L.millimetres.max, { nullable: true, description: 'Above the floor, mm' })
  rests!: number | null;
  @Many(() => EmbedPartDto, L.embedParts) parts!: EmbedPartDto[];
  @One(() => DustingDto, { nullable: true }) dusting!: DustingDto | null;
}

export class PowderLineDto implements PowderLine {
  @Id() id!: string;
  @Id() materialId!: string;
  @Within(L.gramsPerDm2, 'g/dm²') gramsPerDm2!: number;
  @Int(L.count.min, L.count.max) count!: number;
  @One(() => CarrierDto, { nullable: true }) carrier!: CarrierDto | null;
}
