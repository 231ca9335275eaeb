import { Body, Delete, Get, HttpCode, Param, Post, Put, Req, Res, UseGuards } from '@nestjs/common';
import { AccessDto, PassphraseChangeDto, SessionDto, SignInDto } from '@kleur/contract/dto';
import { ApiNoContentResponse, ApiOkResponse } from '@nestjs/swagger';
import { ThrottlerGuard } from '@nestjs/throttler';
import type { Request, Response } from 'express';
import { Resource } from '../problems/resource.ts';
import { AccessService } from './access.service.ts';
import { sessionOf, setSession } from './session-cookie.ts';

const deviceOf = (request: Request): string => request.headers['user-agent'] ?? 'a program';

@Resource('access')
export class AccessController {
  constructor(private readonly access: AccessService) {}

  @Get()
  @ApiOkResponse({ type: AccessDto })
  get(@Req() request: Request): AccessDto {
    const { isProtected, isLocal, lan } = this.access;
    const id = sessionOf(request);
    const isSignedIn = !isProtected || (id !== null && this.access.isOpen(id));
    return { isProtected, isLocal, isSignedIn, lan: isSignedIn ? [...lan] : [] };
  }

  /** A few tries a minute: guessing must not pay. */
  @Post('sign-in')
  @UseGuards(ThrottlerGuard)
  @HttpCode(204)
  @ApiNoContentResponse()
  async signIn(
    @Body() { passphrase }: SignInDto,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<void> {
    setSession(response, await this.access.signIn(passphrase, deviceOf(request)));
  }

  @Post('sign-out')
  @HttpCode(204)
  @ApiNoContentResponse()
  signOut(@Req() request: Request, @Res({ passthrough: true }) response: Response): void {
    const id = sessionOf(request);
    if (id !== null && this.access.isOpen(id)) this.access.end(id);
    setSession(response, null);
  }

  /** Ends every other session. */
  @Put('passphrase')
  @UseGuards(ThrottlerGuard)
  @HttpCode(204)
  @ApiNoContentResponse()
  async change(
    @Body() body: PassphraseChangeDto,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<void> {
    setSession(response, await this.access.change(body, deviceOf(request)));
  }

  @Get('sessions')
  @ApiOkResponse({ type: SessionDto, isArray: true })
  sessions(@Req() request: Request): SessionDto[] {
    return this.access.sessions(sessionOf(request));
  }

  @Delete('sessions/:id')
  @HttpCode(204)
  @ApiNoContentResponse()
  end(@Param('id') id: string): void {
    this.access.end(id);
  }
}
