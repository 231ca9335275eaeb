import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put } from '@nestjs/common';
import { type MaterialWire } from '@kleur/contract';
import { MaterialUpdateDto, MaterialWriteDto } from '@kleur/contract/dto';
import { ApiTags } from '@nestjs/swagger';
import { CatalogueService } from './catalogue.service.ts';

@ApiTags('materials')
@Controller('materials')
export class CatalogueController {
  constructor(private readonly catalogue: CatalogueService) {}

  @Get()
  list(): Promise<MaterialWire[]> {
    return this.catalogue.list();
  }

  @Get(':id')
  get(@Param('id') id: string): Promise<MaterialWire> {
    return this.catalogue.get(id);
  }

  @Post()
  create(@Body() body: MaterialWriteDto): Promise<MaterialWire> {
    return this.catalogue.create(body);
  }

  @Put(':id')
  update(@Param('id') id: string, @Body() { version, ...input }: MaterialUpdateDto): Promise<MaterialWire> {
    return this.catalogue.update(id, version, input);
  }

  @Delete(':id')
  remove(@Param('id') id: string): Promise<MaterialWire> {
    return this.catalogue.setDeleted(id, true);
  }

  @Post(':id/restore')
  @HttpCode(200)
  restore(@Param('id') id: string): Promise<MaterialWire> {
    return this.catalogue.setDeleted(id, false);
  }
}
