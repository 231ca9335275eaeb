import { Body, Delete, Get, HttpCode, Param, Post, Put } from '@nestjs/common';
import { type PaletteWire } from '@kleur/contract';
import { PaletteUpdateDto, PaletteWireDto, PaletteWriteDto } from '@kleur/contract/dto';
import { ApiCreatedResponse, ApiOkResponse } from '@nestjs/swagger';
import { Resource } from '../problems/resource.ts';
import { PalettesService } from './palettes.service.ts';

@Resource('palettes')
export class PalettesController {
  constructor(private readonly palettes: PalettesService) {}

  @Get()
  @ApiOkResponse({ type: PaletteWireDto, isArray: true })
  list(): Promise<PaletteWire[]> {
    return this.palettes.list();
  }

  @Post()
  @ApiCreatedResponse({ type: PaletteWireDto })
  create(@Body() body: PaletteWriteDto): Promise<PaletteWire> {
    return this.palettes.create(body);
  }

  @Put(':id')
  @ApiOkResponse({ type: PaletteWireDto })
  update(@Param('id') id: string, @Body() { version, ...input }: PaletteUpdateDto): Promise<PaletteWire> {
    return this.palettes.update(id, version, input);
  }

  @Delete(':id')
  @ApiOkResponse({ type: PaletteWireDto })
  remove(@Param('id') id: string): Promise<PaletteWire> {
    return this.palettes.setDeleted(id, true);
  }

  @Post(':id/restore')
  @ApiOkResponse({ type: PaletteWireDto })
  @HttpCode(200)
  restore(@Param('id') id: string): Promise<PaletteWire> {
    return this.palettes.setDeleted(id, false);
  }
}
