import { Injectable } from '@nestjs/common';
import { type Palette, type PaletteWire } from '@kleur/contract';
import { type EntityManager } from 'typeorm';
import { demoPalettes } from '../demo/data/demo-batches.ts';
import { Documents, type DocumentStore } from '../storage/document-store.ts';
import { type Content, type FirstContent } from '../storage/domain.ts';
import { PaletteEntity } from './palette.entity.ts';

const wire = ({ id, name, favourite, colours, version, updatedAt }: PaletteEntity): PaletteWire => ({
  id,
  name,
  favourite,
  colours,
  version,
  updatedAt,
});

@Injectable()
export class PalettesService implements Content {
  private readonly store: DocumentStore<PaletteEntity>;

  constructor(documents: Documents) {
    this.store = documents.of(PaletteEntity, 'The palette');
  }

  /** Favourites first, then the newest. */
  async list(): Promise<PaletteWire[]> {
    const rows = await this.store.find({ order: { favourite: 'DESC', updatedAt: 'DESC', id: 'ASC' } });
    return this.store.readAll(rows, wire);
  }

  async get(id: string): Promise<PaletteWire> {
    return this.store.read(await this.store.get(id), wire);
  }

  async create(input: Palette): Promise<PaletteWire> {
    return wire(await this.store.create(input));
  }

  async update(id: string, version: number, input: Palette): Promise<PaletteWire> {
    return wire(await this.store.update(id, version, input));
  }

  async setDeleted(id: string, deleted: boolean): Promise<PaletteWire> {
    return wire(await this.store.setDeleted(id, deleted));
  }

  async fill(m: EntityManager, first: FirstContent): Promise<void> {
    if (first !== 'demo') return;
    for (const palette of demoPalettes) await this.store.insert(m, palette);
  }
}
