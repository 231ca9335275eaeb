import { Get, Header, Param, Query } from '@nestjs/common';
import { type LedgerPage, type PastResult } from '@kleur/contract';
import { LedgerPageDto, LedgerQueryDto, LossesDto, PastQueryDto, PastResultDto } from '@kleur/contract/dto';
import { ApiOkResponse, ApiProduces } from '@nestjs/swagger';
import { Resource } from '../problems/resource.ts';
import { LedgerService } from './ledger.service.ts';

@Resource('ledger')
export class LedgerController {
  constructor(private readonly ledger: LedgerService) {}

  @Get()
  @ApiOkResponse({ type: LedgerPageDto })
  page(@Query() query: LedgerQueryDto): Promise<LedgerPage> {
    return this.ledger.page(query);
  }

  @Get('kleur.csv')
  @Header('Content-Type', 'text/csv; charset=utf-8')
  @Header('Content-Disposition', 'attachment; filename="kleur-batches.csv"')
  @ApiProduces('text/csv')
  @ApiOkResponse({ schema: { type: 'string' } })
  csv(@Query() query: LedgerQueryDto): Promise<string> {
    return this.ledger.csv(query);
  }

  @Get('past')
  @ApiOkResponse({ type: PastResultDto, isArray: true })
  past(@Query() { of, ref, besides }: PastQueryDto): Promise<PastResult[]> {
    return this.ledger.past(of, ref, besides);
  }

  @Get('losses/:id')
  @ApiOkResponse({ type: LossesDto })
  async losses(@Param('id') id: string): Promise<LossesDto> {
    return { learned: await this.ledger.losses(id) };
  }
}
