import { type Domain } from '../storage/domain.ts';
import { PaletteEntity } from './palette.entity.ts';
import { Palettes1790000000001 } from './migrations/1790000000001-palettes.ts';
import { PaletteCreated1790000000004 } from './migrations/1790000000004-palette-created.ts';
import { PalettesModule } from './palettes.module.ts';
import { PalettesService } from './palettes.service.ts';

export const palettesDomain: Domain = {
  module: PalettesModule,
  entities: [PaletteEntity],
  migrations: [Palettes1790000000001, PaletteCreated1790000000004],
  content: [PalettesService],
};
