import { type LabD65 } from '@kleur/core/colour';
import { type Palette, PALETTE_LIMITS, type PaletteWire, type SwatchColour } from './palettes.ts';
import { Flag, Many, Moment, Numbers, Text, Version } from '../fields.dto.ts';

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
  @Version() version!: number;
}

export class PaletteWireDto extends PaletteUpdateDto implements PaletteWire {
  @Text(80) id!: string;
  @Moment() updatedAt!: string;
}
