import { type LabD65 } from '@kleur/core';
import { type Palette, PALETTE_LIMITS, type SwatchColour } from '../palettes.ts';
import { Flag, Int, Many, Numbers, Text } from './fields.ts';

class SwatchColourDto implements SwatchColour {
  @Text(PALETTE_LIMITS.name, { min: 1 }) name!: string;
  @Numbers(3, -200, 200, { description: 'CIELAB D65' }) lab!: LabD65;
}

export class PaletteWriteDto implements Palette {
  @Text(PALETTE_LIMITS.name, { min: 1 }) name!: string;
  @Flag() favourite!: boolean;
  @Many(() => SwatchColourDto, PALETTE_LIMITS.colours, { min: 1 }) colours!: SwatchColourDto[];
}

export class PaletteUpdateDto extends PaletteWriteDto {
  @Int(1, Number.MAX_SAFE_INTEGER) version!: number;
}
