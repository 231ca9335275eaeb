import { Body, Get, Put } from '@nestjs/common';
import { type SettingsWire } from '@kleur/contract';
import { SettingsUpdateDto } from '@kleur/contract/dto';
import { ApiOkResponse } from '@nestjs/swagger';
import { Resource } from '../problems/resource.ts';
import { SettingsService } from './settings.service.ts';

@Resource('settings')
export class SettingsController {
  constructor(private readonly settings: SettingsService) {}

  @Get()
  @ApiOkResponse({ type: SettingsUpdateDto })
  get(): Promise<SettingsWire> {
    return this.settings.get();
  }

  @Put()
  @ApiOkResponse({ type: SettingsUpdateDto })
  update(@Body() { version, ...data }: SettingsUpdateDto): Promise<SettingsWire> {
    return this.settings.update(version, data);
  }
}
