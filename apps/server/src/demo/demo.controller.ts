import { Body, HttpCode, Post } from '@nestjs/common';
import { DemoResetDto } from '@kleur/contract/dto';
import { ApiNoContentResponse } from '@nestjs/swagger';
import { Resource } from '../problems/resource.ts';
import { DemoService } from './demo.service.ts';

@Resource('demo')
export class DemoController {
  constructor(private readonly demo: DemoService) {}

  /** The body carries the confirmation; the validation refuses any other. */
  @Post('reset')
  @HttpCode(204)
  @ApiNoContentResponse()
  async reset(@Body() _body: DemoResetDto): Promise<void> {
    await this.demo.reset();
  }
}
