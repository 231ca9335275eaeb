import { Column, Entity, PrimaryColumn } from 'typeorm';
import { type Settings } from '@kleur/contract';

/** The one row of habits. */
@Entity('settings')
export class SettingsEntity {
  @PrimaryColumn('integer') id!: number;
  @Column('simple-json') data!: Settings;
  @Column('integer') version!: number;
}
