import { type LabD65 } from '@kleur/core/colour';
import { MATERIAL_KINDS, type MaterialKind } from '@kleur/core/material';
import { PLAN_LIMITS } from '@kleur/core/plan';
import { CurveModeDto, OpticsDto } from '../catalogue/materials.dto.ts';
import { Bands, Flag, Int, Many, Num, Numbers, One, OneOf, Pattern, Text } from '../fields.dto.ts';
import { DoseDto, FittedBaseDto } from './colour.dto.ts';
import {
  FIT_LIMITS,
  type FitAnswer,
  type FitColourant,
  type FitCurve,
  type FitMiss,
  type FitReadingWrite,
  type FitRequest,
} from './fit.ts';

class FitColourantDto implements FitColourant {
  @Text(80, { min: 1 }) id!: string;
  @OneOf(MATERIAL_KINDS) kind!: MaterialKind;
  @Pattern(/^#[0-9a-fA-F]{6}$/, '#4a63b0') colour!: string;
  @Num(0.001, PLAN_LIMITS.dose.max, { description: 'Of that colour, g/kg oils' }) typical!: number;
  @Text(80, { optional: true }) colourIndex?: string;
  @One(() => OpticsDto, { optional: true, description: 'Curve to start from' }) optics?: OpticsDto;
}

class FitReadingDto implements FitReadingWrite {
  @Text(80, { min: 1 }) id!: string;
  @Many(() => DoseDto, FIT_LIMITS.parts, { description: 'Empty for the bare base' }) doses!: DoseDto[];
  @Num(0, 100, { optional: true, description: 'g/kg oils' }) vanillin?: number;
  @Num(0, 24 * 3660, { description: 'Since the pour' }) hours!: number;
  @Num(0, 1) gel!: number;
  @Flag({ optional: true, description: 'Kept in light' }) light?: boolean;
  @Bands(1.5, { optional: true, description: '380–730 nm in 10 nm steps, gloss excluded' })
  spectrum?: number[];
  @Numbers(3, -200, 200, { optional: true, description: 'CIELAB D65' }) lab?: number[];
  @Num(0.1, 30, { optional: true, description: '± ΔE00 of a Lab reading, 1 by default' }) doubt?: number;
  @Text(80, { optional: true, description: 'What it was read with' }) instrument?: string;
}

export class FitRequestDto implements FitRequest {
  @Many(() => FitColourantDto, FIT_LIMITS.materials) materials!: FitColourantDto[];
  @Many(() => FitReadingDto, FIT_LIMITS.readings) readings!: FitReadingDto[];
}

class FitCurveDto implements FitCurve {
  @Text(80) id!: string;
  @One(() => OpticsDto) optics!: OpticsDto;
  @Num(0, 10, { description: 'Standard deviation of the strength' }) spread!: number;
  @Many(() => CurveModeDto, 8, { description: 'In what ways its curve may still be off' })
  modes!: CurveModeDto[];
  @Int(0, FIT_LIMITS.readings) readings!: number;
  @Num(0, 200, { nullable: true, description: 'Median ΔE00 of its readings, each left out' })
  typicalMiss!: number | null;
}

export class FitMissDto implements FitMiss {
  @Text(80) id!: string;
  @Numbers(3, -200, 200) seen!: LabD65;
  @Numbers(3, -200, 200) before!: LabD65;
  @Numbers(3, -200, 200) after!: LabD65;
  @Num(0, 200) missBefore!: number;
  @Num(0, 200) missAfter!: number;
  @Num(0, 200) missLeftOut!: number;
  @Num(0, 1, { description: 'How far the fit believed it' }) weight!: number;
  @Flag({ description: 'So far off that somebody should look' }) isOdd!: boolean;
}

export class FitAnswerDto implements FitAnswer {
  @One(() => FittedBaseDto) base!: FittedBaseDto;
  @Many(() => FitCurveDto, FIT_LIMITS.materials) materials!: FitCurveDto[];
  @Many(() => FitMissDto, FIT_LIMITS.readings) readings!: FitMissDto[];
  @Num(0, 200, { nullable: true }) typicalMiss!: number | null;
}

/** Two Lab readings of one blue, and a bare bar. */
export const fitExample: FitRequest = {
  materials: [{ id: 'blue', kind: 'pigment', colour: '#4a63b0', typical: 4, colourIndex: 'CI 77007' }],
  readings: [
    { id: 'bare', doses: [], hours: 1008, gel: 1, lab: [87, -0.5, 9.5], doubt: 1 },
    { id: 'pale', doses: [{ materialId: 'blue', dose: 1.5 }], hours: 1008, gel: 1, lab: [58, -2, -24] },
    { id: 'deep', doses: [{ materialId: 'blue', dose: 6 }], hours: 1008, gel: 1, lab: [36, 9, -42] },
  ],
};
