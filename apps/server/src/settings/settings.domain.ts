import { type Domain } from '../storage/domain.ts';
import { SettingsEntity } from './settings.entity.ts';
import { SettingsDocument1790000000006 } from './migrations/1790000000006-settings-document.ts';
import { SettingsModule } from './settings.module.ts';
import { SettingsService } from './settings.service.ts';

export const settingsDomain: Domain = {
  module: SettingsModule,
  entities: [SettingsEntity],
  migrations: [SettingsDocument1790000000006],
  content: [SettingsService],
};
