import { randomUUID } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import { type MaterialWire, type MaterialWrite } from '@kleur/contract';
import { type FittedMaterial } from '@kleur/core/fit';
import {
  defaultCurve,
  defaultOptics,
  type Material,
  sameSource,
  upgradeMaterial,
} from '@kleur/core/material';
import { startingCurve, startingShelf } from '@kleur/core/material/catalogue';
import { type EntityManager } from 'typeorm';
import { demoStock } from '../demo/data/demo-shelf.ts';
import { ProblemError } from '../problems/problem.ts';
import { Documents, type DocumentStore } from '../storage/document-store.ts';
import { isUnreadable } from '../storage/json-column.ts';
import { type Content, type FirstContent } from '../storage/domain.ts';
import { WriteQueue } from '../storage/write-queue.ts';
import { MaterialEntity } from './material.entity.ts';

const wire = (e: MaterialEntity): MaterialWire => ({
  ...upgradeMaterial(e.data),
  builtIn: e.builtIn,
  version: e.version,
});

/** A reference to a shelf item in a request. */
export interface MaterialRef {
  readonly id: string;
  /** Where in the body it stands. */
  readonly path: string;
  /** What it must be, where only one kind will do. */
  readonly wants?: 'oil' | 'scent';
}

const WANTED: Readonly<Record<'oil' | 'scent', string>> = { oil: 'an oil', scent: 'a scent' };

@Injectable()
export class CatalogueService implements Content {
  private readonly store: DocumentStore<MaterialEntity>;

  constructor(
    documents: Documents,
    private readonly writes: WriteQueue,
  ) {
    this.store = documents.of(MaterialEntity, 'The material');
  }

  async list(): Promise<MaterialWire[]> {
    return this.store.readAll(await this.store.find({ order: { kind: 'ASC', name: 'ASC' } }), wire);
  }

  async get(id: string): Promise<MaterialWire> {
    return this.store.read(await this.store.get(id), wire);
  }

  /**
   * Materials by id.
   * @throws ProblemError naming the path of each that is missing (`unknown-material`) or of the wrong kind
   * (`invalid-input`).
   */
  async resolve(refs: readonly MaterialRef[]): Promise<Map<string, Material>> {
    const shelf = this.store.readAll(await this.store.find(), (r) => upgradeMaterial(r.data));
    const byId = new Map(shelf.map((m) => [m.id, m]));
    const missing = refs.filter((r) => !byId.has(r.id));
    if (missing.length > 0) {
      throw new ProblemError(
        'unknown-material',
        `No material on the shelf has the id "${missing[0]!.id}".`,
        missing.map((m) => ({ path: m.path, message: `unknown id "${m.id}"` })),
      );
    }
    const wrong = refs.filter((r) => r.wants !== undefined && byId.get(r.id)![r.wants] === null);
    if (wrong.length > 0) {
      const [first] = wrong;
      throw new ProblemError(
        'invalid-input',
        `“${byId.get(first!.id)!.name}” is not ${WANTED[first!.wants!]}.`,
        wrong.map((r) => ({ path: r.path, message: `not ${WANTED[r.wants!]}` })),
      );
    }
    return byId;
  }

  async create(input: MaterialWrite): Promise<MaterialWire> {
    checkMaterial(input);
    const id = `own-${randomUUID()}`;
    const data: Material = { ...input, id, ...curveFor(input) };
    return wire(await this.store.create({ ...columns(data), builtIn: false }, { id }));
  }

  async update(id: string, version: number, input: MaterialWrite): Promise<MaterialWire> {
    checkMaterial(input);
    const row = await this.store.update(id, version, (before) =>
      columns({
        ...input,
        id,
        ...curveFor(input, isUnreadable(before.data) ? undefined : upgradeMaterial(before.data)),
      }),
    );
    return wire(row);
  }

  /** Inside a running write: curves that were fitted to readings. @throws ProblemError `not-found`. */
  setCurves(m: EntityManager, fitted: readonly FittedMaterial[], version: number): Promise<MaterialWire[]> {
    return this.changeCurves(m, fitted, (_, { optics, spread, modes, readings, typicalMiss }) => ({
      optics,
      curve: { origin: { kind: 'fitted', version, readings }, spread, modes, typicalMiss },
    }));
  }

  /** Inside a running write: back to the curves that follow from the entries alone. @throws ProblemError `not-found`. */
  forgetCurves(m: EntityManager, ids: readonly string[]): Promise<MaterialWire[]> {
    return this.changeCurves(
      m,
      ids.map((id) => ({ id })),
      startingCurve,
    );
  }

  private async changeCurves<T extends { readonly id: string }>(
    m: EntityManager,
    of: readonly T[],
    curveOf: (material: Material, item: T) => Pick<Material, 'optics' | 'curve'>,
  ): Promise<MaterialWire[]> {
    const rows: MaterialEntity[] = [];
    for (const item of of) {
      const { version } = await this.store.get(item.id, m);
      rows.push(
        await this.store.change(m, item.id, version, ({ data }) => {
          const material = upgradeMaterial(data);
          return columns({ ...material, ...curveOf(material, item) });
        }),
      );
    }
    return rows.map(wire);
  }

  async setDeleted(id: string, deleted: boolean): Promise<MaterialWire> {
    return this.store.read(await this.store.setDeleted(id, deleted), wire);
  }

  /** The starting shelf; the demo says what of it is in stock, and how much in g where that is counted. */
  async fill(m: EntityManager, first: FirstContent): Promise<void> {
    const owned = first === 'demo' ? demoStock : new Map<string, number | null>();
    for (const material of startingShelf()) {
      const stock = { inStock: owned.has(material.id), stock: owned.get(material.id) ?? null };
      const row = { ...columns({ ...material, ...stock }), builtIn: true };
      await this.store.insert(m, row, { id: material.id });
    }
  }
}

const columns = (data: Material) => ({ kind: data.kind, name: data.name, data });

/**
 * The curve of a material after an edit. A fitted one stands on readings and stays whatever the entry says; a default
 * one stays while what it was built from stays, and is built anew for another colour, dose, kind or looks.
 */
function curveFor(input: MaterialWrite, before?: Material): Pick<Material, 'optics' | 'curve'> {
  if (before?.optics && before.curve?.origin.kind === 'fitted')
    return { optics: before.optics, curve: before.curve };
  if (before && sameSource(before, input)) return { optics: before.optics, curve: before.curve };
  const optics = defaultOptics(input);
  return { optics, curve: optics && defaultCurve(input.kind) };
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
