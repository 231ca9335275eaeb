import { PLAN_LIMITS } from '@kleur/core/plan';
import { type Grams } from '@kleur/core/units';
import { type BaseRecipe, type MouldWire, type RecipeWire } from './saved.ts';
import { LiquidChoiceDto, LyeChoiceDto, MouldDto } from '../batches/batches.dto.ts';
import { Many, Moment, Num, One, Text, Version } from '../fields.dto.ts';
import { MaterialCopyDto } from '../catalogue/materials.dto.ts';

const L = PLAN_LIMITS;

export class MouldUpdateDto extends MouldDto {
  @Version() version!: number;
}

class RecipeOilDto {
  @One(() => MaterialCopyDto) material!: MaterialCopyDto;
  @Num(L.percent.min, L.percent.max) percent!: number;
}

export class RecipeDto implements BaseRecipe {
  @Text(L.name, { min: 1 }) name!: string;
  @Many(() => RecipeOilDto, L.oils, { min: 1 }) oils!: RecipeOilDto[];
  @Num(L.superfat.min, L.superfat.max) superfat!: number;
  @One(() => LyeChoiceDto) lye!: LyeChoiceDto;
  @One(() => LiquidChoiceDto) liquid!: LiquidChoiceDto & { heldBack: Grams };
  @Num(L.temperature.min, L.temperature.max) temperature!: number;
}

export class RecipeUpdateDto extends RecipeDto {
  @Version() version!: number;
}

export class MouldWireDto extends MouldUpdateDto implements MouldWire {
  @Text(80) id!: string;
  @Moment() updatedAt!: string;
}

export class RecipeWireDto extends RecipeUpdateDto implements RecipeWire {
  @Text(80) id!: string;
  @Moment() updatedAt!: string;
}
