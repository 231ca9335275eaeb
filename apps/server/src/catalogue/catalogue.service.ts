import { randomUUID } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import { InjectRepository } from '@nestjs/typeorm';
import { type MaterialWire, type MaterialWrite } from '@kleur/contract';
import { defaultOptics, type Material, startingShelf, upgradeMaterial } from '@kleur/core';
import { type EntityManager, IsNull, Repository } from 'typeorm';
import { notFound, ProblemError, staleVersion } from '../problems/problem.ts';
import { MaterialEntity } from '../storage/material.entity.ts';
import { WriteQueue } from '../storage/write-queue.ts';

const wire = (e: MaterialEntity): MaterialWire => ({
  ...upgradeMaterial(e.data),
  builtIn: e.builtIn,
  version: e.version,
});

@Injectable()
export class CatalogueService {
  constructor(
    @InjectRepository(MaterialEntity) private readonly materials: Repository<MaterialEntity>,
    private readonly writes: WriteQueue,
  ) {}

  async list(): Promise<MaterialWire[]> {
    const rows = await this.materials.find({
      where: { deletedAt: IsNull() },
      order: { kind: 'ASC', name: 'ASC' },
    });
    return rows.map(wire);
  }

  async get(id: string): Promise<MaterialWire> {
    return wire(await this.row(id));
  }

  /** Materials by id. @throws ProblemError `unknown-material` naming the path of each that is missing. */
  async resolve(
    refs: readonly { readonly id: string; readonly path: string }[],
  ): Promise<Map<string, Material>> {
    const rows = await this.materials.find({ where: { deletedAt: IsNull() } });
    const byId = new Map(rows.map((r) => [r.id, upgradeMaterial(r.data)]));
    const missing = refs.filter((r) => !byId.has(r.id));
    if (missing.length > 0) {
      throw new ProblemError(
        'unknown-material',
        `No material on the shelf has the id "${missing[0]!.id}".`,
        missing.map((m) => ({ path: m.path, message: `unknown id "${m.id}"` })),
      );
    }
    return byId;
  }

  create(input: MaterialWrite): Promise<MaterialWire> {
    checkMaterial(input);
    const data: Material = { ...input, id: `own-${randomUUID()}`, optics: opticsFor(input) };
    return this.writes.run(async (m) => {
      const row = m.create(MaterialEntity, { ...columns(data), builtIn: false, version: 1, deletedAt: null });
      return wire(await m.save(row));
    });
  }

  update(id: string, version: number, input: MaterialWrite): Promise<MaterialWire> {
    checkMaterial(input);
    return this.writes.run(async (m) => {
      const row = await this.row(id, m);
      if (row.version !== version) throw staleVersion(`“${row.name}”`);
      Object.assign(row, columns({ ...input, id, optics: opticsFor(input, row.data) }));
      row.version += 1;
      return wire(await m.save(row));
    });
  }

  setDeleted(id: string, deleted: boolean): Promise<MaterialWire> {
    return this.writes.run(async (m) => {
      const row = await m.findOneBy(MaterialEntity, { id });
      if (!row) throw notFound('The material');
      row.deletedAt = deleted ? new Date().toISOString() : null;
      return wire(await m.save(row));
    });
  }

  /** Fills an empty shelf with the starting one; `owned` says what is in stock, and how much in g where counted. */
  async seed(m: EntityManager, owned: ReadonlyMap<string, number | null>): Promise<void> {
    const rows = startingShelf().map((material) => ({
      ...columns({ ...material, inStock: owned.has(material.id), stock: owned.get(material.id) ?? null }),
      builtIn: true,
      version: 1,
      deletedAt: null,
    }));
    await m.insert(MaterialEntity, rows);
  }

  private async row(id: string, m?: EntityManager): Promise<MaterialEntity> {
    const where = { id, deletedAt: IsNull() };
    const row = m ? await m.findOneBy(MaterialEntity, where) : await this.materials.findOneBy(where);
    if (!row) throw notFound('The material');
    return row;
  }
}

const columns = (data: Material) => ({ id: data.id, kind: data.kind, name: data.name, data });

/** Curves stay while what they were built from stays; another colour, dose or kind gets a new default curve. */
function opticsFor(input: MaterialWrite, before?: Material): Material['optics'] {
  if (input.colour === null || input.window === null) return null;
  const same =
    before?.colour?.toLowerCase() === input.colour.toLowerCase() &&
    before.kind === input.kind &&
    before.window?.typical === input.window.typical;
  return same ? before.optics : defaultOptics(input.kind, input.colour, input.window);
}

/** What single fields cannot tell: windows in order, the parts that a kind needs. */
function checkMaterial({ kind, window, oil, scent, name }: MaterialWrite): void {
  const fields = [];
  if (name.trim() === '') fields.push({ path: 'name', message: 'name may not be empty' });
  if (window) {
    if (window.faint !== null && window.faint >= window.typical) {
      fields.push({ path: 'window.faint', message: 'faint must be below typical' });
    }
    if (window.ceiling <= window.typical) {
      fields.push({ path: 'window.ceiling', message: 'ceiling must be above typical' });
    }
  }
  if ((kind === 'oil') !== (oil !== null))
    fields.push({ path: 'oil', message: 'an oil, and only an oil, has oil facts' });
  if ((kind === 'scent') !== (scent !== null)) {
    fields.push({ path: 'scent', message: 'a scent, and only a scent, has scent facts' });
  }
  const first = fields[0];
  if (first)
    throw new ProblemError('invalid-input', `Some of the input cannot be used: ${first.message}.`, fields);
}
