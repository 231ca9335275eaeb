import { Body, Delete, Get, HttpCode, Param, Post, Put } from '@nestjs/common';
import { type MaterialWire } from '@kleur/contract';
import { MaterialUpdateDto, MaterialWireDto, MaterialWriteDto } from '@kleur/contract/dto';
import { ApiCreatedResponse, ApiOkResponse } from '@nestjs/swagger';
import { Resource } from '../problems/resource.ts';
import { CatalogueService } from './catalogue.service.ts';

@Resource('materials')
export class CatalogueController {
  constructor(private readonly catalogue: CatalogueService) {}

  @Get()
  @ApiOkResponse({ type: MaterialWireDto, isArray: true })
  list(): Promise<MaterialWire[]> {
    return this.catalogue.list();
  }

  @Get(':id')
  @ApiOkResponse({ type: MaterialWireDto })
  get(@Param('id') id: string): Promise<MaterialWire> {
    return this.catalogue.get(id);
  }

  @Post()
  @ApiCreatedResponse({ type: MaterialWireDto })
  create(@Body() body: MaterialWriteDto): Promise<MaterialWire> {
    return this.catalogue.create(body);
  }

  @Put(':id')
  @ApiOkResponse({ type: MaterialWireDto })
  update(@Param('id') id: string, @Body() { version, ...input }: MaterialUpdateDto): Promise<MaterialWire> {
    return this.catalogue.update(id, version, input);
  }

  @Delete(':id')
  @ApiOkResponse({ type: MaterialWireDto })
  remove(@Param('id') id: string): Promise<MaterialWire> {
    return this.catalogue.setDeleted(id, true);
  }

  @Post(':id/restore')
  @ApiOkResponse({ type: MaterialWireDto })
  @HttpCode(200)
  restore(@Param('id') id: string): Promise<MaterialWire> {
    return this.catalogue.setDeleted(id, false);
  }
}
