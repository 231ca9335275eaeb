import { isCarbon, type Material, potCarriers } from '../../material/material.ts';
import { milkShare } from '../../plan/liquid.ts';
import { type Plan, type Pot } from '../../plan/plan.ts';
import { setDose, setPot } from '../../plan/edit/index.ts';
import { gramsPerKg } from '../../units/quantity.ts';
import { type Cause, helps, ramp, speaksAgainst, standsOn } from '../cause.ts';
import { besidePot, type BatchFacts, heldIn, scentIn, vanillinIn } from '../facts.ts';

const has =
  (caution: Material['cautions'][number]) =>
  (m: Material): boolean =>
    m.cautions.includes(caution);
/** A dye that wanders; carbon is only dragged. */
const dissolves = (m: Material): boolean => has('bleeds')(m) && !isCarbon(m);
const names = (list: readonly { readonly material: Material }[]): string =>
  [...new Set(list.map((h) => h.material.name))].join(', ');
const potNames = (pots: readonly Pot[]): string => pots.map((p) => p.name).join(', ');
const isPowder = (m: Material): boolean =>
  m.kind === 'pigment' || m.kind === 'mica' || m.kind === 'fluorescent' || m.kind === 'dye';

/** All doses of a material in some pots, times a factor. */
const dosed =
  (pots: readonly Pot[], is: (m: Material) => boolean, factor: number) =>
  (plan: Plan): Plan =>
    pots.reduce((p, { id }) => {
      const pot = p.pots.find((x) => x.id === id);
      const rows = pot?.doses.filter((d) => is(p.materials.find((m) => m.id === d.materialId)!)) ?? [];
      return rows.reduce((q, d) => setDose(q, id, d.id, { dose: gramsPerKg(d.dose * factor) }), p);
    }, plan);

/** Doses of powders that got less liquid than wets them: nothing but a little, or none at all. */
const dryDoses = (f: BatchFacts, pots: readonly Pot[]) =>
  pots.flatMap((pot) =>
    pot.doses.flatMap((d) => {
      const material = f.plan.materials.find((m) => m.id === d.materialId)!;
      const usual = potCarriers(material).find((c) => c.ratio > 0)?.ratio ?? 0;
      const ratio = d.carrier?.ratio ?? 0;
      return isPowder(material) && usual > 0 && d.dose > 0 && ratio < usual * 0.75
        ? [{ material, pot, dose: d, usual, ratio }]
        : [];
    }),
  );

/** Doses that stand in a liquid which their powder does not wet in. */
const wrongLiquid = (f: BatchFacts, pots: readonly Pot[]) =>
  pots.flatMap((pot) =>
    pot.doses.flatMap((d) => {
      const material = f.plan.materials.find((m) => m.id === d.materialId)!;
      const known = potCarriers(material).map((c) => c.medium);
      const medium = d.carrier?.medium;
      const isOther = (medium === 'oil' || medium === 'water') && known.length > 0 && !known.includes(medium);
      return isPowder(material) && isOther ? [{ material, pot, medium }] : [];
    }),
  );

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

const BROWNING = 0.3;

export const colourCauses: readonly Cause[] = [
  {
    id: 'too-dry-a-paste',
    faults: ['specks', 'streaks'],
    title: 'A powder got too little liquid to be wetted through.',
    evidence: (f, pots) => {
      const dry = dryDoses(f, pots);
      return [
        standsOn(
          dry.length > 0 ? Math.max(...dry.map((d) => 1 - d.ratio / d.usual)) * 1.5 : 0,
          dry
            .map(
              (d) =>
                `${d.material.name} in ${d.pot.name}: ${f.print.number(d.ratio, 1)} parts of liquid, ${f.print.number(d.usual, 1)} wet it`,
            )
            .join('; '),
          'every powder had the liquid that it wants',
        ),
        helps(dry.some((d) => has('clumps')(d.material)) ? 0.5 : 0, 'it is one that clumps'),
      ];
    },
    next: (f, pots) => [
      {
        text: 'Give each powder the liquid that it wants.',
        apply: (plan) =>
          dryDoses(f, pots).reduce(
            (p, d) =>
              setDose(p, d.pot.id, d.dose.id, {
                carrier: potCarriers(d.material).find((c) => c.ratio > 0) ?? d.dose.carrier,
              }),
            plan,
          ),
      },
    ],
  },
  {
    id: 'wrong-liquid',
    faults: ['specks', 'streaks'],
    title: 'A powder was dispersed in a liquid that does not wet it.',
    evidence: (f, pots) => {
      const wrong = wrongLiquid(f, pots);
      return [
        standsOn(
          wrong.length > 0 ? 1 : 0,
          wrong.map((w) => `${w.material.name} in ${w.pot.name} stood in ${w.medium}`).join('; '),
          'every powder stood in a liquid that suits it',
        ),
      ];
    },
    next: (f, pots) => [
      {
        text: 'Disperse it in what it is made for.',
        apply: (plan) =>
          wrongLiquid(f, pots).reduce((p, w) => {
            const rows = p.pots
              .find((x) => x.id === w.pot.id)!
              .doses.filter((d) => d.materialId === w.material.id);
            return rows.reduce(
              (q, d) => setDose(q, w.pot.id, d.id, { carrier: potCarriers(w.material)[0] ?? d.carrier }),
              p,
            );
          }, plan),
      },
    ],
  },
  {
    id: 'clumping-powder',
    faults: ['specks'],
    title: 'A powder that clumps was not sheared fine.',
    evidence: (f, pots) => {
      const clumps = heldIn(f, pots, has('clumps'));
      return [
        standsOn(
          clumps.length > 0 ? 0.45 : 0,
          `${names(clumps)} clumps unless a frother or a pestle shears it`,
          'no powder in it is known to clump',
        ),
        helps(clumps.some((c) => c.dose > 6) ? 0.5 : 0, 'and there is much of it'),
      ];
    },
    next: () => [
      { text: 'Shear it with a frother, draw a spoon through the paste on white paper, and strain it.' },
    ],
  },
  {
    id: 'grains-of-its-own',
    faults: ['specks'],
    title: 'The specks are the material itself: grains, seeds, ground plants.',
    evidence: (f, pots) => {
      const grains = [
        ...heldIn(f, pots, (m) => m.scrub || has('scratchy')(m)),
        ...f.plan.base.additives.flatMap((a) => {
          const material = f.plan.materials.find((m) => m.id === a.materialId)!;
          return material.scrub ? [{ material }] : [];
        }),
      ];
      return [standsOn(grains.length > 0 ? 0.9 : 0, `${names(grains)} is in it`, 'nothing in it is a scrub')];
    },
    next: () => [{ text: 'Sieve it finer, or infuse it in oil and strain it.' }],
  },
  {
    id: 'coloured-too-thick',
    faults: ['streaks'],
    title: 'The colour went into batter that was too thick to take it up.',
    evidence: (f, pots) => {
      const late = pots.flatMap((p) => {
        const thick = f.said.find((e) => e.kind === 'thickness' && e.potId === p.id && e.value >= 2);
        const added = f.said.findLast((e) => e.kind === 'added' && e.potId === p.id);
        return thick && added && added.at > thick.at ? [p] : [];
      });
      return [
        standsOn(
          late.length > 0 ? 1 : 0,
          `${potNames(late)} was at medium trace before its last colour went in`,
          'no colour was logged into thick batter',
        ),
      ];
    },
    next: () => [{ text: 'Colour at emulsion, this pot first; keep a whisk at hand.' }],
  },
  {
    id: 'migrating-dye',
    faults: ['bleed'],
    title: 'A dye that dissolves has wandered into its neighbour.',
    evidence: (f, pots) => {
      const near = [...new Set([...pots, ...pots.flatMap((p) => besidePot(f, p))])];
      const dyes = heldIn(f, near, dissolves);
      return [
        standsOn(
          dyes.length > 0 ? 1 : 0,
          `${names(dyes)} in ${potNames([...new Set(dyes.map((d) => d.pot))])} migrates`,
          'no colourant in it or beside it is known to migrate',
        ),
      ];
    },
    next: (f) => [
      {
        text: `Keep ${names(heldIn(f, f.plan.pots, dissolves)) || 'it'} away from white, or use a pigment in its place.`,
      },
    ],
  },
  {
    id: 'carbon-smeared',
    faults: ['bleed', 'knife-drag'],
    title: 'Carbon was dragged over by the cutter.',
    evidence: (f, pots) => {
      const near = [...new Set([...pots, ...pots.flatMap((p) => besidePot(f, p))])];
      const black = [
        ...heldIn(f, near, isCarbon).filter((h) => h.dose >= 2),
        ...f.plan.lines.flatMap((l) => {
          const material = f.plan.materials.find((m) => m.id === l.materialId)!;
          return isCarbon(material) ? [{ material, pot: null, dose: 2 }] : [];
        }),
      ];
      return [
        standsOn(
          black.length > 0 ? 0.8 : 0,
          `${names(black)}, as a line or from 2 g/kg on, lies in the way of the cut`,
          'there is hardly any carbon in it',
        ),
      ];
    },
    next: () => [{ text: 'Cut from the side, wipe the wire after each cut, use less carbon.' }],
  },
  {
    id: 'cut-too-soon',
    faults: ['bleed', 'knife-drag', 'soft'],
    title: 'It was cut or unmoulded before it was firm.',
    evidence: (f) => {
      const at = f.cutAfter ?? f.unmouldedAfter;
      return [
        standsOn(
          at === null ? 0 : ramp(at, 14, 6),
          `cut ${f.print.number(at ?? 0, 0)} h after the pour`,
          at === null ? 'when it was cut is not logged' : `it had ${f.print.number(at, 0)} h`,
        ),
        helps(f.hardFats < 35 ? 0.5 : 0, 'its oils are soft and want longer'),
      ];
    },
    next: () => [{ text: 'Wait until a finger leaves no mark: a day or two more.' }],
  },
  {
    id: 'vanillin-browns',
    faults: ['tan', 'changed'],
    title: 'Vanillin of the scent browned it.',
    evidence: (f, pots) => {
      const most = Math.max(0, ...pots.map((p) => vanillinIn(f, p)));
      return [
        standsOn(
          ramp(most, 0.02, BROWNING * 2),
          `${f.print.number(most, 2)} g of vanillin per kg of oils in ${potNames(pots.filter((p) => vanillinIn(f, p) > 0.02))}`,
          'no vanillin went into it',
        ),
        helps(f.gelSeen === 1 ? 0.3 : 0, 'it gelled, which deepens the brown'),
      ];
    },
    next: (_, pots) => [
      {
        text: `Leave the scent out of ${potNames(pots)}.`,
        apply: (plan) => pots.reduce((p, { id }) => setPot(p, id, { scented: false }), plan),
      },
      { text: 'A stabiliser slows it, and more white hides some of it.' },
    ],
  },
  {
    id: 'brown-creeps',
    faults: ['tan'],
    title: 'The brown of a scented neighbour creeps into it.',
    evidence: (f, pots) => {
      const clean = pots.filter((p) => vanillinIn(f, p) <= 0.02);
      const near = clean.flatMap((p) => besidePot(f, p)).filter((p) => vanillinIn(f, p) > 0.1);
      return [
        standsOn(
          near.length > 0 ? 0.9 : 0,
          `${potNames([...new Set(near)])} beside it holds vanillin`,
          'no neighbour of it holds vanillin',
        ),
      ];
    },
    next: () => [{ text: 'Put a colour that bears brown between them, or take a scent without vanillin.' }],
  },
  {
    id: 'scent-tans',
    faults: ['tan'],
    title: 'The scent tans without vanillin.',
    evidence: (f, pots) => {
      const most = Math.max(0, ...pots.map((p) => scentIn(f, p) * (f.blend?.tan ?? 0)));
      return [
        standsOn(
          ramp(most, 0.02, 0.5),
          `its sheet says that it tans, as much as ${f.print.number(most, 2)} g/kg of vanillin would`,
          'the scent is not known to tan, or is not in it',
        ),
      ];
    },
    next: (_, pots) => [
      {
        text: `Leave the scent out of ${potNames(pots)}.`,
        apply: (plan) => pots.reduce((p, { id }) => setPot(p, id, { scented: false }), plan),
      },
    ],
  },
  {
    id: 'milk-or-sugar-browns',
    faults: ['tan', 'changed'],
    title: 'Milk or sugar was browned by heat.',
    evidence: (f) => {
      const sweet = f.sweet.length > 0;
      return [
        standsOn(
          sweet ? (milkShare(f.plan) > 0 ? 0.9 : 0.7) : 0,
          `${f.sweet.join(', ')} is in it`,
          'there is no milk and no sugar in it',
        ),
        helps(f.gelSeen === 1 || f.warmth > 38 ? 0.6 : 0, 'and it got hot'),
        speaksAgainst(sweet && f.gelSeen === 0, 'it did not gel'),
      ];
    },
    next: () => [{ text: 'Freeze the milk, soap cool, and prevent gel.' }],
  },
  {
    id: 'golden-oils',
    faults: ['tan'],
    title: 'The oils themselves are not white.',
    evidence: (f) => {
      const tinted = f.plan.base.oils.flatMap((o) => {
        const m = f.plan.materials.find((x) => x.id === o.materialId)!;
        const tint = m.oil ? m.oil.carotenoid + m.oil.chlorophyll + m.oil.brown : 0;
        return tint * o.percent > 150 ? [{ name: m.name, tint: tint * o.percent }] : [];
      });
      const most = Math.max(0, ...tinted.map((t) => t.tint));
      return [
        standsOn(
          ramp(most, 150, 450),
          `${tinted.map((t) => t.name).join(', ')} tints the base`,
          'its oils are pale',
        ),
      ];
    },
    next: () => [{ text: 'Pale oils, or more white in this pot.' }],
  },
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
