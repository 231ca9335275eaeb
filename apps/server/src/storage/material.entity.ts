import { Column, Entity, PrimaryColumn } from 'typeorm';
import { type Material } from '@kleur/core';

/** A shelf item. The document is the material as core knows it; the columns are what is searched. */
@Entity('material')
export class MaterialEntity {
  @PrimaryColumn('text') id!: string;
  @Column('text') kind!: string;
  @Column('text') name!: string;
  @Column('simple-json') data!: Material;
  @Column('boolean', { name: 'built_in' }) builtIn!: boolean;
  @Column('integer') version!: number;
  @Column('text', { name: 'deleted_at', nullable: true }) deletedAt!: string | null;
}
