import { applyDecorators, Controller } from '@nestjs/common';
import { ProblemDto } from '@kleur/contract/dto';
import { ApiDefaultResponse, ApiTags } from '@nestjs/swagger';

/** A controller under a path, named after it in the OpenAPI document, whose refusals are coded problems. */
export const Resource = (path: string, tag = path): ClassDecorator =>
  applyDecorators(
    Controller(path),
    ApiTags(tag),
    ApiDefaultResponse({ type: ProblemDto, description: 'A coded problem' }),
  );
