import { Body, Get, Header, HttpCode, Post } from '@nestjs/common';
import { type BookFit, type BookPage, type MaterialWire } from '@kleur/contract';
import { BookAcceptDto, BookFitDto, BookPageDto, MaterialWireDto } from '@kleur/contract/dto';
import { ApiOkResponse, ApiOperation, ApiProduces } from '@nestjs/swagger';
import { Resource } from '../problems/resource.ts';
import { BookService } from './book.service.ts';

@Resource('book')
export class BookController {
  constructor(private readonly book: BookService) {}

  @Get()
  @ApiOkResponse({ type: BookPageDto })
  async page(): Promise<BookPage> {
    return { readings: await this.book.entries() };
  }

  @Get('kleur-readings.txt')
  @Header('Content-Type', 'text/plain; charset=utf-8')
  @Header('Content-Disposition', 'attachment; filename="kleur-readings.txt"')
  @ApiProduces('text/plain')
  @ApiOperation({ summary: 'All readings as CGATS.17, Lab for D65' })
  @ApiOkResponse({ schema: { type: 'string' } })
  cgats(): Promise<string> {
    return this.book.cgats();
  }

  @Get('kleur-readings.csv')
  @Header('Content-Type', 'text/csv; charset=utf-8')
  @Header('Content-Disposition', 'attachment; filename="kleur-readings.csv"')
  @ApiProduces('text/csv')
  @ApiOkResponse({ schema: { type: 'string' } })
  csv(): Promise<string> {
    return this.book.csv();
  }

  @Post('fit')
  @HttpCode(200)
  @ApiOperation({ summary: 'What the readings of all batches say of the shelf; nothing is changed' })
  @ApiOkResponse({ type: BookFitDto })
  fit(): Promise<BookFit> {
    return this.book.fit();
  }

  @Post('accept')
  @HttpCode(200)
  @ApiOperation({ summary: 'Takes the fitted curves of some colourants over into the shelf' })
  @ApiOkResponse({ type: MaterialWireDto, isArray: true })
  accept(@Body() { materialIds }: BookAcceptDto): Promise<MaterialWire[]> {
    return this.book.accept(materialIds);
  }

  @Post('forget')
  @HttpCode(200)
  @ApiOperation({ summary: 'Gives fitted curves up: they follow from the shelf entries alone again' })
  @ApiOkResponse({ type: MaterialWireDto, isArray: true })
  forget(@Body() { materialIds }: BookAcceptDto): Promise<MaterialWire[]> {
    return this.book.forget(materialIds);
  }
}
