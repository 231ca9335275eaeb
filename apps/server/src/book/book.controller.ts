import { Body, Get, HttpCode, Post } from '@nestjs/common';
import { type BookFit, type BookPage, type MaterialWire } from '@kleur/contract';
import { BookAcceptDto, BookFitDto, BookPageDto, MaterialWireDto } from '@kleur/contract/dto';
import { ApiOkResponse, ApiOperation } from '@nestjs/swagger';
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
