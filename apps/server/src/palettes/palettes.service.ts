import { randomUUID } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import { InjectRepository } from '@nestjs/typeorm';
import { type Palette, type PaletteWire } from '@kleur/contract';
import { type EntityManager, IsNull, Repository } from 'typeorm';
import { notFound, staleVersion } from '../problems/problem.ts';
import { PaletteEntity } from '../storage/palette.entity.ts';
import { WriteQueue } from '../storage/write-queue.ts';

const wire = ({ id, name, favourite, colours, version, updatedAt }: PaletteEntity): PaletteWire => ({
  id,
  name,
  favourite,
  colours,
  version,
  updatedAt,
});

@Injectable()
export class PalettesService {
  constructor(
    @InjectRepository(PaletteEntity) private readonly palettes: Repository<PaletteEntity>,
    private readonly writes: WriteQueue,
  ) {}

  /** Favourites first, then the newest. */
  async list(): Promise<PaletteWire[]> {
    const order = { favourite: 'DESC', updatedAt: 'DESC', id: 'ASC' } as const;
    return (await this.palettes.find({ where: { deletedAt: IsNull() }, order })).map(wire);
  }

  async get(id: string): Promise<PaletteWire> {
    return wire(await this.row(id));
  }

  create(input: Palette): Promise<PaletteWire> {
    return this.writes.run((m) => this.insert(m, input));
  }

  update(id: string, version: number, input: Palette): Promise<PaletteWire> {
    return this.writes.run(async (m) => {
      const row = await this.row(id, m);
      if (row.version !== version) throw staleVersion(`“${row.name}”`);
      Object.assign(row, input, { version: version + 1, updatedAt: new Date().toISOString() });
      return wire(await m.save(row));
    });
  }

  setDeleted(id: string, deleted: boolean): Promise<PaletteWire> {
    return this.writes.run(async (m) => {
      const row = await m.findOneBy(PaletteEntity, { id });
      if (!row) throw notFound('The palette');
      row.deletedAt = deleted ? new Date().toISOString() : null;
      return wire(await m.save(row));
    });
  }

  /** Inserts inside a running write. */
  async insert(m: EntityManager, input: Palette): Promise<PaletteWire> {
    const updatedAt = new Date().toISOString();
    const row = m.create(PaletteEntity, {
      ...input,
      id: randomUUID(),
      version: 1,
      updatedAt,
      deletedAt: null,
    });
    return wire(await m.save(row));
  }

  private async row(id: string, m?: EntityManager): Promise<PaletteEntity> {
    const where = { id, deletedAt: IsNull() };
    const row = m ? await m.findOneBy(PaletteEntity, where) : await this.palettes.findOneBy(where);
    if (!row) throw notFound('The palette');
    return row;
  }
}
