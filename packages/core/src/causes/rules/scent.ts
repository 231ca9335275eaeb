import { setBase } from '../../plan/edit/index.ts';
import { type Cause, helps, ramp, standsOn } from '../cause.ts';
import { hasTrouble, scentIn } from '../facts.ts';

export const scentCauses: readonly Cause[] = [
  {
    id: 'too-much-scent-for-the-pot',
    faults: ['riced', 'seized'],
    title: 'More scent in a pot than its sheet allows, or than the batter bears.',
    evidence: (f, pots) => {
      const most = Math.max(0, ...pots.map((p) => scentIn(f, p)));
      const limit = f.blend?.limit ?? Infinity;
      return [
        standsOn(
          Number.isFinite(limit) ? ramp(most / limit, 0.95, 1.4) : 0,
          `${f.print.number(most, 0)} g/kg in a pot, ${f.print.number(limit, 0)} are allowed`,
          'its amount lies within its sheet',
        ),
      ];
    },
    next: () => [
      {
        text: 'Work it out for the scented part alone: a third less.',
        apply: (plan) =>
          plan.base.scent
            ? setBase(plan, {
                scent: {
                  ...plan.base.scent,
                  dose: ((plan.base.scent.dose * 2) / 3) as typeof plan.base.scent.dose,
                },
              })
            : plan,
      },
    ],
  },
  {
    id: 'blended-with-scent',
    faults: ['seized', 'riced'],
    title: 'The scent was brought in with the blender, or all at once.',
    evidence: (f) => [
      standsOn(
        f.plan.base.scent?.when === 'batter' ? 0.6 : 0,
        'it went into the whole batter at once',
        'it went in pot by pot, or into the oils',
      ),
      helps(hasTrouble(f, 'it seized', 'it riced') ? 0.5 : 0, 'the log has it riced or seized'),
    ],
    next: () => [
      {
        text: 'Pot by pot, after the colour, with a whisk.',
        apply: (plan) =>
          plan.base.scent ? setBase(plan, { scent: { ...plan.base.scent, when: 'pot' } }) : plan,
      },
    ],
  },
];
