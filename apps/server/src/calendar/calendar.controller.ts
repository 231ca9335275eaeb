import { Body, Delete, Get, Header, HttpCode, Post, Query } from '@nestjs/common';
import { type CalendarFeed, type CalendarPage } from '@kleur/contract';
import { CalendarFeedDto, CalendarPageDto, CalendarQueryDto, DaysWriteDto } from '@kleur/contract/dto';
import { ApiNoContentResponse, ApiOkResponse, ApiProduces } from '@nestjs/swagger';
import { Resource } from '../problems/resource.ts';
import { CalendarService } from './calendar.service.ts';
import { Feed } from './feed.ts';

export const ICS = 'text/calendar; charset=utf-8';
const pathOf = (token: string): string => `/feed/${token}.ics`;

@Resource('calendar')
export class CalendarController {
  constructor(
    private readonly calendar: CalendarService,
    private readonly feed: Feed,
  ) {}

  @Get()
  @ApiOkResponse({ type: CalendarPageDto })
  page(@Query() { from, to }: CalendarQueryDto): Promise<CalendarPage> {
    return this.calendar.page(from, to);
  }

  @Post('days')
  @HttpCode(204)
  @ApiNoContentResponse()
  setDays(@Body() body: DaysWriteDto): Promise<void> {
    return this.calendar.setDays(body);
  }

  @Get('kleur.ics')
  @Header('Content-Type', ICS)
  @Header('Content-Disposition', 'attachment; filename="kleur.ics"')
  @ApiProduces('text/calendar')
  @ApiOkResponse({ schema: { type: 'string' } })
  file(): Promise<string> {
    return this.calendar.file();
  }

  @Get('feed')
  @ApiOkResponse({ type: CalendarFeedDto })
  getFeed(): CalendarFeed {
    const { token } = this.feed;
    return { path: token === null ? null : pathOf(token) };
  }

  /** A new address; the one before it answers no more. */
  @Post('feed')
  @HttpCode(200)
  @ApiOkResponse({ type: CalendarFeedDto })
  renew(): CalendarFeed {
    return { path: pathOf(this.feed.renew()) };
  }

  @Delete('feed')
  @HttpCode(204)
  @ApiNoContentResponse()
  revoke(): Promise<void> {
    return this.feed.revoke();
  }
}
