import { Body, Get, Param, Post } from '@nestjs/common';
import { type TickEntry } from '@kleur/contract';
import { TickDto, TickEntryDto } from '@kleur/contract/dto';
import { ApiCreatedResponse, ApiOkResponse } from '@nestjs/swagger';
import { Resource } from '../problems/resource.ts';
import { TicksService } from './ticks.service.ts';

@Resource('batches/:id/ticks', 'batches')
export class TicksController {
  constructor(private readonly ticks: TicksService) {}

  @Get()
  @ApiOkResponse({ type: TickEntryDto, isArray: true })
  list(@Param('id') id: string): Promise<TickEntry[]> {
    return this.ticks.list(id);
  }

  @Post()
  @ApiCreatedResponse({ type: TickEntryDto })
  add(@Param('id') id: string, @Body() body: TickDto): Promise<TickEntry> {
    return this.ticks.add(id, body);
  }
}
