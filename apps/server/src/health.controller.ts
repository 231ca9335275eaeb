import { Get } from '@nestjs/common';
import { HealthDto } from '@kleur/contract/dto';
import { ApiOkResponse } from '@nestjs/swagger';
import { Resource } from './problems/resource.ts';
import { DataSource } from 'typeorm';
import { WriteQueue } from './storage/write-queue.ts';

@Resource('health')
export class HealthController {
  constructor(
    private readonly source: DataSource,
    private readonly writes: WriteQueue,
  ) {}

  /** Answers only while the data file can be read and takes writes. */
  @Get()
  @ApiOkResponse({ type: HealthDto })
  async health(): Promise<HealthDto> {
    await this.source.query('SELECT 1');
    await this.writes.check();
    return { status: 'ok' };
  }
}
