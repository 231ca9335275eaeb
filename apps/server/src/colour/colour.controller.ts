import { Body, HttpCode, Post } from '@nestjs/common';
import {
  FitAnswerDto,
  fitExample,
  FitRequestDto,
  matchExample,
  MatchRequestDto,
  MatchResultDto,
  predictExample,
  PredictRequestDto,
  PredictResponseDto,
} from '@kleur/contract/dto';
import { ApiBody, ApiOkResponse, ApiOperation } from '@nestjs/swagger';
import { type FitAnswer } from '@kleur/contract';
import { type MatchResult } from '@kleur/core/match';
import { HeavyService, isMany } from '../heavy/heavy.service.ts';
import { Resource } from '../problems/resource.ts';
import { ColourService } from './colour.service.ts';
import { FitService } from './fit.service.ts';
import { MatchService } from './match.service.ts';

@Resource('colour')
export class ColourController {
  constructor(
    private readonly colour: ColourService,
    private readonly fits: FitService,
    private readonly matches: MatchService,
    private readonly heavy: HeavyService,
  ) {}

  @Post('predict')
  @HttpCode(200)
  @ApiOperation({ summary: 'Colour of pots at stages: Lab, hex, gamut flag and reflectance' })
  @ApiBody({
    type: PredictRequestDto,
    examples: { green: { summary: 'A green on an olive base', value: predictExample } },
  })
  @ApiOkResponse({ type: PredictResponseDto })
  predict(@Body() body: PredictRequestDto): Promise<PredictResponseDto> {
    const predict = () => this.colour.predict(body) as Promise<PredictResponseDto>;
    return isMany(body) ? this.heavy.admit(predict) : predict();
  }

  @Post('fit')
  @HttpCode(200)
  @ApiOperation({ summary: 'Curves of colourants and of the base, from readings of bars of known doses' })
  @ApiBody({
    type: FitRequestDto,
    examples: { blue: { summary: 'Two bars of one blue', value: fitExample } },
  })
  @ApiOkResponse({ type: FitAnswerDto })
  fit(@Body() body: FitRequestDto): Promise<FitAnswer> {
    return this.heavy.admit(() => this.fits.fit(body));
  }

  @Post('match')
  @HttpCode(200)
  @ApiOperation({
    summary: 'Recipes from the shelf for a wanted colour, several and different, within every limit',
  })
  @ApiBody({
    type: MatchRequestDto,
    examples: { dustyGreen: { summary: 'A dusty green', value: matchExample } },
  })
  @ApiOkResponse({ type: MatchResultDto })
  match(@Body() body: MatchRequestDto): Promise<MatchResult> {
    return this.heavy.admit(() => this.matches.match(body));
  }
}
