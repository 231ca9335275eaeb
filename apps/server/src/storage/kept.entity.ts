import { Column, Entity, PrimaryColumn } from 'typeorm';

/** A mould or a base recipe kept apart from any batch. */
@Entity('kept')
export class KeptEntity {
  @PrimaryColumn('text') id!: string;
  @Column('text') kind!: 'mould' | 'recipe';
  @Column('text') name!: string;
  @Column('simple-json') data!: object;
  @Column('integer') version!: number;
  @Column('text', { name: 'updated_at' }) updatedAt!: string;
  @Column('text', { name: 'deleted_at', nullable: true }) deletedAt!: string | null;
}
