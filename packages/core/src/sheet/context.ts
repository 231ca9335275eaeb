import { type CarrierMedium, type Material } from '../material/material.ts';
import { type Dispersion, liquidName } from '../work/dispersion.ts';
import { type EmbedFacts } from '../balance/embedFacts.ts';
import { barsOf } from '../balance/mould.ts';
import { type Flow } from '../balance/flow.ts';
import { type Plan, type Pot } from '../plan/plan.ts';
import { type Measuring } from '../units/measure.ts';
import { type Printer } from '../units/printer.ts';
import { type PrepPot, type PrepSheet } from '../work/prep.ts';
import { type WorkOrder } from '../work/order.ts';

/** What all sections of a sheet are written from. */
export interface SheetContext {
  readonly plan: Plan;
  readonly prep: PrepSheet;
  readonly flow: Flow;
  readonly print: Printer;
  readonly measuring: Measuring;
  readonly order: WorkOrder;
  /** Pots in the order of colouring: their numbers are those of the cups and labels. */
  readonly pots: readonly PrepPot[];
  /** A stop holds: no lye amount is told. */
  readonly stopped: boolean;
}

/** Less than this is not worth a line, g. */
export const NOTHING = 0.005;

/** Number of a pot's cup, from 1. */
export const numberOf = ({ pots }: SheetContext, pot: Pot): number =>
  pots.findIndex((p) => p.pot.id === pot.id) + 1;

/** A pot by its number and name, as its label has it: `2, Coral`. */
export const jugOf = (ctx: SheetContext, pot: Pot): string => `${numberOf(ctx, pot)}, ${pot.name}`;

/** A lye by the name of its batter. */
export const batterName = ({ plan }: SheetContext, potId: string | null): string =>
  potId === null ? 'The common batter' : (plan.pots.find((p) => p.id === potId)?.name ?? '');

/** A stock bottle by what is in it: `Bottle of Ultramarine blue in glycerin`. */
export const bottleName = ({ plan }: SheetContext, { name }: Material, medium: CarrierMedium): string =>
  `Bottle of ${name} in ${liquidName(plan, medium, false)}`;

/** Dispersions that are made once for several pots, in the order of their letters. */
export const jarsOf = ({ prep }: SheetContext): readonly Dispersion[] =>
  prep.dispersions.filter((d) => d.shared && !d.stock);

/** A jar by its letter: `jar B`. Two may hold the same powder in the same oil, of one batter and beside the recipe. */
export const jarName = (ctx: SheetContext, of: Dispersion): string =>
  `jar ${String.fromCharCode('A'.charCodeAt(0) + jarsOf(ctx).indexOf(of))}`;

/** A name in the middle of a sentence: its first letter small. */
export const inSentence = (name: string): string => name.charAt(0).toLowerCase() + name.slice(1);

/** `a, b and c`. */
export const listOf = (names: readonly string[]): string =>
  names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)!}`;

/** How pieces of an embed are shared out over the bars: `2 in each bar`, `8 of the 10 bars get one`. */
export function manyOf({ plan, print }: SheetContext, { embed }: EmbedFacts): string {
  const { pieces, perBar, shape } = embed;
  if (pieces === null) return `${print.number(perBar, 0)} in each bar`;
  const bars = barsOf(plan.moulding).count;
  if (bars === 0 || shape === 'rod' || shape === 'round-rod') return `${print.number(pieces, 0)} in all`;
  const least = Math.floor(pieces / bars);
  if (pieces % bars === 0) return `${print.number(least, 0)} in each bar`;
  return least === 0
    ? `${print.number(pieces, 0)} of the ${print.number(bars, 0)} bars get one`
    : `${print.number(least, 0)} or ${print.number(least + 1, 0)} in each bar`;
}
