import { Body, Delete, Get, Header, HttpCode, Param, Post, Put } from '@nestjs/common';
import {
  type BookBase,
  type BookEffect,
  type BookFit,
  type BookPage,
  type Learning,
  type MaterialWire,
} from '@kleur/contract';
import {
  BookAcceptDto,
  BookBackDto,
  BookBaseDto,
  BookEffectAskDto,
  BookEffectDto,
  BookFitDto,
  BookForgetDto,
  BookPageDto,
  LearningDto,
  MaterialWireDto,
  ProposedBarDto,
  TestBarDto,
  TestBarSendDto,
  TestBarWriteDto,
  TrialAskDto,
} from '@kleur/contract/dto';
import { type ProposedBar, type TestBar } from '@kleur/core/evidence';
import { ApiCreatedResponse, ApiOkResponse, ApiOperation, ApiProduces } from '@nestjs/swagger';
import { LearningsService } from '../catalogue/learnings.service.ts';
import { Resource } from '../problems/resource.ts';
import { BookReadingsService } from './book-readings.service.ts';
import { BookService } from './book.service.ts';
import { TestBarsService } from './test-bars.service.ts';

@Resource('book')
export class BookController {
  constructor(
    private readonly book: BookService,
    private readonly readings: BookReadingsService,
    private readonly bars: TestBarsService,
    private readonly learnings: LearningsService,
  ) {}

  @Get()
  @ApiOkResponse({ type: BookPageDto })
  async page(): Promise<BookPage> {
    return { readings: await this.readings.entries() };
  }

  @Get('kleur-readings.txt')
  @Header('Content-Type', 'text/plain; charset=utf-8')
  @Header('Content-Disposition', 'attachment; filename="kleur-readings.txt"')
  @ApiProduces('text/plain')
  @ApiOperation({ summary: 'All readings as CGATS.17, Lab for D65' })
  @ApiOkResponse({ schema: { type: 'string' } })
  cgats(): Promise<string> {
    return this.readings.cgats('lab');
  }

  @Get('kleur-spectra.txt')
  @Header('Content-Type', 'text/plain; charset=utf-8')
  @Header('Content-Disposition', 'attachment; filename="kleur-spectra.txt"')
  @ApiProduces('text/plain')
  @ApiOperation({ summary: 'Readings with a spectrum as CGATS.17' })
  @ApiOkResponse({ schema: { type: 'string' } })
  spectra(): Promise<string> {
    return this.readings.cgats('spectra');
  }

  @Get('kleur-readings.csv')
  @Header('Content-Type', 'text/csv; charset=utf-8')
  @Header('Content-Disposition', 'attachment; filename="kleur-readings.csv"')
  @ApiProduces('text/csv')
  @ApiOkResponse({ schema: { type: 'string' } })
  csv(): Promise<string> {
    return this.readings.csv();
  }

  @Post('bars')
  @ApiOperation({ summary: 'Bars that no batch knows of, with what is in them; each is kept once' })
  @ApiCreatedResponse({ type: TestBarDto, isArray: true })
  addBars(@Body() { bars }: TestBarSendDto): Promise<TestBar[]> {
    return this.bars.add(bars);
  }

  @Get('bars/:id')
  @ApiOkResponse({ type: TestBarDto })
  bar(@Param('id') id: string): Promise<TestBar> {
    return this.bars.get(id);
  }

  @Put('bars/:id')
  @ApiOperation({ summary: 'What a bar holds, and its colour, as they should have been told' })
  @ApiOkResponse({ type: TestBarDto })
  correctBar(@Param('id') id: string, @Body() bar: TestBarWriteDto): Promise<TestBar> {
    return this.bars.correct(id, bar);
  }

  @Delete('bars/:id')
  @ApiOkResponse({ type: TestBarDto })
  removeBar(@Param('id') id: string): Promise<TestBar> {
    return this.bars.setDeleted(id, true);
  }

  @Post('bars/:id/restore')
  @HttpCode(200)
  @ApiOkResponse({ type: TestBarDto })
  restoreBar(@Param('id') id: string): Promise<TestBar> {
    return this.bars.setDeleted(id, false);
  }

  @Post('fit')
  @HttpCode(200)
  @ApiOperation({ summary: 'What all readings say of shelf and base; nothing is changed' })
  @ApiOkResponse({ type: BookFitDto })
  fit(): Promise<BookFit> {
    return this.book.fit();
  }

  @Post('effect')
  @HttpCode(200)
  @ApiOperation({ summary: 'What some readings alone would move; nothing is changed' })
  @ApiOkResponse({ type: BookEffectDto })
  effect(@Body() { readingIds }: BookEffectAskDto): Promise<BookEffect> {
    return this.book.effect(readingIds);
  }

  @Post('trial')
  @HttpCode(200)
  @ApiOperation({ summary: 'The few bars that would teach most about some colourants' })
  @ApiOkResponse({ type: ProposedBarDto, isArray: true })
  trial(@Body() body: TrialAskDto): Promise<ProposedBar[]> {
    return this.book.propose(body);
  }

  @Post('accept')
  @HttpCode(200)
  @ApiOperation({ summary: 'Takes the fitted curves of some colourants over into the shelf, and the base' })
  @ApiOkResponse({ type: MaterialWireDto, isArray: true })
  accept(@Body() body: BookAcceptDto): Promise<MaterialWire[]> {
    return this.book.accept(body);
  }

  @Post('forget')
  @HttpCode(200)
  @ApiOperation({ summary: 'Gives fitted curves up: they follow from the shelf entries alone again' })
  @ApiOkResponse({ type: MaterialWireDto, isArray: true })
  forget(@Body() body: BookForgetDto): Promise<MaterialWire[]> {
    return this.book.forget(body);
  }

  @Get('learnings')
  @ApiOperation({ summary: 'Everything that was taken over so far, the latest first' })
  @ApiOkResponse({ type: LearningDto, isArray: true })
  learned(): Promise<Learning[]> {
    return this.learnings.list();
  }

  @Post('back')
  @HttpCode(200)
  @ApiOperation({ summary: 'Takes curves of an earlier time back' })
  @ApiOkResponse({ type: MaterialWireDto, isArray: true })
  back(@Body() { version, materialIds }: BookBackDto): Promise<MaterialWire[]> {
    return this.learnings.back(version, materialIds);
  }

  @Get('base')
  @ApiOperation({ summary: 'The bare base as bars have told it' })
  @ApiOkResponse({ type: BookBaseDto })
  async base(): Promise<BookBase> {
    return { learnt: await this.learnings.base() };
  }
}
