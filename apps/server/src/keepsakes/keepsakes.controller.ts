import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put } from '@nestjs/common';
import { type MouldWire, type RecipeWire } from '@kleur/contract';
import { MouldDto, MouldUpdateDto, RecipeDto, RecipeUpdateDto } from '@kleur/contract/dto';
import { ApiTags } from '@nestjs/swagger';
import { KeepsakesService } from './keepsakes.service.ts';

@ApiTags('moulds')
@Controller('moulds')
export class MouldsController {
  constructor(private readonly kept: KeepsakesService) {}

  @Get()
  list(): Promise<MouldWire[]> {
    return this.kept.list('mould');
  }

  @Post()
  create(@Body() body: MouldDto): Promise<MouldWire> {
    return this.kept.create('mould', body);
  }

  @Put(':id')
  update(@Param('id') id: string, @Body() { version, ...mould }: MouldUpdateDto): Promise<MouldWire> {
    return this.kept.update('mould', id, version, mould);
  }

  @Delete(':id')
  remove(@Param('id') id: string): Promise<MouldWire> {
    return this.kept.setDeleted('mould', id, true);
  }

  @Post(':id/restore')
  @HttpCode(200)
  restore(@Param('id') id: string): Promise<MouldWire> {
    return this.kept.setDeleted('mould', id, false);
  }
}

@ApiTags('recipes')
@Controller('recipes')
export class RecipesController {
  constructor(private readonly kept: KeepsakesService) {}

  @Get()
  list(): Promise<RecipeWire[]> {
    return this.kept.list('recipe');
  }

  @Post()
  create(@Body() body: RecipeDto): Promise<RecipeWire> {
    return this.kept.create('recipe', body);
  }

  @Put(':id')
  update(@Param('id') id: string, @Body() { version, ...recipe }: RecipeUpdateDto): Promise<RecipeWire> {
    return this.kept.update('recipe', id, version, recipe);
  }

  @Delete(':id')
  remove(@Param('id') id: string): Promise<RecipeWire> {
    return this.kept.setDeleted('recipe', id, true);
  }

  @Post(':id/restore')
  @HttpCode(200)
  restore(@Param('id') id: string): Promise<RecipeWire> {
    return this.kept.setDeleted('recipe', id, false);
  }
}
