import { type Grams, PLAN_LIMITS } from '@kleur/core';
import { type BaseRecipe } from '../keepsakes.ts';
import { LiquidChoiceDto, LyeChoiceDto, MouldDto } from './batch.dto.ts';
import { Int, Many, Num, One, Text } from './fields.ts';
import { MaterialCopyDto } from './material.dto.ts';

const L = PLAN_LIMITS;

export class MouldUpdateDto extends MouldDto {
  @Int(1, Number.MAX_SAFE_INTEGER) version!: number;
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
  @Int(1, Number.MAX_SAFE_INTEGER) version!: number;
}
