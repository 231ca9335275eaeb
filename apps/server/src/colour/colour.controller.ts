import { Body, Controller, HttpCode, Post } from '@nestjs/common';
import { predictExample, PredictRequestDto, PredictResponseDto } from '@kleur/contract/dto';
import { ApiBody, ApiOkResponse, ApiOperation, ApiTags } from '@nestjs/swagger';
import { ColourService } from './colour.service.ts';

@ApiTags('colour')
@Controller('colour')
export class ColourController {
  constructor(private readonly colour: ColourService) {}

  @Post('predict')
  @HttpCode(200)
  @ApiOperation({ summary: 'Colour of pots at stages: Lab, hex, gamut flag and reflectance' })
  @ApiBody({
    type: PredictRequestDto,
    examples: { green: { summary: 'A green on an olive base', value: predictExample } },
  })
  @ApiOkResponse({ type: PredictResponseDto })
  predict(@Body() body: PredictRequestDto): Promise<PredictResponseDto> {
    return this.colour.predict(body) as Promise<PredictResponseDto>;
  }
}
