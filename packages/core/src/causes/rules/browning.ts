import { milkShare } from '../../plan/liquid.ts';
import { setPot } from '../../plan/edit/index.ts';
import { type Cause, helps, ramp, speaksAgainst, standsOn } from '../cause.ts';
import { besidePot, scentIn, vanillinIn } from '../facts.ts';
import { potNames } from './doses.ts';

const BROWNING = 0.3;

/** What turns a bar brown or tan. */
export const browningCauses: readonly Cause[] = [
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
];
