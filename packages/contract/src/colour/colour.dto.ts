import { ApiProperty } from '@nestjs/swagger';
import { type FittedBase } from '@kleur/core/pigment';
import { PLAN_LIMITS } from '@kleur/core/plan';
import { CurveModeDto, OpticsDto } from '../catalogue/materials.dto.ts';
import {
  type PotPrediction,
  type PredictionDoubt,
  type PredictRequest,
  type PredictResponse,
  type StagePrediction,
} from './colour.ts';
import { FIT_LIMITS } from './fit.ts';
import { Bands, Flag, Many, Num, Numbers, One, Text } from '../fields.dto.ts';

const MAX_HOURS = 24 * 3660;

export class OilShareDto {
  @Text(80, { min: 1 }) materialId!: string;
  @Num(0, 1_000_000) share!: number;
}

export class DoseDto {
  @Text(80, { min: 1 }) materialId!: string;
  @Num(PLAN_LIMITS.dose.min, PLAN_LIMITS.dose.max, { description: 'g/kg oils' }) dose!: number;
}

class PredictPotDto {
  @Text(80) name!: string;
  @Flag({ optional: true }) scented?: boolean;
  @Num(0, 100, { optional: true, description: 'By value, in place of a scent of the shelf, g/kg oils' })
  vanillin?: number;
  @Many(() => DoseDto, PLAN_LIMITS.dosesPerPot) doses!: DoseDto[];
}

export class StageDto {
  @Num(0, MAX_HOURS, { description: 'Hours since the pour; 1008 is six weeks' }) hours!: number;
  @Num(0, 1, { description: '0 none, 1 full gel' }) gel!: number;
  @Flag({ optional: true, description: 'Cured in light' }) light?: boolean;
}

class OwnCurveDto {
  @Text(80, { min: 1 }) id!: string;
  @One(() => OpticsDto) optics!: OpticsDto;
  @Many(() => CurveModeDto, 8, { optional: true, description: 'As a fit answers them; known without' })
  modes?: CurveModeDto[];
}

class YoungDto {
  @Num(-5, 5) absorbs!: number;
  @Num(-5, 5) scatters!: number;
}

export class FittedBaseDto implements FittedBase {
  @Bands(10_000, { description: 'Absorption, ungelled and cured' }) kUngelled!: number[];
  @Bands(10_000, { description: 'And gelled' }) kGelled!: number[];
  @Bands(100, { description: 'Scattering of the gelled base' }) gelScatter!: number[];
  @Num(0, 1, { description: 'Part of the diffuse light inside that the surface throws back' }) inner!: number;
  @Num(0, 1, { description: 'By how much a g/kg of powder lowers the scattering' }) load!: number;
  @One(() => YoungDto) young!: YoungDto;
  @Num(0, 100, { description: 'Factor on the browning of scents' }) browns!: number;
  @Num(0.01, 100, { optional: true, description: 'Factor on the time that it takes' }) brownsPace?: number;
  @Flag({
    optional: true,
    description: 'Its cured colour is the reference base’s; only its habits were told',
  })
  isGuessed?: boolean;
  @Numbers(2, -0.5, 0.5, { description: 'Gloss that the reader sees, ungelled and gelled' })
  gloss!: [number, number];
}

export class PredictRequestDto implements PredictRequest {
  @Many(() => OilShareDto, PLAN_LIMITS.oils, { description: 'Empty for the near-white reference base' })
  oils!: OilShareDto[];
  @One(() => DoseDto, { nullable: true, optional: true }) scent?: DoseDto | null;
  @Many(() => OwnCurveDto, FIT_LIMITS.materials, { optional: true, description: 'Colourants by value' })
  materials?: OwnCurveDto[];
  @One(() => FittedBaseDto, { nullable: true, optional: true, description: 'The base by value' })
  base?: FittedBaseDto | null;
  @Many(() => PredictPotDto, PLAN_LIMITS.pots, { min: 1 }) pots!: PredictPotDto[];
  @Many(() => StageDto, 24, { min: 1 }) stages!: StageDto[];
}

/** The two ends of a range of colours. */
export const LabPair = (): PropertyDecorator =>
  ApiProperty({
    type: 'array',
    items: { type: 'array', items: { type: 'number' } },
    description: 'CIELAB D65, darker and lighter: nine of ten lie between',
  });

class PredictionDoubtDto implements PredictionDoubt {
  @Num(0, 200, { description: 'Root mean square ΔE00' }) deltaE!: number;
  @LabPair() range!: PredictionDoubt['range'];
}

class StagePredictionDto extends StageDto implements StagePrediction {
  @Bands(1.5, { description: '380–730 nm in 10 nm steps, gloss excluded' }) reflectance!: number[];
  @Numbers(3, -200, 200, { description: 'CIELAB D65, 2° observer' }) lab!: number[];
  @Text(7) hex!: string;
  @Flag() inGamut!: boolean;
  @One(() => PredictionDoubtDto) doubt!: PredictionDoubtDto;
}

class PotPredictionDto implements PotPrediction {
  @Text(80) name!: string;
  @Many(() => StagePredictionDto, 24) stages!: StagePredictionDto[];
}

export class PredictResponseDto implements PredictResponse {
  @Many(() => PotPredictionDto, PLAN_LIMITS.pots) pots!: PotPredictionDto[];
}

/** A green from blue and yellow on an olive base, seen fresh and cured. */
export const predictExample: PredictRequest = {
  oils: [
    { materialId: 'oil-olive', share: 40 },
    { materialId: 'oil-coconut', share: 30 },
    { materialId: 'oil-lard', share: 25 },
    { materialId: 'oil-castor', share: 5 },
  ],
  pots: [
    {
      name: 'Green',
      doses: [
        { materialId: 'ultramarine-blue', dose: 3 },
        { materialId: 'yellow-iron-oxide', dose: 1.5 },
      ],
    },
  ],
  stages: [
    { hours: 0, gel: 0 },
    { hours: 1008, gel: 0 },
    { hours: 1008, gel: 1 },
  ],
};
