import { type Material } from '../../material/material.ts';
import { type Plan, type Pot } from '../../plan/plan.ts';
import { setDose } from '../../plan/edit/index.ts';
import { gramsPerKg } from '../../units/quantity.ts';
import { type Cause, ramp, standsOn } from '../cause.ts';
import { type BatchFacts, heldIn } from '../facts.ts';
import { dissolves, has, names } from './doses.ts';

/** All doses of a material in some pots, times a factor. */
const dosed =
  (pots: readonly Pot[], is: (m: Material) => boolean, factor: number) =>
  (plan: Plan): Plan =>
    pots.reduce((p, { id }) => {
      const pot = p.pots.find((x) => x.id === id);
      const rows = pot?.doses.filter((d) => is(p.materials.find((m) => m.id === d.materialId)!)) ?? [];
      return rows.reduce((q, d) => setDose(q, id, d.id, { dose: gramsPerKg(d.dose * factor) }), p);
    }, plan);

const overCeiling = (f: BatchFacts, pots: readonly Pot[], is: (m: Material) => boolean) =>
  heldIn(f, pots, is).filter((h) => h.material.window && h.dose > h.material.window.ceiling);

/** ΔE00 that it falls short by, or what went in of what was planned. */
const lessThanPlanned = (f: BatchFacts, pots: readonly Pot[]) =>
  pots.flatMap((pot) => {
    const planned = f.planned.pots.find((p) => p.id === pot.id);
    if (!planned) return [];
    return planned.doses.flatMap((d) => {
      const material = f.planned.materials.find((m) => m.id === d.materialId)!;
      const is = (f.held.get(pot.id) ?? []).find((h) => h.material.id === d.materialId)?.dose ?? 0;
      return material.optics && d.dose > 0 && is < d.dose * 0.85
        ? [{ material, pot, part: is / d.dose }]
        : [];
    });
  });

/** What makes a colour weaker than planned, another one, or one that comes off. */
export const turnedCauses: readonly Cause[] = [
  {
    id: 'fading-colour',
    faults: ['faded', 'changed'],
    title: 'A colourant that does not last has faded.',
    evidence: (f, pots) => {
      const fading = heldIn(f, pots, has('fades'));
      return [
        standsOn(fading.length > 0 ? 0.9 : 0, `${names(fading)} fades`, 'nothing in it is known to fade'),
      ];
    },
    next: () => [{ text: 'Cure in the dark, use more of it, or an oxide in its place.' }],
  },
  {
    id: 'less-went-in',
    faults: ['faded'],
    title: 'Less colour went in than was planned.',
    evidence: (f, pots) => {
      const less = lessThanPlanned(f, pots);
      return [
        standsOn(
          less.length > 0 ? ramp(Math.min(...less.map((l) => l.part)), 0.9, 0.5) : 0,
          less
            .map(
              (l) => `${l.material.name} in ${l.pot.name}: ${f.print.percent(l.part * 100, 0)} of the plan`,
            )
            .join('; '),
          'the log says that all of it went in',
        ),
      ];
    },
    next: () => [{ text: 'Empty the cup, or plan what was really used.' }],
  },
  {
    id: 'did-not-gel',
    faults: ['faded', 'changed'],
    title: 'It did not gel, and was planned gelled: paler and milkier.',
    evidence: (f) => [
      standsOn(
        f.gelSeen === 0 && f.gel.gel === 1 ? 0.9 : 0,
        'no gel was seen at the cut, and the plan counts on it',
        f.gelSeen === null ? 'nobody noted whether it gelled' : 'it gelled as the plan has it',
      ),
    ],
    next: () => [
      {
        text: 'Force the gel: keep it warm, or use an oven that is switched off.',
        apply: (plan) => ({ ...plan, work: { ...plan.work, heat: 'force' } }),
      },
      { text: 'Or plan it ungelled, and match the colours so.' },
    ],
  },
  {
    id: 'gelled-unplanned',
    faults: ['changed', 'bleed'],
    title: 'It gelled, and was planned ungelled: deeper and clearer.',
    evidence: (f) => [
      standsOn(
        f.gelSeen === 1 && f.gel.gel === 0 ? 0.9 : 0,
        'gel was seen at the cut, and the plan counts on none',
        f.gelSeen === null ? 'nobody noted whether it gelled' : 'it did what the plan has',
      ),
    ],
    next: () => [
      {
        text: 'Prevent the gel: cool mould, uncovered, into the cold.',
        apply: (plan) => ({
          ...plan,
          work: {
            ...plan.work,
            heat: 'prevent',
            finish: plan.work.finish.filter((x) => x !== 'oven' && x !== 'insulate'),
          },
        }),
      },
    ],
  },
  {
    id: 'lye-turned-it',
    faults: ['changed', 'faded'],
    title: 'A colourant does not live through lye.',
    evidence: (f, pots) => {
      const turned = heldIn(f, pots, (m) => has('alkali-unstable')(m) || has('alkali-shift')(m));
      const gone = turned.some((t) => has('alkali-unstable')(t.material));
      return [
        standsOn(
          turned.length > 0 ? (gone ? 1 : 0.7) : 0,
          `${names(turned)} ${gone ? 'does not survive lye' : 'shifts in alkali'}`,
          'everything in it bears lye',
        ),
      ];
    },
    next: () => [{ text: 'Take a pigment that bears lye: oxide, ultramarine, mica on titanium dioxide.' }],
  },
  {
    id: 'acid-on-ultramarine',
    faults: ['changed', 'faded'],
    title: 'Acid took the colour of an ultramarine.',
    evidence: (f, pots) => {
      const blue = heldIn(f, pots, (m) => /\b77007\b/.test(m.colourIndex));
      const acid = [...f.plan.base.additives, ...pots.flatMap((p) => p.doses)].flatMap((a) => {
        const m = f.plan.materials.find((x) => x.id === a.materialId)!;
        return m.lyeDemand > 0 && a.dose > 0 ? [m.name] : [];
      });
      const sour = f.plan.base.liquid.parts.filter(
        (p) => p.percent > 0 && (p.kind === 'beer' || p.kind === 'puree'),
      );
      const sources = [...acid, ...sour.map((p) => p.name)];
      return [
        standsOn(
          blue.length > 0 && sources.length > 0 ? 0.8 : 0,
          `${names(blue)} with ${sources.join(', ')}`,
          blue.length > 0 ? 'no acid went in' : 'no ultramarine is in it',
        ),
      ];
    },
    next: () => [{ text: 'Keep acids out of this pot; take water for its cup.' }],
  },
  {
    id: 'another-cup',
    faults: ['changed', 'pleasing'],
    title: 'Colour of another pot went into it.',
    evidence: (f, pots) => {
      const other = f.said.filter(
        (e) =>
          e.kind === 'added' && pots.some((p) => p.id === e.potId) && !e.target.startsWith(`${e.potId}:`),
      );
      return [
        standsOn(
          other.length > 0 ? 1 : 0,
          `the log has ${other.length === 1 ? 'a cup' : `${other.length} cups`} of another pot in it`,
          'no cup of another pot was logged into it',
        ),
      ];
    },
    next: () => [{ text: 'Make it again as it was made: the version holds what went in.' }],
  },
  {
    id: 'mixed-at-the-bench',
    faults: ['pleasing'],
    title: 'Batter of several pots came together at the bench.',
    evidence: (f) => {
      const took = f.said.filter((e) => e.kind === 'took');
      return [
        standsOn(
          took.length > 0 ? 0.9 : 0,
          'the log has batter poured from pot to pot',
          'no batter was logged from pot to pot',
        ),
      ];
    },
    next: () => [{ text: 'Make it again as it was made: the version holds what went where.' }],
  },
  {
    id: 'still-fresh',
    faults: ['changed', 'faded'],
    title: 'It has not settled yet: some colours come back within days.',
    evidence: (f, pots) => {
      const shifting = heldIn(f, pots, (m) => m.looks.fresh !== null);
      return [
        standsOn(
          shifting.length > 0 && f.cutAfter === null ? 0.7 : 0,
          `${names(shifting)} looks otherwise in fresh batter`,
          'nothing in it misleads while it is fresh, or it was cut days ago',
        ),
      ];
    },
    next: () => [{ text: 'Read it again after a week before anything is changed.' }],
  },
  {
    id: 'stains-above-ceiling',
    faults: ['lather-colour'],
    title: 'There is more of a colourant in it than washes off clean.',
    evidence: (f, pots) => {
      const over = overCeiling(f, pots, (m) => m.optics !== null);
      return [
        standsOn(
          over.length > 0 ? 1 : 0,
          over
            .map(
              (h) =>
                `${h.material.name} in ${h.pot.name}: ${f.print.number(h.dose, 1)} g/kg, ceiling ${f.print.number(h.material.window!.ceiling, 1)}`,
            )
            .join('; '),
          'every dose is below its ceiling',
        ),
      ];
    },
    next: (f, pots) => [
      {
        text: 'Halve what stands above its ceiling.',
        apply: (plan) => {
          const over = new Set(overCeiling(f, pots, (m) => m.optics !== null).map((h) => h.material.id));
          return dosed(pots, (m) => over.has(m.id), 0.5)(plan);
        },
      },
    ],
  },
  {
    id: 'dye-in-lather',
    faults: ['lather-colour'],
    title: 'A dye dissolves in the lather.',
    evidence: (f, pots) => {
      const dyes = heldIn(f, pots, dissolves);
      return [
        standsOn(dyes.length > 0 ? 0.9 : 0, `${names(dyes)} dissolves`, 'no dye that dissolves is in it'),
      ];
    },
    next: () => [{ text: 'Use a pigment or a mica in its place.' }],
  },
];
