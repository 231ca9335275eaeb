import { Module } from '@nestjs/common';
import { BatchesModule } from '../batches/batches.module.ts';
import { CatalogueModule } from '../catalogue/catalogue.module.ts';
import { PalettesModule } from '../palettes/palettes.module.ts';
import { ColourController } from './colour.controller.ts';
import { ColourService } from './colour.service.ts';
import { FitService } from './fit.service.ts';
import { MatchService } from './match.service.ts';

@Module({
  imports: [CatalogueModule, BatchesModule, PalettesModule],
  controllers: [ColourController],
  providers: [ColourService, FitService, MatchService],
})
export class ColourModule {}
