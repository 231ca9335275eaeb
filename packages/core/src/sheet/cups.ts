import { type CarrierMedium, isEarly, isWeighedCarrier, type Material } from '../material/material.ts';
import { type Plan } from '../plan/plan.ts';
import { printSpoonSum } from '../units/print.ts';
import { type Measured } from '../units/measure.ts';
import { type Dispersion, dispersionWay, liquidName } from '../work/dispersion.ts';
import { type PrepPot, type PrepRow } from '../work/prep.ts';
import { materialCautions, powderCaution } from './cautions.ts';
import {
  bottleName,
  inSentence,
  jarName,
  jarsOf,
  listOf,
  NOTHING,
  numberOf,
  type SheetContext,
} from './context.ts';
import { group, line, section, type SheetGroup, type SheetLine, type SheetSection } from './sheet.ts';

/** A powder as it is measured: spoons, or grams by the scale. */
export const measuredText = (measured: Measured, print: SheetContext['print']): string =>
  measured.spoonSum
    ? `${printSpoonSum(measured.spoonSum)} (${print.number(measured.mass, 2)} g)`
    : `${print.weighed(measured.mass)} g`;

/** Jars that serve several pots, then a cup for each pot, numbered in the order of colouring. */
export function cupsSection(ctx: SheetContext): SheetSection | null {
  const { pots } = ctx;
  const jars = jarsOf(ctx).map((d) => jar(ctx, d));
  return section(
    'cups',
    'Cups: measure, wet and label before lye meets oil',
    [...jars, ...pots.map((p) => cup(ctx, p))],
    [...powderCaution(ctx), ...materialCautions(ctx)],
  );
}

/** The liquid of a dispersion by its name, with what it was infused with. */
const liquidOf = (
  plan: Plan,
  material: string,
  medium: CarrierMedium,
  fromBatch: boolean,
  potId?: string,
): string =>
  medium === 'infusion'
    ? `${liquidName(plan, 'oil', fromBatch, potId)} infused with ${material}`
    : liquidName(plan, medium, fromBatch, potId);

/** Where the liquid of a dispersion comes from. */
const sourceOf = (medium: string, fromBatch: boolean): string =>
  fromBatch
    ? medium === 'water'
      ? 'of the liquid kept for the cups'
      : 'of the oil kept for the cups'
    : 'beside the recipe';

function jar(ctx: SheetContext, d: Dispersion): SheetGroup | null {
  const { print, plan } = ctx;
  const key = `jar:${d.uses.map((u) => `${u.pot.id}:${u.rowId}`).join('+')}`;
  const { medium } = d.carrier;
  const infused = medium === 'infusion';
  return group(key, `${titled(jarName(ctx, d))}: ${d.material.name}`, [
    ...(infused ? [] : [line(`${key}:powder`, measuredText(d.measured, print), d.material.name)]),
    line(
      `${key}:liquid`,
      ctx.print.grams(d.liquid),
      liquidOf(plan, d.material.name, medium, d.fromBatch, d.uses[0]?.pot.id),
      {
        note: [
          sourceOf(medium, d.fromBatch),
          wayText(d.material, medium),
          `shared out: ${listOf(d.uses.map((u) => `${ctx.print.grams(u.mass)} into cup ${numberOf(ctx, u.pot)}`))}`,
        ].join('; '),
      },
    ),
  ]);
}

function wayText(material: Material, medium: CarrierMedium): string {
  const way = dispersionWay(material, medium);
  return way ? `${way.tool}, ${way.wait}. ${way.check}`.replace(/\.$/, '') : '';
}

function cup(ctx: SheetContext, p: PrepPot): SheetGroup | null {
  const { plan } = ctx;
  const { id } = p.pot;
  const lines = p.rows.flatMap((row) => rowLines(ctx, p, row));
  if (p.flow.evenedOil > NOTHING)
    lines.push(
      line(
        `evened:${id}`,
        ctx.print.grams(p.flow.evenedOil),
        liquidName(plan, 'oil', p.flow.evenedFromBatch, id),
        {
          note: `so that all cups carry as much; ${sourceOf('oil', p.flow.evenedFromBatch)}`,
        },
      ),
    );
  return group(`cup:${id}`, `Cup ${numberOf(ctx, p.pot)}: ${p.pot.name}`, lines, id);
}

/** The jar that a powder of a pot comes from. */
const jarOf = (ctx: SheetContext, p: PrepPot, row: PrepRow): Dispersion =>
  jarsOf(ctx).find((d) => d.uses.some((u) => u.pot.id === p.pot.id && u.rowId === row.row.id))!;

const titled = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

function rowLines(ctx: SheetContext, p: PrepPot, row: PrepRow): SheetLine[] {
  const { plan, print } = ctx;
  const { material, carrier } = row;
  const key = `dose:${p.pot.id}:${row.row.id}`;
  if (!(row.wanted > 0) || isEarly(carrier)) return [];
  if (row.drops !== null)
    return [
      line(
        key,
        print.number(row.drops, 0),
        `drops of the ${inSentence(bottleName(ctx, material, carrier!.medium))}`,
        {
          note: `${print.number(row.drops * (row.stockDrop ?? 0), 2)} g, of which ${print.number(row.measured.mass, 3)} g is powder`,
        },
      ),
    ];
  if (row.ofShared !== null)
    return [
      line(key, ctx.print.grams(row.ofShared), `out of ${jarName(ctx, jarOf(ctx, p, row))}`, {
        note: 'stir it up first',
      }),
    ];
  const amount = measuredText(row.measured, print);
  if (!carrier || !isWeighedCarrier(carrier.medium))
    return [
      line(key, amount, material.name, {
        note: carrier?.medium === 'top' ? 'dry, kept for the top' : 'dry, for the sieve',
      }),
    ];
  const infused = carrier.medium === 'infusion';
  const liquid = line(
    `${key}:liquid`,
    ctx.print.grams(row.carrierMass),
    liquidOf(plan, material.name, carrier.medium, row.fromBatch, p.pot.id),
    {
      note: `${sourceOf(carrier.medium, row.fromBatch)}${infused ? '' : `; ${wayText(material, carrier.medium)}`}`,
    },
  );
  const wet = row.carrierMass > NOTHING ? [liquid] : [];
  return infused ? wet : [line(key, amount, material.name), ...wet];
}
