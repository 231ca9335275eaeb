import { type Material } from '../material/material.ts';
import { type Optics } from '../pigment/optics.ts';
import { refreshMaterial, setLearntBase } from '../plan/edit/index.ts';
import { isBaseTold, sameLearntBase } from '../plan/learntBase.ts';
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

/** Whether two curves do the same to light; the arrays are compared by what decides a colour. */
function sameCurve(a: Optics | null, b: Optics | null): boolean {
  if (a === b || !a || !b) return a === b;
  const arrays = [
    [a.k, b.k],
    [a.s, b.s],
    [a.kUngelled, b.kUngelled],
    [a.fading?.lightEnd, b.fading?.lightEnd],
  ] as const;
  const rest = (o: Optics): string => JSON.stringify([o.saturation, o.emission, o.terms ?? null]);
  if (rest(a) !== rest(b)) return false;
  return arrays.every(([x, y]) => x === y || (x?.every((v, i) => v === y?.[i]) ?? !y));
}

/** What the shelf's curve stands on, where bars have told it. */
function curveText({ curve }: Material): string {
  if (curve?.origin.kind !== 'fitted') return 'colour curve';
  const { readings } = curve.origin;
  return `colour curve, now from ${readings === 1 ? 'one of your bars' : `${readings} of your bars`}`;
}

/** One material whose copy in the plan is not what the shelf has now. */
interface Differing {
  readonly copy: Material;
  readonly now: Material;
  readonly values: readonly Compared[];
  readonly curve: boolean;
}

/**
 * The shelf was corrected after a material came into the plan. Its copy keeps the old values, and with them the old
 * lye, until the maker takes the new ones. What keeps people safe is told by material, the rest in one. A batch that
 * is made stays as it was made.
 */
export function checkShelfDiffers({ plan, shelf, learnt, made, print }: PlanFacts): Check[] {
  if (made) return [];
  const all = plan.materials.flatMap((copy): Differing[] => {
    const now = shelf.get(copy.id);
    if (!now) return [];
    const values = COMPARED.filter((c) => c.text(copy, print) !== c.text(now, print));
    const curve = !sameCurve(copy.optics, now.optics);
    return values.length > 0 || curve ? [{ copy, now, values, curve }] : [];
  });
  const said = (d: Differing): string =>
    [...d.values.map((c) => c.what), ...(d.curve ? [curveText(d.now)] : [])].join(', ');
  const arithmetic = ({ copy, now, values }: Differing): string[] =>
    values.map((c) => `${c.what}: ${c.text(copy, print)} here, ${c.text(now, print)} on the shelf`);
  const remedy = 'Take the shelf’s values over, or keep what was planned.';
  const isGrave = (d: Differing): boolean => d.values.some((c) => c.level === 'warn');
  const grave = all.filter(isGrave).map((d): Check => ({
    id: 'shelf-differs',
    level: 'warn',
    place: placeOf(plan, d.copy),
    sentence: `The shelf has ${d.values.length + Number(d.curve) > 1 ? 'other values' : 'another value'} for ${d.copy.name} than this plan: ${said(d)}.`,
    arithmetic: arithmetic(d).join('; '),
    remedy,
    repairs: [{ label: 'Take the shelf’s values', apply: (p) => refreshMaterial(p, d.now) }],
  }));
  const slight = all.filter((d) => !isGrave(d));
  const newBase = !sameLearntBase(plan.base.learnt, learnt ?? undefined);
  if (slight.length === 0 && !newBase) return grave;
  const of = [...slight.map((d) => `${d.copy.name} (${said(d)})`), ...(newBase ? [baseText(learnt)] : [])];
  return [
    ...grave,
    {
      id: 'shelf-newer',
      level: 'tip',
      place: slight[0] ? placeOf(plan, slight[0].copy) : { at: 'oils' },
      sentence: `The shelf has other values than this plan for ${of.join('; ')}.`,
      arithmetic:
        slight.flatMap((d) => arithmetic(d).map((line) => `${d.copy.name}, ${line}`)).join('; ') ||
        'The plan keeps the curves that it was made with.',
      remedy,
      repairs: [
        {
          label: 'Take the shelf’s values',
          apply: (p) => slight.reduce((sum, d) => refreshMaterial(sum, d.now), setLearntBase(p, learnt)),
        },
      ],
    },
  ];
}

const baseText = (learnt: PlanFacts['learnt']): string =>
  learnt
    ? !isBaseTold(learnt)
      ? 'the bare base (how it gels, ages and browns, now from your batches)'
      : `the bare base (now from ${learnt.readings === 1 ? 'one of your bars' : `${learnt.readings} of your bars`})`
    : 'the bare base (the reference again)';

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
