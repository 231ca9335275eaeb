import { CreateDateColumn, DeleteDateColumn, PrimaryColumn, UpdateDateColumn, VersionColumn } from 'typeorm';

/** What every document has: an identity, a version that grows with each save, its dates (ISO 8601, UTC), a soft delete. */
export abstract class DocumentEntity {
  @PrimaryColumn('text') id!: string;
  @VersionColumn({ type: 'integer' }) version!: number;
  @CreateDateColumn({ type: 'text', name: 'created_at' }) createdAt!: string;
  @UpdateDateColumn({ type: 'text', name: 'updated_at' }) updatedAt!: string;
  @DeleteDateColumn({ type: 'text', name: 'deleted_at', nullable: true }) deletedAt!: string | null;
}

/** The columns of a document that its domain sets; the store sets the others. */
export type Columns<E extends DocumentEntity> = Omit<E, keyof DocumentEntity>;
