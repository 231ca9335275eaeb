import { Body, Get, HttpCode, Param, Post, Query } from '@nestjs/common';
import { type LogPage } from '@kleur/contract';
import { LogPageDto, LogQueryDto, LogSendDto } from '@kleur/contract/dto';
import { ApiNoContentResponse, ApiOkResponse } from '@nestjs/swagger';
import { Resource } from '../problems/resource.ts';
import { LogService } from './log.service.ts';

@Resource('batches/:id/log', 'batches')
export class LogController {
  constructor(private readonly log: LogService) {}

  @Get()
  @ApiOkResponse({ type: LogPageDto })
  list(@Param('id') id: string, @Query() { after }: LogQueryDto): Promise<LogPage> {
    return this.log.list(id, after);
  }

  @Post()
  @HttpCode(204)
  @ApiNoContentResponse()
  add(@Param('id') id: string, @Body() { entries }: LogSendDto): Promise<void> {
    return this.log.add(id, entries);
  }
}
