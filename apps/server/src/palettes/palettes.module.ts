import { Module } from '@nestjs/common';
import { PalettesController } from './palettes.controller.ts';
import { PalettesService } from './palettes.service.ts';

@Module({
  controllers: [PalettesController],
  providers: [PalettesService],
  exports: [PalettesService],
})
export class PalettesModule {}
