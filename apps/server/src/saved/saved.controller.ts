import { Body, Delete, Get, HttpCode, Param, Post, Put } from '@nestjs/common';
import { type MouldWire, type RecipeWire } from '@kleur/contract';
import {
  MouldDto,
  MouldUpdateDto,
  MouldWireDto,
  RecipeDto,
  RecipeUpdateDto,
  RecipeWireDto,
} from '@kleur/contract/dto';
import { ApiCreatedResponse, ApiOkResponse } from '@nestjs/swagger';
import { Resource } from '../problems/resource.ts';
import { MouldsService, RecipesService } from './saved.service.ts';

@Resource('moulds')
export class MouldsController {
  constructor(private readonly moulds: MouldsService) {}

  @Get()
  @ApiOkResponse({ type: MouldWireDto, isArray: true })
  list(): Promise<MouldWire[]> {
    return this.moulds.list();
  }

  @Post()
  @ApiCreatedResponse({ type: MouldWireDto })
  create(@Body() body: MouldDto): Promise<MouldWire> {
    return this.moulds.create(body);
  }

  @Put(':id')
  @ApiOkResponse({ type: MouldWireDto })
  update(@Param('id') id: string, @Body() { version, ...mould }: MouldUpdateDto): Promise<MouldWire> {
    return this.moulds.update(id, version, mould);
  }

  @Delete(':id')
  @ApiOkResponse({ type: MouldWireDto })
  remove(@Param('id') id: string): Promise<MouldWire> {
    return this.moulds.setDeleted(id, true);
  }

  @Post(':id/restore')
  @ApiOkResponse({ type: MouldWireDto })
  @HttpCode(200)
  restore(@Param('id') id: string): Promise<MouldWire> {
    return this.moulds.setDeleted(id, false);
  }
}

@Resource('recipes')
export class RecipesController {
  constructor(private readonly recipes: RecipesService) {}

  @Get()
  @ApiOkResponse({ type: RecipeWireDto, isArray: true })
  list(): Promise<RecipeWire[]> {
    return this.recipes.list();
  }

  @Post()
  @ApiCreatedResponse({ type: RecipeWireDto })
  create(@Body() body: RecipeDto): Promise<RecipeWire> {
    return this.recipes.create(body);
  }

  @Put(':id')
  @ApiOkResponse({ type: RecipeWireDto })
  update(@Param('id') id: string, @Body() { version, ...recipe }: RecipeUpdateDto): Promise<RecipeWire> {
    return this.recipes.update(id, version, recipe);
  }

  @Delete(':id')
  @ApiOkResponse({ type: RecipeWireDto })
  remove(@Param('id') id: string): Promise<RecipeWire> {
    return this.recipes.setDeleted(id, true);
  }

  @Post(':id/restore')
  @ApiOkResponse({ type: RecipeWireDto })
  @HttpCode(200)
  restore(@Param('id') id: string): Promise<RecipeWire> {
    return this.recipes.setDeleted(id, false);
  }
}
