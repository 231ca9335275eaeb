import { Body, Controller, Get, Put } from '@nestjs/common';
import { type SettingsWire } from '@kleur/contract';
import { SettingsUpdateDto } from '@kleur/contract/dto';
import { ApiTags } from '@nestjs/swagger';
import { SettingsService } from './settings.service.ts';

@ApiTags('settings')
@Controller('settings')
export class SettingsController {
  constructor(private readonly settings: SettingsService) {}

  @Get()
  get(): Promise<SettingsWire> {
    return this.settings.get();
  }

  @Put()
  update(@Body() { version, ...data }: SettingsUpdateDto): Promise<SettingsWire> {
    return this.settings.update(version, data);
  }
}
