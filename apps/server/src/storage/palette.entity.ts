import { Column, Entity, PrimaryColumn } from 'typeorm';
import { type SwatchColour } from '@kleur/contract';

@Entity('palette')
export class PaletteEntity {
  @PrimaryColumn('text') id!: string;
  @Column('text') name!: string;
  @Column('boolean') favourite!: boolean;
  @Column('simple-json') colours!: readonly SwatchColour[];
  @Column('integer') version!: number;
  @Column('text', { name: 'updated_at' }) updatedAt!: string;
  @Column('text', { name: 'deleted_at', nullable: true }) deletedAt!: string | null;
}
