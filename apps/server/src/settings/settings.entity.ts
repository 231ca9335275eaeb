import { type Settings } from '@kleur/contract';
import { Column, Entity } from 'typeorm';
import { DocumentEntity } from '../storage/document.entity.ts';

/** The maker's habits: one document. */
@Entity('settings')
export class SettingsEntity extends DocumentEntity {
  @Column('simple-json') data!: Settings;
}
