import { Body, Delete, Get, HttpCode, Param, Post, Put, Query } from '@nestjs/common';
import { type BatchDocument, type BatchPage, type BatchSummary } from '@kleur/contract';
import {
  BatchDocumentDto,
  BatchPageDto,
  BatchQueryDto,
  BatchSummaryDto,
  BatchUpdateDto,
  BatchWriteDto,
} from '@kleur/contract/dto';
import { ApiCreatedResponse, ApiOkResponse } from '@nestjs/swagger';
import { Resource } from '../problems/resource.ts';
import { BatchesService } from './batches.service.ts';

@Resource('batches')
export class BatchesController {
  constructor(private readonly batches: BatchesService) {}

  @Get()
  @ApiOkResponse({ type: BatchPageDto })
  list(@Query() query: BatchQueryDto): Promise<BatchPage> {
    return this.batches.list(query);
  }

  @Get(':id')
  @ApiOkResponse({ type: BatchDocumentDto })
  get(@Param('id') id: string): Promise<BatchDocument> {
    return this.batches.get(id);
  }

  /** Everything but the plan: enough to see whether somebody else has saved it. */
  @Get(':id/head')
  @ApiOkResponse({ type: BatchSummaryDto })
  head(@Param('id') id: string): Promise<BatchSummary> {
    return this.batches.head(id);
  }

  @Post()
  @ApiCreatedResponse({ type: BatchDocumentDto })
  create(@Body() body: BatchWriteDto): Promise<BatchDocument> {
    return this.batches.create(body);
  }

  /** A batch of the demo beside what is there. */
  @Post('example')
  @ApiCreatedResponse({ type: BatchDocumentDto })
  example(): Promise<BatchDocument> {
    return this.batches.example();
  }

  @Post(':id/copy')
  @ApiCreatedResponse({ type: BatchDocumentDto })
  copy(@Param('id') id: string): Promise<BatchDocument> {
    return this.batches.copy(id);
  }

  @Put(':id')
  @ApiOkResponse({ type: BatchDocumentDto })
  update(@Param('id') id: string, @Body() { version, ...input }: BatchUpdateDto): Promise<BatchDocument> {
    return this.batches.update(id, version, input);
  }

  @Delete(':id')
  @ApiOkResponse({ type: BatchSummaryDto })
  remove(@Param('id') id: string): Promise<BatchSummary> {
    return this.batches.setDeleted(id, true);
  }

  @Post(':id/restore')
  @ApiOkResponse({ type: BatchSummaryDto })
  @HttpCode(200)
  restore(@Param('id') id: string): Promise<BatchSummary> {
    return this.batches.setDeleted(id, false);
  }
}
