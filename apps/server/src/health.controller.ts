import { Controller, Get } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { DataSource } from 'typeorm';

@ApiTags('health')
@Controller('health')
export class HealthController {
  constructor(private readonly source: DataSource) {}

  /** Answers only while the data file does. */
  @Get()
  async health(): Promise<{ status: 'ok' }> {
    await this.source.query('SELECT 1');
    return { status: 'ok' };
  }
}
