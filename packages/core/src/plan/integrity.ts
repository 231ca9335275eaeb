import { type MaterialKind } from '../material/material.ts';
import { type Plan } from './plan.ts';

export const INTEGRITY_CODES = [
  'unknown-material',
  'wrong-kind',
  'duplicate-id',
  'unknown-colour',
  'unknown-pot',
] as const;

/** A reference that leads nowhere or an id that stands twice. */
export interface IntegrityProblem {
  readonly code: (typeof INTEGRITY_CODES)[number];
  /** Path into the document, as `pots.2.doses.0.materialId`. */
  readonly path: string;
  readonly message: string;
}

type Wanted = 'oil' | 'scent' | 'dosed';
const fits = (kind: MaterialKind, wants: Wanted): boolean =>
  wants === 'dosed' ? kind !== 'oil' && kind !== 'scent' : kind === wants;

/** Everything by which a document does not hold together as a plan. An unfinished plan has no such problem. */
export function integrityProblems(plan: Plan): IntegrityProblem[] {
  const problems: IntegrityProblem[] = [];
  const kinds = new Map(plan.materials.map((m) => [m.id, m.kind]));
  const add = (code: IntegrityProblem['code'], path: string, message: string): void => {
    problems.push({ code, path, message });
  };
  const refer = (path: string, id: string, wants: Wanted): void => {
    const kind = kinds.get(id);
    if (kind === undefined) add('unknown-material', path, `The plan holds no material "${id}"`);
    else if (!fits(kind, wants))
      add('wrong-kind', path, `"${id}" is of kind ${kind} and cannot be used here`);
  };
  const unique = (path: string, rows: readonly { readonly id: string }[]): void => {
    const seen = new Set<string>();
    rows.forEach((row, i) => {
      if (seen.has(row.id)) add('duplicate-id', `${path}.${i}.id`, `The id "${row.id}" is used twice`);
      seen.add(row.id);
    });
  };
  const rows = (
    path: string,
    list: readonly { readonly id: string; readonly materialId: string }[],
    wants: Wanted,
  ): void => {
    unique(path, list);
    list.forEach((row, i) => {
      refer(`${path}.${i}.materialId`, row.materialId, wants);
    });
  };
  unique('materials', plan.materials);
  unique('pots', plan.pots);
  unique('idea.colours', plan.idea.colours);
  unique('moulding.moulds', plan.moulding.moulds);
  unique('embeds', plan.embeds);
  unique('base.liquid.parts', plan.base.liquid.parts);
  rows('base.oils', plan.base.oils, 'oil');
  rows('base.additives', plan.base.additives, 'dosed');
  if (plan.base.scent) rows('base.scent.parts', plan.base.scent.parts, 'scent');
  rows('lines', plan.lines, 'dosed');
  plan.embeds.forEach((e, i) => {
    unique(`embeds.${i}.parts`, e.parts);
    e.parts.forEach((part, n) => {
      rows(`embeds.${i}.parts.${n}.doses`, part.doses, 'dosed');
    });
    if (e.dusting) refer(`embeds.${i}.dusting.materialId`, e.dusting.materialId, 'dosed');
  });
  if (plan.work.carrierOil !== null) refer('work.carrierOil', plan.work.carrierOil, 'oil');
  const colours = new Set(plan.idea.colours.map((c) => c.id));
  const pots = new Set(plan.pots.map((p) => p.id));
  const potAt = (path: string, id: string): void => {
    if (!pots.has(id)) add('unknown-pot', path, `There is no pot "${id}"`);
  };
  const { layers, twins } = plan.idea.design;
  unique('idea.design.layers', layers);
  const inLayers = new Set<string>();
  layers.forEach((l, i) => {
    l.pots.forEach((id, n) => {
      const path = `idea.design.layers.${i}.pots.${n}`;
      potAt(path, id);
      if (inLayers.has(id)) add('duplicate-id', path, `The pot "${id}" lies in a layer twice`);
      inLayers.add(id);
    });
  });
  twins.forEach((t, i) => {
    potAt(`idea.design.twins.${i}.a`, t.a);
    potAt(`idea.design.twins.${i}.b`, t.b);
  });
  const { pour, day } = plan.work;
  const moves = pour.moves ?? [];
  unique('work.pour.moves', moves);
  moves.forEach((m, i) => {
    if (m.potId !== null) potAt(`work.pour.moves.${i}.potId`, m.potId);
    if (m.into !== null) potAt(`work.pour.moves.${i}.into`, m.into);
  });
  unique('work.day.added', day.added);
  day.held.forEach((id, i) => {
    potAt(`work.day.held.${i}`, id);
  });
  plan.pots.forEach((pot, p) => {
    if (pot.follows !== null && !colours.has(pot.follows))
      add('unknown-colour', `pots.${p}.follows`, `The palette holds no colour "${pot.follows}"`);
    rows(`pots.${p}.doses`, pot.doses, 'dosed');
    rows(`pots.${p}.ownOils`, pot.ownOils, 'oil');
    unique(`pots.${p}.draws`, pot.draws);
    pot.draws.forEach((d, i) => {
      if (d.from !== null && !pots.has(d.from))
        add('unknown-pot', `pots.${p}.draws.${i}.from`, `There is no pot "${d.from}" to draw from`);
    });
  });
  return problems;
}
