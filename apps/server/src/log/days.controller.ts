import { Get, Param } from '@nestjs/common';
import { type Look } from '@kleur/contract';
import { LearnedDto, LookDto } from '@kleur/contract/dto';
import { type Learned } from '@kleur/core/day';
import { ApiOkResponse } from '@nestjs/swagger';
import { Resource } from '../problems/resource.ts';
import { DaysService } from './days.service.ts';

@Resource('batches/:id/looks', 'batches')
export class LooksController {
  constructor(private readonly days: DaysService) {}

  @Get()
  @ApiOkResponse({ type: LookDto, isArray: true })
  list(@Param('id') id: string): Promise<Look[]> {
    return this.days.looks(id);
  }
}

@Resource('batches/:id/learned', 'batches')
export class LearnedController {
  constructor(private readonly days: DaysService) {}

  @Get()
  @ApiOkResponse({ type: LearnedDto })
  get(@Param('id') id: string): Promise<Learned> {
    return this.days.learned(id);
  }
}
