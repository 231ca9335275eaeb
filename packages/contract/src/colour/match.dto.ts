import { type LabD65, type ScreenColour } from '@kleur/core/colour';
import {
  type MatchFilter,
  type MatchResult,
  type Recipe,
  RECIPE_VIRTUES,
  type RecipePart,
  type RecipeVirtue,
} from '@kleur/core/match';
import { type Evidence } from '@kleur/core/material';
import { PLAN_LIMITS } from '@kleur/core/plan';
import { type Grams, levelSpoons, type Measuring } from '@kleur/core/units';
import { type MatchRequest, type MatchTarget } from './match.ts';
import { PALETTE_LIMITS } from '../palettes/palettes.ts';
import { DoseDto, LabPair, OilShareDto, StageDto } from './colour.dto.ts';
import { Flag, Int, Many, Num, Numbers, One, Pattern, SomeOf, Text, Texts } from '../fields.dto.ts';
import { MeasuringDto } from '../settings/settings.dto.ts';

class SwatchRefDto {
  @Text(80, { min: 1 }) paletteId!: string;
  @Int(0, PALETTE_LIMITS.colours) index!: number;
}

class PotRefDto {
  @Text(80, { min: 1 }) batchId!: string;
  @Text(80, { min: 1 }) potId!: string;
}

class MatchTargetDto implements MatchTarget {
  @Numbers(3, -200, 200, { optional: true, description: 'CIELAB D65' }) lab?: number[];
  @Pattern(/^#[0-9a-fA-F]{6}$/, '#4a63b0', { optional: true }) hex?: string;
  @One(() => SwatchRefDto, { optional: true }) swatch?: SwatchRefDto;
  @One(() => PotRefDto, { optional: true }) pot?: PotRefDto;
}

class MatchFilterDto implements MatchFilter {
  @Flag() inStock!: boolean;
  @Flag() natural!: boolean;
  @Flag() vegan!: boolean;
  @Flag() palmFree!: boolean;
  @Flag() noBleed!: boolean;
  @Flag() noFade!: boolean;
  @Texts(200, 80, { description: 'Material ids never to use' }) exclude!: string[];
  @Texts(200, 80, { description: 'Material ids to keep to; empty for all' }) only!: string[];
}

class ResolutionDto {
  @Num(0.1, PLAN_LIMITS.totalOils.max, { description: 'Oils of the pot, g' }) potOils!: Grams;
  @One(() => MeasuringDto) measuring!: Measuring & MeasuringDto;
}

export class MatchRequestDto implements MatchRequest {
  @One(() => MatchTargetDto, { description: 'Exactly one of its fields' }) target!: MatchTargetDto;
  @One(() => StageDto) stage!: StageDto;
  @Many(() => OilShareDto, PLAN_LIMITS.oils, { description: 'Empty for the near-white reference base' })
  oils!: OilShareDto[];
  @One(() => DoseDto, { nullable: true, optional: true }) scent?: DoseDto | null;
  @One(() => MatchFilterDto) filter!: MatchFilterDto;
  @Int(1, 4) most!: number;
  @One(() => ResolutionDto, { nullable: true, optional: true }) resolution?: ResolutionDto | null;
  @Many(() => DoseDto, PLAN_LIMITS.dosesPerPot, { optional: true }) given?: DoseDto[];
  @Texts(4, 80, { optional: true, description: 'Material ids that every recipe holds' }) must?: string[];
  @Flag({ optional: true, description: 'What it may miss by counts as a miss: sure recipes come first' })
  prefersSure?: boolean;
}

class ScreenColourDto implements ScreenColour {
  @Text(7) hex!: string;
  @Flag({ description: 'False when the screen shows the nearest of the same hue and lightness' })
  inGamut!: boolean;
}

class RecipePartDto implements RecipePart {
  @Text(80) id!: string;
  @Num(0, PLAN_LIMITS.dose.max, { description: 'To add, g/kg oils' }) dose!: number;
}

class EvidenceDto implements Evidence {
  @Int(0, 100, { description: 'In the pot, given ones among them' }) colourants!: number;
  @Int(0, 100, { description: 'Those whose curves stand on readings' }) tested!: number;
  @Int(0, 1_000_000, { description: 'Of the one that has the fewest' }) readings!: number;
  @Num(0, 200, { nullable: true, description: 'Largest typical miss of the tested ones, ΔE00' })
  typicalMiss!: number | null;
}

class MatchRecipeDto implements Recipe {
  @Many(() => RecipePartDto, 4) parts!: RecipePartDto[];
  @SomeOf(RECIPE_VIRTUES) virtues!: RecipeVirtue[];
  @Numbers(3, -200, 200, { description: 'CIELAB D65 at the stage asked for' }) lab!: LabD65;
  @Num(0, 200, { description: 'ΔE00 to the target' }) deltaE!: number;
  @One(() => ScreenColourDto) fresh!: ScreenColourDto;
  @One(() => ScreenColourDto) cut!: ScreenColourDto;
  @One(() => ScreenColourDto) cured!: ScreenColourDto;
  @One(() => ScreenColourDto) otherGel!: ScreenColourDto;
  @Num(0, 1_000_000, { nullable: true, description: 'Per kg oils; null when a price is unknown' })
  cost!: number | null;
  @Num(0, 200, { description: 'Root mean square ΔE00 by which it may be off' }) doubt!: number;
  @LabPair() range!: Recipe['range'];
  @One(() => EvidenceDto) evidence!: EvidenceDto;
  @Num(0, 10, { description: 'Factor on the working time' }) pace!: number;
}

export class MatchResultDto implements MatchResult {
  @Many(() => MatchRecipeDto, 6) recipes!: MatchRecipeDto[];
  @Texts(20, 400, { description: 'Why the closest is no match; empty when it is one' }) reasons!: string[];
}

/** A dusty green from what is in stock, to be weighed on a 0.1 g scale for a pot of 250 g oils. */
export const matchExample: MatchRequest = {
  target: { hex: '#7f9a86' },
  stage: { hours: 1008, gel: 0 },
  oils: [
    { materialId: 'oil-olive', share: 60 },
    { materialId: 'oil-coconut', share: 40 },
  ],
  filter: {
    inStock: false,
    natural: false,
    vegan: true,
    palmFree: false,
    noBleed: true,
    noFade: false,
    exclude: [],
    only: [],
  },
  most: 3,
  resolution: {
    potOils: 250,
    measuring: { by: 'scale', scaleDivision: 0.1, spoons: 'us', ownedSpoons: [], ...levelSpoons },
  },
};
