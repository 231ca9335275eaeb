import { Body, Delete, Get, HttpCode, Param, Post, Put } from '@nestjs/common';
import { type BatchDocument, type LineBatch, type Poured, type RecordWire } from '@kleur/contract';
import {
  AgainWriteDto,
  BatchDocumentDto,
  LineBatchDto,
  PlanDto,
  ReadingDto,
  ReadingSendDto,
  RecordWireDto,
} from '@kleur/contract/dto';
import { type Reading } from '@kleur/core/evidence';
import { ApiCreatedResponse, ApiExtraModels, ApiOkResponse, getSchemaPath } from '@nestjs/swagger';
import { BatchesService } from '../batches/batches.service.ts';
import { Resource } from '../problems/resource.ts';
import { ReadingsService } from './readings.service.ts';
import { RecordService } from './record.service.ts';

@ApiExtraModels(PlanDto)
@Resource('batches/:id', 'record')
export class RecordController {
  constructor(
    private readonly records: RecordService,
    private readonly readings: ReadingsService,
    private readonly batches: BatchesService,
  ) {}

  @Get('record')
  @ApiOkResponse({ type: RecordWireDto })
  get(@Param('id') id: string): Promise<RecordWire> {
    return this.records.get(id);
  }

  @Put('record')
  @ApiOkResponse({ type: RecordWireDto })
  put(@Param('id') id: string, @Body() body: RecordWireDto): Promise<RecordWire> {
    return this.records.put(id, body);
  }

  /** Plan and prediction as they were at the pour. */
  @Get('poured')
  @ApiOkResponse({
    description: 'The plan, what it foretold, and when that was put down',
    schema: {
      type: 'object',
      required: ['plan', 'predicted', 'at'],
      properties: {
        plan: { $ref: getSchemaPath(PlanDto) },
        predicted: { type: 'object', description: 'Courses of colour of each pot, inside and outside' },
        at: { type: 'string', nullable: true },
      },
    },
  })
  poured(@Param('id') id: string): Promise<Poured> {
    return this.batches.poured(id);
  }

  @Get('readings')
  @ApiOkResponse({ type: ReadingDto, isArray: true })
  list(@Param('id') id: string): Promise<Reading[]> {
    return this.readings.list(id);
  }

  @Post('readings')
  @ApiCreatedResponse({ type: ReadingDto, isArray: true })
  add(@Param('id') id: string, @Body() { readings }: ReadingSendDto): Promise<Reading[]> {
    return this.readings.add(id, readings);
  }

  @Delete('readings/:reading')
  @ApiOkResponse({ type: ReadingDto })
  remove(@Param('id') id: string, @Param('reading') reading: string): Promise<Reading> {
    return this.readings.setDeleted(id, reading, true);
  }

  @Post('readings/:reading/restore')
  @HttpCode(200)
  @ApiOkResponse({ type: ReadingDto })
  restore(@Param('id') id: string, @Param('reading') reading: string): Promise<Reading> {
    return this.readings.setDeleted(id, reading, false);
  }

  /** A further version, from a plan that grew out of this batch. */
  @Post('again')
  @ApiCreatedResponse({ type: BatchDocumentDto })
  again(@Param('id') id: string, @Body() body: AgainWriteDto): Promise<BatchDocument> {
    return this.records.again(id, body);
  }

  @Get('line')
  @ApiOkResponse({ type: LineBatchDto, isArray: true })
  line(@Param('id') id: string): Promise<LineBatch[]> {
    return this.records.line(id);
  }
}
