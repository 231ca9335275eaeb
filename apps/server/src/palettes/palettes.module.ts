import { Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { PaletteEntity } from '../storage/palette.entity.ts';
import { PalettesController } from './palettes.controller.ts';
import { PalettesService } from './palettes.service.ts';

@Module({
  imports: [TypeOrmModule.forFeature([PaletteEntity])],
  controllers: [PalettesController],
  providers: [PalettesService],
  exports: [PalettesService],
})
export class PalettesModule {}
