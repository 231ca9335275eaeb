import { type Settings } from '@kleur/contract';
import { Entity } from 'typeorm';
import { DocumentEntity } from '../storage/document.entity.ts';
import { JsonColumn } from '../storage/json-column.ts';

/** The maker's habits: one document. */
@Entity('settings')
export class SettingsEntity extends DocumentEntity {
  @JsonColumn() data!: Settings;
}
