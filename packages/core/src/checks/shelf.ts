import { type Material } from '../material/material.ts';
import { refreshMaterial } from '../plan/edit/index.ts';
import { type Plan } from '../plan/plan.ts';
import { type Printer } from '../units/printer.ts';
import { type Check, type CheckLevel, type CheckPlace, type PlanFacts } from './check.ts';

/** One value that the shelf and the plan's copy of a material may hold differently. */
interface Compared {
  readonly what: string;
  /** Values that keep people safe warn; the others are told quietly. */
  readonly level: CheckLevel;
  /** As people read it; equal texts mean equal values. */
  readonly text: (m: Material, print: Printer) => string;
}

const orNone = (value: number | null | undefined, say: (v: number) => string): string =>
  value == null ? 'none' : say(value);

const COMPARED: readonly Compared[] = [
  {
    what: 'saponification value',
    level: 'warn',
    text: (m, print) => orNone(m.oil?.sapKoh, (v) => `${print.number(v, 2)} mg KOH/g`),
  },
  { what: 'lye demand', level: 'warn', text: (m, print) => `${print.number(m.lyeDemand, 4)} g NaOH/g` },
  {
    what: 'limit',
    level: 'warn',
    text: (m, print) =>
      m.scent ? `${print.number(m.scent.limit, 2)} g/kg of ${m.scent.limitBasis}` : 'none',
  },
  { what: 'cautions', level: 'warn', text: (m) => [...m.cautions].sort().join(', ') || 'none' },
  { what: 'colour', level: 'tip', text: (m) => m.colour?.toLowerCase() ?? 'none' },
  {
    what: 'density',
    level: 'tip',
    text: (m, print) => orNone(m.bulkDensity, (v) => `${print.number(v, 3)} g/ml`),
  },
  {
    what: 'price',
    level: 'tip',
    text: (m, print) => orNone(m.pricePerGram, (v) => `${print.number(v, 4)} a gram`),
  },
];

/**
 * The shelf was corrected after a material came into the plan. Its copy keeps the old values, and with them the old
 * lye, until the maker takes the new ones. A batch that is made stays as it was made.
 */
export function checkShelfDiffers({ plan, shelf, made, print }: PlanFacts): Check[] {
  if (made) return [];
  return plan.materials.flatMap((copy): Check[] => {
    const now = shelf.get(copy.id);
    if (!now) return [];
    const differing = COMPARED.filter((c) => c.text(copy, print) !== c.text(now, print));
    if (differing.length === 0) return [];
    return [
      {
        id: 'shelf-differs',
        level: differing.some((c) => c.level === 'warn') ? 'warn' : 'tip',
        place: placeOf(plan, copy),
        sentence: `The shelf has ${differing.length > 1 ? 'other values' : 'another value'} for ${copy.name} than this plan: ${differing.map((c) => c.what).join(', ')}.`,
        arithmetic: differing
          .map((c) => `${c.what}: ${c.text(copy, print)} here, ${c.text(now, print)} on the shelf`)
          .join('; '),
        remedy: 'Take the shelf’s values over, or keep what was planned.',
        repairs: [{ label: 'Take the shelf’s values', apply: (p) => refreshMaterial(p, now) }],
      },
    ];
  });
}

/** Where a material stands in a plan: the first place that uses it. */
function placeOf(plan: Plan, material: Material): CheckPlace {
  if (material.oil) return { at: 'oils' };
  if (material.scent) return { at: 'scent' };
  for (const pot of plan.pots) {
    const row = pot.doses.find((d) => d.materialId === material.id);
    if (row) return { at: 'dose', potId: pot.id, rowId: row.id };
  }
  return plan.base.additives.some((a) => a.materialId === material.id)
    ? { at: 'additives' }
    : { at: 'embeds' };
}
