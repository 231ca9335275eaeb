import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put, Query } from '@nestjs/common';
import { type BatchDocument, type BatchPage, type BatchSummary } from '@kleur/contract';
import { BatchQueryDto, BatchUpdateDto, BatchWriteDto } from '@kleur/contract/dto';
import { ApiTags } from '@nestjs/swagger';
import { BatchesService } from './batches.service.ts';

@ApiTags('batches')
@Controller('batches')
export class BatchesController {
  constructor(private readonly batches: BatchesService) {}

  @Get()
  list(@Query() query: BatchQueryDto): Promise<BatchPage> {
    return this.batches.list(query);
  }

  @Get(':id')
  get(@Param('id') id: string): Promise<BatchDocument> {
    return this.batches.get(id);
  }

  @Post()
  create(@Body() body: BatchWriteDto): Promise<BatchDocument> {
    return this.batches.create(body);
  }

  @Post(':id/copy')
  copy(@Param('id') id: string): Promise<BatchDocument> {
    return this.batches.copy(id);
  }

  @Put(':id')
  update(@Param('id') id: string, @Body() { version, ...input }: BatchUpdateDto): Promise<BatchDocument> {
    return this.batches.update(id, version, input);
  }

  @Delete(':id')
  remove(@Param('id') id: string): Promise<BatchSummary> {
    return this.batches.setDeleted(id, true);
  }

  @Post(':id/restore')
  @HttpCode(200)
  restore(@Param('id') id: string): Promise<BatchSummary> {
    return this.batches.setDeleted(id, false);
  }
}
