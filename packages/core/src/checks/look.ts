import { chromaOf, type LabD65 } from '../colour/lab.ts';
import { referenceCanvas } from '../pigment/canvas.ts';
import { isCarbon, isWhitener } from '../material/material.ts';
import { predictLab } from '../pigment/mixer.ts';
import { cured } from '../pigment/stage.ts';
import { checkApart, touchingPairs } from '../palette/apart.ts';
import { blendedLab, MUD_BELOW } from '../palette/mud.ts';
import { type Technique, techniqueById } from '../palette/technique.ts';
import { changeScent, setPot } from '../plan/edit/index.ts';
import { type Pot } from '../plan/plan.ts';
import { stabiliserFor } from '../material/browning.ts';
import { type Check, type PlanFacts, type Repair } from './check.ts';

/** Pots that meet in the bar: as the technique brings them together, or neighbours while none is chosen. */
function meeting({ plan, flow }: PlanFacts): {
  readonly pots: readonly Pot[];
  readonly technique: Technique | null;
} {
  return {
    pots: plan.pots.filter(
      (p) => flow.pots.some((f) => f.pot.id === p.id && f.left > 0) && p.place !== 'spare',
    ),
    technique: techniqueById(plan.idea.technique),
  };
}

const neighbours = (count: number): (readonly [number, number])[] =>
  Array.from({ length: Math.max(0, count - 1) }, (_, i) => [i, i + 1] as const);

/** Touching pots that are too near each other for the technique. */
export function checkReadsAsOne(facts: PlanFacts): Check[] {
  const { pots, technique } = meeting(facts);
  if (!technique || pots.length < 2) return [];
  const labs = pots.map((p) => facts.looks.get(p.id)!.cured);
  return checkApart(labs, technique)
    .filter((pair) => !pair.apart)
    .map(({ i, j, deltaE, deltaL }) => ({
      id: 'reads-as-one',
      level: 'warn',
      place: { at: 'pot', potId: pots[i]!.id },
      sentence: `${pots[i]!.name} and ${pots[j]!.name} will read as one in ${technique.name.toLowerCase()}.`,
      arithmetic: `ΔE00 ${facts.print.number(deltaE, 1)} of ${facts.print.number(technique.apart, 1)} needed${technique.apartL > 0 ? `, ΔL* ${facts.print.number(deltaL, 1)} of ${facts.print.number(technique.apartL, 1)}` : ''}`,
      remedy: 'Make one of them lighter or deeper, or put white between them.',
    }));
}

/** All pots within this of L* leave the bar flat. */
export const FLAT_WITHIN = 12;

/** Tells of a design whose pots all lie within 12 L* of each other, cured: in grey it is one surface. */
export function checkValueFlat(facts: PlanFacts): Check[] {
  const { pots } = meeting(facts);
  if (pots.length < 2) return [];
  const values = pots.map((p) => facts.looks.get(p.id)!.cured[0]);
  const span = Math.max(...values) - Math.min(...values);
  if (span > FLAT_WITHIN) return [];
  return [
    {
      id: 'value-flat',
      level: 'tip',
      place: { at: 'pots' },
      sentence: 'All pots are about as light as each other: the bar will look flat in grey.',
      arithmetic: `L* from ${facts.print.number(Math.min(...values), 0)} to ${facts.print.number(Math.max(...values), 0)}, a span of ${facts.print.number(span, 1)}`,
      remedy: 'Make one pot clearly lighter or darker.',
    },
  ];
}

/** Pairs that lose most of their colour where they are worked into each other. */
export function checkMud(facts: PlanFacts): Check[] {
  const { pots, technique } = meeting(facts);
  if (!technique?.mixes) return [];
  return touchingPairs(pots.length, technique).flatMap(([i, j]): Check[] => {
    const [a, b] = [pots[i]!, pots[j]!];
    const ends: readonly LabD65[] = [facts.looks.get(a.id)!.cured, facts.looks.get(b.id)!.cured];
    const { index } = blendedLab(
      facts.looks.get(a.id)!.composition,
      facts.looks.get(b.id)!.composition,
      ends,
      cured(facts.gel.gel),
    );
    if (index >= MUD_BELOW) return [];
    return [
      {
        id: 'mud',
        level: 'warn',
        place: { at: 'pot', potId: a.id },
        sentence: `${a.name} and ${b.name} turn to mud where they are overworked.`,
        arithmetic: `an even blend keeps ${facts.print.percent(index * 100, 0)} of their chroma`,
        remedy: 'Keep white between them, or work them less.',
      },
    ];
  });
}

/** A white pot further up than this in b* has tanned. */
export const TAN_WARN = 4;
const WHITE = { lightness: 82, chroma: 14 } as const;

/** A pot meant white that its scent, milk or oils bring up. */
export const checkWhiteWillTan = (facts: PlanFacts): Check[] =>
  facts.plan.pots.flatMap((pot): Check[] => {
    if (!facts.held.get(pot.id)!.some((h) => isWhitener(h.material))) return [];
    const looks = facts.looks.get(pot.id)!;
    const { canvas, parts } = looks.composition;
    const meant = looks.meant();
    if (meant[0] < WHITE.lightness || chromaOf(meant) > WHITE.chroma) return [];
    const rise = looks.cured[2] - meant[2];
    if (rise <= TAN_WARN) return [];
    const from = (part: Partial<typeof canvas>): number =>
      predictLab({ ...referenceCanvas, ...part }, parts, cured(facts.gel.gel))[2] - meant[2];
    const { milk, scent, carotenoid, chlorophyll, brown } = canvas;
    const causes = [
      ['scent', scent ? from({ scent }) : 0],
      ['milk', milk > 0 ? from({ milk }) : 0],
      ['oils', from({ carotenoid, chlorophyll, brown })],
    ] as const;
    const repairs: Repair[] = [];
    if (scent && pot.scented)
      repairs.push({
        label: 'Leave the scent out of this pot',
        apply: (p) => setPot(p, pot.id, { scented: false }),
      });
    const wanted = stabiliserFor(facts.blend?.vanillin ?? 0);
    if (scent && wanted > 0 && scent.stabilised < 1)
      repairs.push({
        label: 'Add vanillin stabiliser',
        apply: (p) => changeScent(p, { stabiliser: wanted }),
      });
    return [
      {
        id: 'white-will-tan',
        level: 'warn',
        place: { at: 'pot', potId: pot.id },
        sentence: `${pot.name} is meant white and will tan.`,
        arithmetic: `b* up by ${facts.print.number(rise, 1)} at cure: ${causes
          .filter(([, v]) => v > 0.3)
          .map(([name, v]) => `${name} ${facts.print.number(v, 1)}`)
          .join(', ')}`,
        remedy: 'Leave scent out, add stabiliser, choose paler oils, or more white within its ceiling.',
        repairs,
      },
    ];
  });

const PALE = 82;

/** A migrating dye, or heavy carbon, that touches a pale pot. */
export function checkBleeds(facts: PlanFacts): Check[] {
  const { pots, technique } = meeting(facts);
  const pairs = technique ? touchingPairs(pots.length, technique) : neighbours(pots.length);
  const pale = (p: Pot): boolean => facts.looks.get(p.id)!.cured[0] >= PALE;
  const runs = new Map(
    pots.map((p) => [
      p.id,
      facts.held
        .get(p.id)!
        .find(
          ({ material: m, dose }) =>
            (m.cautions.includes('bleeds') && !isCarbon(m)) ||
            (isCarbon(m) && dose > (m.window?.typical ?? Infinity) + 1e-9),
        ),
    ]),
  );
  return pots.flatMap((pot): Check[] => {
    const runner = runs.get(pot.id);
    if (!runner) return [];
    const beside = pairs
      .flatMap(([i, j]) => (pots[i] === pot ? [pots[j]!] : pots[j] === pot ? [pots[i]!] : []))
      .filter(pale);
    if (beside.length === 0) return [];
    return [
      {
        id: 'bleeds',
        level: 'warn',
        place: { at: 'pot', potId: pot.id },
        sentence: `${runner.material.name} in ${pot.name} bleeds into ${beside.map((b) => b.name).join(', ')}.`,
        arithmetic: `${facts.print.number(runner.dose, 1)} g/kg beside L* ${facts.print.number(facts.looks.get(beside[0]!.id)!.cured[0], 0)}`,
        remedy: 'Put a darker pot between them, use less, or choose a colourant that stays.',
      },
    ];
  });
}
