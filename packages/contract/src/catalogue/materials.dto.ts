import {
  type Allergen,
  ALLERGENS,
  CARRIER_MEDIA,
  type CarrierMedium,
  type Caution,
  CAUTIONS,
  type Claim,
  type CurveFacts,
  type CurveOrigin,
  type Looks,
  type Lot,
  LOT_LIMITS,
  MATERIAL_FORMS,
  type MaterialForm,
  CLAIMS,
  FATTY_ACIDS,
  LIMIT_BASES,
  type LimitBasis,
  MATERIAL_KINDS,
  type MaterialKind,
  type OilFacts,
  SAP_KOH_RANGE,
  type ScentFacts,
} from '@kleur/core/material';
import { BAND_COUNT } from '@kleur/core/colour';
import { type CurveMode, type Shimmer } from '@kleur/core/pigment';
import { PLAN_LIMITS } from '@kleur/core/plan';
import { type MaterialWire, type MaterialWrite } from './materials.ts';
import {
  Int,
  Bands,
  Flag,
  Many,
  Num,
  Numbers,
  One,
  OneOf,
  Pattern,
  SomeOf,
  Text,
  Version,
} from '../fields.dto.ts';

const K_MAX = 10_000;
const HEX = /^#[0-9a-fA-F]{6}$/;

export class WindowDto {
  @Num(0, 1000, { nullable: true, description: 'Just seen, g/kg oils' }) faint!: number | null;
  @Num(0.001, 1000, { description: 'A clear mid colour, g/kg oils' }) typical!: number;
  @Num(0.001, 1000, { description: 'Trouble beyond, g/kg oils' }) ceiling!: number;
}

export class CarrierDto {
  @OneOf(CARRIER_MEDIA) medium!: CarrierMedium;
  @Num(PLAN_LIMITS.carrierRatio.min, PLAN_LIMITS.carrierRatio.max, {
    description: 'Parts of liquid to one of powder, by weight',
  })
  ratio!: number;
}

class FreshDto {
  @Bands(K_MAX) k!: number[];
  @Num(0.01, 10_000, { description: 'Hours' }) halfLife!: number;
}

class FadingDto {
  @Num(0, 1) remains!: number;
  @Num(0.01, 100_000) darkDays!: number;
  @Num(0.01, 100_000) lightDays!: number;
  @Bands(K_MAX, { nullable: true, description: 'Absorption that it comes to in the dark' })
  darkEnd!: number[] | null;
  @Bands(K_MAX, { nullable: true, description: 'And in light' }) lightEnd!: number[] | null;
}

class EmissionDto {
  @Num(380, 730) peak!: number;
  @Num(1, 200) width!: number;
  @Num(0, 5, { description: 'At most 0.6 until it is fitted' }) efficiency!: number;
}

class SpecksDto {
  @Num(0, 1) areaPerDose!: number;
  @Bands(1) reflectance!: number[];
}

class SheenDto {
  @Num(0, 0.5, { description: 'Share of the light that plates mirror at the face' }) share!: number;
  @Num(0.001, 1000, { description: 'Dose at which 63 % of that is there, g/kg oils' }) dose!: number;
}

class FittedTermsDto {
  @Num(0.001, 1e9, { nullable: true, description: 'As saturation, for scattering' })
  scatterSaturation!: number | null;
  @Num(0.001, 1e9, { nullable: true, description: 'Dose that halves the glow, g/kg oils' })
  quench!: number | null;
  @One(() => SheenDto, { nullable: true }) sheen!: SheenDto | null;
}

export class OpticsDto {
  @Bands(K_MAX) k!: number[];
  @Bands(K_MAX, { nullable: true }) kUngelled!: number[] | null;
  @Bands(K_MAX) s!: number[];
  @Num(0.001, 1e9, { nullable: true }) saturation!: number | null;
  @One(() => FreshDto, { nullable: true }) fresh!: FreshDto | null;
  @One(() => FreshDto, { nullable: true }) becomes!: FreshDto | null;
  @One(() => FadingDto, { nullable: true }) fading!: FadingDto | null;
  @One(() => EmissionDto, { nullable: true }) emission!: EmissionDto | null;
  @One(() => SpecksDto, { nullable: true }) specks!: SpecksDto | null;
  @OneOf(['none', 'satin', 'sparkle']) shimmer!: Shimmer;
  @One(() => FittedTermsDto, { optional: true, description: 'What bars of it have told' })
  terms?: FittedTermsDto;
}

class OilFactsDto {
  @Num(SAP_KOH_RANGE.min, SAP_KOH_RANGE.max, { nullable: true, description: 'mg KOH per g' }) sapKoh!:
    | number
    | null;
  @Num(0, 30, { description: 'How far sources differ on it, ± %' }) sapSpread!: number;
  @Numbers(FATTY_ACIDS.length, 0, 100, { nullable: true, description: `% of ${FATTY_ACIDS.join(', ')}` })
  fatty!: number[] | null;
  @Num(0, 100, { nullable: true, description: '%' }) saturated!: number | null;
  @OneOf(['slow', 'mid', 'fast']) pace!: OilFacts['pace'];
  @Num(0, 10) carotenoid!: number;
  @Num(0, 10) chlorophyll!: number;
  @Num(0, 10) brown!: number;
}

class ScentFactsDto {
  @Num(0, 200, { description: 'Most that may be used, g per kg of what the basis names' }) limit!: number;
  @OneOf(LIMIT_BASES) limitBasis!: LimitBasis;
  @Num(0, 1, { description: 'Vanillin, fraction' }) vanillin!: number;
  @OneOf(['none', 'slight', 'moderate', 'strong']) tan!: ScentFacts['tan'];
  @OneOf(['slows', 'none', 'slight', 'moderate', 'strong', 'seizes']) pace!: ScentFacts['pace'];
}

class LotDto implements Lot {
  @Text(80, { min: 1 }) id!: string;
  @Text(LOT_LIMITS.label, { description: 'As on the label' }) label!: string;
  @Flag({ description: 'A bar of this lot has been read' }) tested!: boolean;
}

class CurveOriginDto {
  @OneOf(['default', 'fitted']) kind!: CurveOrigin['kind'];
  @Int(1, 100_000, { optional: true, description: 'Of a fit' }) version?: number;
  @Int(1, 100_000, { optional: true, description: 'That a fit stands on' }) readings?: number;
}

export class CurveModeDto implements CurveMode {
  @Numbers(BAND_COUNT, -20, 20, { description: 'Change of log-absorption' }) k!: number[];
  @Num(-20, 20, { description: 'Of log-scattering' }) s!: number;
}

class CurveFactsDto implements CurveFacts {
  @One(() => CurveOriginDto) origin!: CurveOrigin & CurveOriginDto;
  @Num(0.0001, 10, { description: 'Standard deviation of the strength, as a fraction' }) spread!: number;
  @Many(() => CurveModeDto, 8, {
    optional: true,
    description: 'In what ways a fitted curve may still be off',
  })
  modes?: CurveModeDto[];
  @Num(0, 200, { optional: true, nullable: true, description: 'Median ΔE00 of its readings, each left out' })
  typicalMiss?: number | null;
}

class FreshLookDto {
  @Pattern(HEX, '#c4602c') colour!: string;
  @Num(0.1, 1000, { description: 'Hours in which half of it has gone' }) halfLife!: number;
}

class FadesDto {
  @Num(0, 1, { description: 'Share of its colour that it keeps' }) keeps!: number;
  @Pattern(HEX, '#a39a72', { nullable: true, description: 'What it comes to; null: a paler self' })
  to!: string | null;
  @Num(0.1, 10_000, { description: 'Days in light until 63 % of what goes has gone' }) days!: number;
}

class LooksDto implements Looks {
  @Pattern(HEX, '#8fb087', { nullable: true, description: 'Ungelled and cured' }) ungelled!: string | null;
  @One(() => FreshLookDto, { nullable: true, description: 'In the pot' }) fresh!: FreshLookDto | null;
  @One(() => FadesDto, { nullable: true, description: 'In light' }) fades!: FadesDto | null;
}

export class MaterialWriteDto implements MaterialWrite {
  @OneOf(MATERIAL_KINDS) kind!: MaterialKind;
  @OneOf(MATERIAL_FORMS) form!: MaterialForm;
  @Text(PLAN_LIMITS.name, { min: 1 }) name!: string;
  @Text(80) colourIndex!: string;
  @Pattern(HEX, '#4a63b0', { nullable: true, description: 'At the typical dose, gelled and cured' })
  colour!: string | null;
  @One(() => LooksDto) looks!: LooksDto;
  @One(() => WindowDto, { nullable: true }) window!: WindowDto | null;
  @Many(() => CarrierDto, 8) carriers!: CarrierDto[];
  @Num(0.01, 5, { nullable: true, description: 'g/ml, loose' }) bulkDensity!: number | null;
  @Num(0.1, 20, { description: 'Of its own substance, g/ml' }) density!: number;
  @Flag({ description: 'Meant to be felt' }) scrub!: boolean;
  @Num(0, 100, { description: '%' }) fat!: number;
  @Num(0, 100, { description: '%' }) water!: number;
  @SomeOf(ALLERGENS) allergens!: Allergen[];
  @Num(0.05, 2) pace!: number;
  @SomeOf(CAUTIONS) cautions!: Caution[];
  @SomeOf(CLAIMS) claims!: Claim[];
  @Text(400) behaviour!: string;
  @Text(200) source!: string;
  @Num(0, 10_000, { nullable: true, description: 'Price per gram' }) pricePerGram!: number | null;
  @Flag() inStock!: boolean;
  @Num(0, 1_000_000, { nullable: true, description: 'On the shelf, g' }) stock!: number | null;
  @Many(() => LotDto, LOT_LIMITS.lots, { description: 'The lot at hand first' }) lots!: LotDto[];
  @Num(0, 2, { description: 'Sodium hydroxide that a gram takes up, g' }) lyeDemand!: number;
  @One(() => OilFactsDto, { nullable: true }) oil!: OilFactsDto | null;
  @One(() => ScentFactsDto, { nullable: true }) scent!: ScentFactsDto | null;
}

export class MaterialUpdateDto extends MaterialWriteDto {
  @Version() version!: number;
}

/** A material as a plan keeps it. */
export class MaterialCopyDto extends MaterialWriteDto {
  @Text(80, { min: 1 }) id!: string;
  @One(() => OpticsDto, { nullable: true }) optics!: OpticsDto | null;
  @One(() => CurveFactsDto, { nullable: true }) curve!: CurveFactsDto | null;
}

export class MaterialWireDto extends MaterialCopyDto implements MaterialWire {
  @Flag({ description: 'Part of the starting shelf' }) builtIn!: boolean;
  @Version() version!: number;
}
