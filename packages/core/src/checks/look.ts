import { deltaE00 } from '../colour/deltaE00.ts';
import { chromaOf, type LabD65 } from '../colour/lab.ts';
import { isCarbon, isWhitener, type Material, type MaterialKind } from '../material/material.ts';
import { predictLab } from '../pigment/mixer.ts';
import { cured } from '../pigment/stage.ts';
import { blendedLab, MUD_BELOW } from '../palette/mud.ts';
import { areTwins } from '../plan/design.ts';
import { changeScent, setDose, setPot, setTwins } from '../plan/edit/index.ts';
import { materialOf, type Pot } from '../plan/plan.ts';
import { gramsPerKg } from '../units/quantity.ts';
import { stabiliserFor } from '../material/browning.ts';
import { type Check, type PlanFacts, type Repair } from './check.ts';

/** Pots that can be seen in the bar. */
const meeting = ({ plan, flow }: PlanFacts): readonly Pot[] =>
  plan.pots.filter((p) => flow.pots.some((f) => f.pot.id === p.id && f.left > 0) && p.place !== 'spare');

/** Touching pots that are too near each other for the technique, or only too near in lightness. */
export function checkReadsAsOne(facts: PlanFacts): Check[] {
  const { design } = facts.plan.idea;
  return facts.touching.flatMap(({ a, b, technique }): Check[] => {
    if (!technique || areTwins(design, a.id, b.id)) return [];
    const [one, two] = [facts.looks.get(a.id)!.cured, facts.looks.get(b.id)!.cured];
    const deltaE = deltaE00(one, two);
    const deltaL = Math.abs(one[0] - two[0]);
    const merges = deltaE < technique.apart;
    if (!merges && deltaL >= technique.apartL) return [];
    const name = technique.name.toLowerCase();
    const white = whiteCanLieBetween(facts, a, b);
    return [
      {
        id: 'reads-as-one',
        level: 'warn',
        place: { at: 'pot', potId: a.id },
        sentence: merges
          ? `${a.name} and ${b.name} will read as one in ${name}.`
          : `${a.name} and ${b.name} differ in hue but are about as light: fine strokes of ${name} blur.`,
        arithmetic: `ΔE00 ${facts.print.number(deltaE, 1)} of ${facts.print.number(technique.apart, 1)} needed${technique.apartL > 0 ? `, ΔL* ${facts.print.number(deltaL, 1)} of ${facts.print.number(technique.apartL, 1)}` : ''}`,
        remedy: merges
          ? `Make one of them lighter or deeper${white ? ', or put white between them' : ''}.`
          : 'Make one of them clearly lighter or darker.',
        repairs: merges
          ? [{ label: 'They are meant to be the same', apply: (p) => setTwins(p, a.id, b.id, true) }]
          : [],
      },
    ];
  });
}

/** Whether something could be poured between two pots: layers and sections that lie in a row, and are not dragged together. */
const whiteCanLieBetween = ({ touching }: PlanFacts, a: Pot, b: Pot): boolean =>
  touching.some((t) => t.a === a && t.b === b && !t.mixed) && a.place === b.place;

/** All pots within this of L* leave the bar flat. */
export const FLAT_WITHIN = 12;

/** Tells of a design whose pots all lie within 12 L* of each other, cured: in grey it is one surface. */
export function checkValueFlat(facts: PlanFacts): Check[] {
  const pots = meeting(facts);
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

/** Pairs that lose most of their colour where the technique works them into each other. */
export function checkMud(facts: PlanFacts): Check[] {
  return facts.touching
    .filter((t) => t.mixed)
    .flatMap(({ a, b }): Check[] => {
      const ends: readonly LabD65[] = [facts.looks.get(a.id)!.cured, facts.looks.get(b.id)!.cured];
      const { index, mud, lab } = blendedLab(
        facts.looks.get(a.id)!.composition,
        facts.looks.get(b.id)!.composition,
        ends,
        cured(facts.gel.gel),
      );
      if (!mud) return [];
      return [
        {
          id: 'mud',
          level: 'warn',
          place: { at: 'pot', potId: a.id },
          sentence: `${a.name} and ${b.name} turn to mud where they are overworked.`,
          arithmetic: `an even blend keeps ${facts.print.percent(index * 100, 0)} of their chroma${index < MUD_BELOW ? '' : `, C* ${facts.print.number(chromaOf(lab), 0)}, in a hue that neither has`}`,
          remedy: 'Work them less, or choose neighbours on the wheel.',
        },
      ];
    });
}

/** A pot meant white that is up by this in b*, or down by this in L*, has tanned. */
export const TAN_WARN = { b: 4, L: 3 } as const;
/** A pot whose own colour moves its white by more than this is not meant white, ΔE00. */
const TINTED = 6;
const COLOURED: readonly MaterialKind[] = ['pigment', 'mica', 'fluorescent', 'dye', 'botanical', 'clay'];

/**
 * A pot meant white that its scent, milk, clay or the powders of the whole batch bring up. Measured against what its
 * own oils and whiteners would give without them: a tinted base is a canvas, not a tan, and silences nothing.
 */
export const checkWhiteWillTan = (facts: PlanFacts): Check[] =>
  facts.plan.pots.flatMap((pot): Check[] => {
    const held = facts.held.get(pot.id)!;
    if (!held.some((h) => isWhitener(h.material))) return [];
    const looks = facts.looks.get(pot.id)!;
    const { canvas, parts } = looks.composition;
    const stage = cured(facts.gel.gel);
    const optics = new Map(held.map((h) => [h.material.optics, h.material]));
    const whitener = (p: (typeof parts)[number]): boolean => {
      const m = optics.get(p.optics);
      return m !== undefined && isWhitener(m);
    };
    // Its own colour and that of the pots it is drawn from; what the whole batch has is no choice of this pot.
    const ownColour = (p: (typeof parts)[number]): boolean => {
      const m = optics.get(p.optics);
      return (
        m !== undefined &&
        COLOURED.includes(m.kind) &&
        !facts.plan.base.additives.some((a) => a.materialId === m.id)
      );
    };
    const bare = { ...canvas, scent: null, milk: 0 };
    const whites = parts.filter(whitener);
    const meant = predictLab(bare, whites, stage);
    const own = parts.filter((p) => whitener(p) || ownColour(p));
    const tinted = predictLab(bare, own, stage);
    if (deltaE00(meant, tinted) > TINTED) return [];
    // What the maker put into this pot is how white it is meant.
    const rise = looks.cured[2] - tinted[2];
    const fall = tinted[0] - looks.cured[0];
    if (rise <= TAN_WARN.b && fall <= TAN_WARN.L) return [];
    const shift = (from: Partial<typeof canvas>, with_ = own): string => {
      const lab = predictLab({ ...bare, ...from }, with_, stage);
      return `b* ${facts.print.number(lab[2] - tinted[2], 1)}, L* ${facts.print.number(lab[0] - tinted[0], 1)}`;
    };
    const { milk, scent } = canvas;
    const causes = [
      ...(scent ? [`scent ${shift({ scent })}`] : []),
      ...(milk > 0 ? [`milk ${shift({ milk })}`] : []),
      ...(parts.length > own.length ? [`powders and clay ${shift({}, [...parts])}`] : []),
    ];
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
        arithmetic: `at cure b* up by ${facts.print.number(rise, 1)}, L* down by ${facts.print.number(fall, 1)}: ${causes.join('; ')}`,
        remedy: 'Leave scent out, add stabiliser, or more white within its ceiling.',
        repairs,
      },
    ];
  });

const PALE = 82;

/** Pots that a pot touches. */
const neighbours = ({ touching }: PlanFacts, pot: Pot): readonly Pot[] =>
  touching.flatMap(({ a, b }) => (a === pot ? [b] : b === pot ? [a] : []));

/** Pale pots that a pot touches. */
const paleBeside = (facts: PlanFacts, pot: Pot): readonly Pot[] =>
  neighbours(facts, pot).filter((p) => facts.looks.get(p.id)!.cured[0] >= PALE);

/** A migrating dye that touches a pale pot. */
export const checkBleeds = (facts: PlanFacts): Check[] =>
  facts.plan.pots.flatMap((pot): Check[] => {
    const runner = facts.held
      .get(pot.id)!
      .find(({ material: m }) => m.cautions.includes('bleeds') && !isCarbon(m));
    const beside = runner ? paleBeside(facts, pot) : [];
    if (!runner || beside.length === 0) return [];
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

/** A pot is clearly the darkest where all it touches are lighter by this in L*. */
export const CLEARLY_DARKER = 10;
/** A colour that black beside it is there to set off. */
const BRIGHT = { chroma: 35, L: 50 } as const;

/** Bright pots that a pot touches: black dust dulls them too. */
const brightBeside = (facts: PlanFacts, pot: Pot): readonly Pot[] =>
  neighbours(facts, pot).filter((p) => {
    const lab = facts.looks.get(p.id)!.cured;
    return chromaOf(lab) >= BRIGHT.chroma && lab[0] >= BRIGHT.L;
  });

/** The least of a pot's own black with which it is still clearly darker than all it touches; null for none. */
function leastBlack(facts: PlanFacts, pot: Pot, black: Material): Repair | null {
  const row = pot.doses.find((d) => d.materialId === black.id);
  const looks = facts.looks.get(pot.id)!;
  const at = looks.composition.parts.findIndex((p) => p.optics === black.optics);
  const beside = neighbours(facts, pot);
  if (!row || at < 0 || beside.length === 0) return null;
  const doses = looks.composition.parts.map((p) => p.dose);
  const inherited = doses[at]! - row.dose;
  const lightness = (own: number): number =>
    looks.at(doses.map((d, i) => (i === at ? inherited + own : d)))[0];
  const wanted = Math.min(...beside.map((p) => facts.looks.get(p.id)!.cured[0])) - CLEARLY_DARKER;
  if (lightness(row.dose) > wanted) return null;
  let [low, high] = [0, row.dose as number];
  for (let n = 0; n < 30; n++) {
    const middle = (low + high) / 2;
    if (lightness(middle) <= wanted) high = middle;
    else low = middle;
  }
  const dose = Math.ceil(high * 100) / 100;
  if (dose >= row.dose) return null;
  return {
    label: `Set ${facts.print.number(dose, 2)} g/kg: still clearly the darkest`,
    apply: (p) => setDose(p, pot.id, row.id, { dose: gramsPerKg(dose) }),
  };
}

/** Carbon above its typical dose, or a sieved line of it, next to white: the wire drags it across the cut. */
export function checkSmears(facts: PlanFacts): Check[] {
  const { plan, print } = facts;
  const remedy = 'Cut from the side, and wipe the wire between cuts.';
  const pots = plan.pots.flatMap((pot): Check[] => {
    const carbon = facts.held
      .get(pot.id)!
      .find((h) => isCarbon(h.material) && h.dose > (h.material.window?.typical ?? Infinity) + 1e-9);
    const beside = carbon ? [...new Set([...paleBeside(facts, pot), ...brightBeside(facts, pot)])] : [];
    if (!carbon || beside.length === 0) return [];
    const least = leastBlack(facts, pot, carbon.material);
    return [
      {
        id: 'smears',
        level: 'warn',
        place: { at: 'pot', potId: pot.id },
        sentence: `${carbon.material.name} in ${pot.name} smears over ${beside.map((b) => b.name).join(', ')} at the cut.`,
        arithmetic: `${print.number(carbon.dose, 1)} g/kg, more than ${print.number(carbon.material.window!.typical, 1)}`,
        remedy: least ? `${remedy} Or use the least that is still clearly the darkest.` : remedy,
        repairs: least ? [least] : [],
      },
    ];
  });
  const pale = plan.pots.filter((p) => p.place !== 'spare' && facts.looks.get(p.id)!.cured[0] >= PALE);
  const line = plan.lines.find((l) => l.gramsPerDm2 > 0 && isCarbon(materialOf(plan, l.materialId)));
  if (!line || pale.length === 0) return pots;
  return [
    ...pots,
    {
      id: 'smears',
      level: 'warn',
      place: { at: 'embeds' },
      sentence: `The line of ${materialOf(plan, line.materialId).name} smears over ${pale.map((p) => p.name).join(', ')} at the cut.`,
      arithmetic: `${print.number(line.gramsPerDm2, 2)} g/dm² beside L* of ${PALE} or more`,
      remedy,
    },
  ];
}

/** Vanillin of a pot from which the brown creeps into a white beside it, g per kg oils. */
export const CREEPS_FROM = 1.5;

/** A pot of much vanillin that touches an unscented white. */
export function checkScentCreeps(facts: PlanFacts): Check[] {
  const { plan, flow, blend, print } = facts;
  if (!blend) return [];
  const at = flow.ledger.at('scent');
  const vanillin = new Map(
    flow.pots.map((p) => [p.pot.id, p.oils > 0 ? (p.contents[at]! * 1000 * blend.vanillin) / p.oils : 0]),
  );
  return plan.pots.flatMap((pot): Check[] => {
    const much = vanillin.get(pot.id) ?? 0;
    if (much < CREEPS_FROM - 1e-9) return [];
    const white = paleBeside(facts, pot).filter((p) => (vanillin.get(p.id) ?? 0) === 0);
    if (white.length === 0) return [];
    return [
      {
        id: 'scent-creeps',
        level: 'tip',
        place: { at: 'pot', potId: pot.id },
        sentence: `The brown of the scent in ${pot.name} creeps into ${white.map((p) => p.name).join(', ')} over weeks to months; fine swirls lose their white first.`,
        arithmetic: `${print.number(much, 1)} g of vanillin per kg oils, from ${print.number(CREEPS_FROM, 1)} on`,
        remedy: 'Keep white strokes broad, or put a colour between them.',
      },
    ];
  });
}
