import { Get, HttpCode, Param, Put, Req, Res, StreamableFile } from '@nestjs/common';
import { MEDIA_TYPES } from '@kleur/core/formats';
import { ApiBody, ApiConsumes, ApiNoContentResponse, ApiOkResponse, ApiProduces } from '@nestjs/swagger';
import type { Request, Response } from 'express';
import { Resource } from '../problems/resource.ts';
import { FilesService } from './files.service.ts';

const YEAR_SECONDS = 31_536_000;
const BINARY = { schema: { type: 'string', format: 'binary' } } as const;

@Resource('batches/:id/files', 'batches')
export class FilesController {
  constructor(private readonly files: FilesService) {}

  @Put(':name')
  @HttpCode(204)
  @ApiConsumes(...MEDIA_TYPES)
  @ApiBody(BINARY)
  @ApiNoContentResponse()
  keep(@Param('id') id: string, @Param('name') name: string, @Req() { body }: Request): Promise<void> {
    return this.files.keep(id, name, Buffer.isBuffer(body) ? body : new Uint8Array());
  }

  /** What a name stands for never changes. */
  @Get(':name')
  @ApiProduces(...MEDIA_TYPES)
  @ApiOkResponse({ description: 'The picture or clip', ...BINARY })
  async read(
    @Param('id') id: string,
    @Param('name') name: string,
    @Res({ passthrough: true }) response: Response,
  ): Promise<StreamableFile> {
    const { type, stream } = await this.files.read(id, name);
    response.setHeader('Cache-Control', `private, max-age=${YEAR_SECONDS}, immutable`);
    return new StreamableFile(stream, { type });
  }
}
