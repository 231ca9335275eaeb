import { Body, Controller, HttpCode, Post } from '@nestjs/common';
import { DemoResetDto } from '@kleur/contract/dto';
import { ApiTags } from '@nestjs/swagger';
import { DemoService } from './demo.service.ts';

@ApiTags('demo')
@Controller('demo')
export class DemoController {
  constructor(private readonly demo: DemoService) {}

  /** The body carries the confirmation; the validation refuses any other. */
  @Post('reset')
  @HttpCode(204)
  async reset(@Body() _body: DemoResetDto): Promise<void> {
    await this.demo.reset();
  }
}
