import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put } from '@nestjs/common';
import { type PaletteWire } from '@kleur/contract';
import { PaletteUpdateDto, PaletteWriteDto } from '@kleur/contract/dto';
import { ApiTags } from '@nestjs/swagger';
import { PalettesService } from './palettes.service.ts';

@ApiTags('palettes')
@Controller('palettes')
export class PalettesController {
  constructor(private readonly palettes: PalettesService) {}

  @Get()
  list(): Promise<PaletteWire[]> {
    return this.palettes.list();
  }

  @Post()
  create(@Body() body: PaletteWriteDto): Promise<PaletteWire> {
    return this.palettes.create(body);
  }

  @Put(':id')
  update(@Param('id') id: string, @Body() { version, ...input }: PaletteUpdateDto): Promise<PaletteWire> {
    return this.palettes.update(id, version, input);
  }

  @Delete(':id')
  remove(@Param('id') id: string): Promise<PaletteWire> {
    return this.palettes.setDeleted(id, true);
  }

  @Post(':id/restore')
  @HttpCode(200)
  restore(@Param('id') id: string): Promise<PaletteWire> {
    return this.palettes.setDeleted(id, false);
  }
}
