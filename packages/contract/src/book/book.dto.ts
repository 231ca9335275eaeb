import { type LabD65 } from '@kleur/core/colour';
import { type Face, FACES, READ_HOW, type ReadHow } from '@kleur/core/evidence';
import { DoseDto } from '../colour/colour.dto.ts';
import { FitAnswerDto } from '../colour/fit.dto.ts';
import { FIT_LIMITS } from '../colour/fit.ts';
import { Many, Num, Numbers, OneOf, Text, Texts } from '../fields.dto.ts';
import { OmitType } from '@nestjs/swagger';
import { type BookAccept, type BookEntry, type BookFit, type BookPage } from './book.ts';

class BookEntryDto implements BookEntry {
  @Text(80) id!: string;
  @Text(80) batchId!: string;
  @Text(200) batchName!: string;
  @Text(200) potName!: string;
  @Text(10, { description: 'YYYY-MM-DD' }) on!: string;
  @Num(0, 1e6, { description: 'Since the pour' }) hours!: number;
  @OneOf(FACES) face!: Face;
  @Num(0, 1) gel!: number;
  @OneOf(READ_HOW) how!: ReadHow;
  @Num(0, 30, { description: '± ΔE00' }) doubt!: number;
  @Numbers(3, -200, 200, { description: 'CIELAB D65' }) lab!: LabD65;
  @Many(() => DoseDto, FIT_LIMITS.parts) doses!: DoseDto[];
}

export class BookPageDto implements BookPage {
  @Many(() => BookEntryDto, FIT_LIMITS.readings) readings!: BookEntryDto[];
}

export class BookFitDto extends OmitType(FitAnswerDto, ['base']) implements BookFit {}

export class BookAcceptDto implements BookAccept {
  @Texts(FIT_LIMITS.materials, 80) materialIds!: string[];
}
