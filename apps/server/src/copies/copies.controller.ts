import { Body, Delete, Get, HttpCode, Param, Post } from '@nestjs/common';
import { CopyContentDto, CopyDto, CopyRestoreDto } from '@kleur/contract/dto';
import { type Copy, type CopyContent } from '@kleur/contract';
import { ApiCreatedResponse, ApiNoContentResponse, ApiOkResponse } from '@nestjs/swagger';
import { Resource } from '../problems/resource.ts';
import { CopiesService } from './copies.service.ts';

@Resource('copies')
export class CopiesController {
  constructor(private readonly copies: CopiesService) {}

  @Get()
  @ApiOkResponse({ type: CopyDto, isArray: true })
  list(): Copy[] {
    return this.copies.list();
  }

  @Post()
  @ApiCreatedResponse({ type: CopyDto })
  make(): Copy {
    return this.copies.make();
  }

  @Get(':name')
  @ApiOkResponse({ type: CopyContentDto })
  content(@Param('name') name: string): CopyContent {
    return this.copies.content(name);
  }

  @Delete(':name')
  @HttpCode(204)
  @ApiNoContentResponse()
  delete(@Param('name') name: string): void {
    this.copies.delete(name);
  }

  /** The body carries the confirmation; the validation refuses any other. */
  @Post(':name/restore')
  @HttpCode(204)
  @ApiNoContentResponse()
  async restore(@Param('name') name: string, @Body() _body: CopyRestoreDto): Promise<void> {
    await this.copies.restore(name);
  }
}
