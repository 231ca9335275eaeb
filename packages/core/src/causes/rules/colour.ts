import { isCarbon, type Material, potCarriers } from '../../material/material.ts';
import { type Pot } from '../../plan/plan.ts';
import { setDose } from '../../plan/edit/index.ts';
import { type Cause, helps, ramp, standsOn } from '../cause.ts';
import { besidePot, type BatchFacts, heldIn } from '../facts.ts';
import { dissolves, has, names, potNames } from './doses.ts';

const isPowder = (m: Material): boolean =>
  m.kind === 'pigment' || m.kind === 'mica' || m.kind === 'fluorescent' || m.kind === 'dye';

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
];
