import { isWhitener } from '../../material/material.ts';
import { ASH_BELOW } from '../../checks/thresholds.ts';
import { setWork } from '../../plan/edit/index.ts';
import { withFinish } from '../../work/finish.ts';
import { type Plan } from '../../plan/plan.ts';
import { type Cause, helps, ramp, speaksAgainst, standsOn } from '../cause.ts';
import { type BatchFacts, heldIn, lastSaid, thickestSaid, traceName, whiteIn } from '../facts.ts';

/** Lye solution of at least so many %, where there was more water. */
const lessWater =
  (concentration: number) =>
  (plan: Plan): Plan => ({
    ...plan,
    base: { ...plan.base, liquid: { ...plan.base.liquid, by: 'concentration', value: concentration } },
  });

const isMisted = (f: BatchFacts): boolean =>
  f.plan.work.finish.includes('mist') &&
  !f.said.some((e) => e.kind === 'skipped' && e.target.includes('mist'));
const isCovered = (f: BatchFacts): boolean => f.plan.work.finish.includes('insulate');
/** Whether it gelled: as seen, else as it was likely to. */
const gels = (f: BatchFacts): boolean => (f.gelSeen ?? (f.gel.likelihood >= 0.5 ? 1 : 0)) === 1;

export const surfaceCauses: readonly Cause[] = [
  {
    id: 'ash-much-water',
    faults: ['ash'],
    title: 'Much water and air on the top: it dried with lye left in it.',
    evidence: (f) => [
      standsOn(
        ramp(f.concentration, ASH_BELOW + 1, 27),
        `the lye stood at ${f.print.number(f.concentration, 1)} %`,
        `the lye stood at ${f.print.number(f.concentration, 1)} %: little water`,
      ),
      helps(!gels(f) ? 0.5 : 0, 'it did not gel'),
      speaksAgainst(isMisted(f), 'it was misted with alcohol'),
    ],
    next: () => [{ text: 'Less water: 33 % lye.', apply: lessWater(33) }],
  },
  {
    id: 'ash-bare-top',
    faults: ['ash'],
    title: 'The top was neither misted nor covered.',
    evidence: (f) => [
      standsOn(
        !isMisted(f) && !isCovered(f) ? 0.6 : 0,
        'no mist and no cover',
        isMisted(f) ? 'it was misted' : 'it was covered',
      ),
      helps(!gels(f) ? 0.5 : 0, 'and it did not gel'),
    ],
    next: () => [
      {
        text: 'Mist it with alcohol, after any heat.',
        apply: (plan) => setWork(plan, { finish: withFinish(plan.work.finish, 'mist') }),
      },
    ],
  },
  {
    id: 'ash-cool',
    faults: ['ash'],
    title: 'It was soaped cool, and stayed so.',
    evidence: (f) => [
      standsOn(
        f.warmthMeasured ? ramp(f.warmth, 29, 22) : 0,
        `${f.print.temperature(f.warmth)} when they met`,
        f.warmthMeasured ? `${f.print.temperature(f.warmth)} when they met` : 'no temperature was logged',
      ),
      helps(f.gelSeen === 0 ? 0.5 : 0, 'no gel was seen'),
    ],
    next: () => [{ text: 'Soap at 32 to 35 °C, and keep it warm for a day.' }],
  },
  {
    id: 'rivers-white',
    faults: ['rivers'],
    title: 'Titanium dioxide, water and gel together.',
    evidence: (f, pots) => {
      const most = Math.max(0, ...pots.map((p) => whiteIn(f, p)));
      return [
        standsOn(
          ramp(most, 2.5, 6),
          `${f.print.number(most, 1)} g/kg of white in it`,
          'there is hardly any titanium dioxide in it',
        ),
        helps(f.concentration < 30 ? 0.8 : 0, `the lye stood at ${f.print.number(f.concentration, 1)} %`),
        helps(gels(f) ? 0.8 : 0, 'it gelled'),
        speaksAgainst(f.gelSeen === 0, 'no gel was seen'),
      ];
    },
    next: () => [
      { text: 'Less water: 33 % lye.', apply: lessWater(33) },
      {
        text: 'Prevent the gel.',
        apply: (plan) =>
          setWork(plan, {
            heat: 'prevent',
            finish: plan.work.finish.filter((x) => x !== 'oven' && x !== 'insulate'),
          }),
      },
    ],
  },
  {
    id: 'rivers-water',
    faults: ['rivers'],
    title: 'So much water that it parts while it is hot.',
    evidence: (f) => [
      standsOn(
        ramp(f.concentration, 29, 25),
        `the lye stood at ${f.print.number(f.concentration, 1)} %`,
        `the lye stood at ${f.print.number(f.concentration, 1)} %`,
      ),
      helps(gels(f) ? 0.6 : 0, 'it gelled'),
      speaksAgainst(f.gelSeen === 0, 'no gel was seen'),
    ],
    next: () => [{ text: 'Less water: 33 % lye.', apply: lessWater(33) }],
  },
  {
    id: 'rivers-glycerin',
    faults: ['rivers', 'weeping'],
    title: 'Glycerin brought in with the colours.',
    evidence: (f, pots) => {
      const most = Math.max(
        0,
        ...f.flow.pots
          .filter((p) => pots.some((q) => q.id === p.pot.id) && p.oils > 0)
          .map((p) => (p.contents[f.flow.ledger.at('glycerin')]! * 1000) / p.oils),
      );
      return [
        standsOn(
          ramp(most, 5, 25),
          `${f.print.number(most, 0)} g/kg of glycerin carrier`,
          'no glycerin carrier',
        ),
      ];
    },
    next: () => [{ text: 'Disperse in oil, or in less glycerin.' }],
  },
  {
    id: 'air-blended-in',
    faults: ['air'],
    title: 'The blender brought air in.',
    evidence: (f) => [
      standsOn(
        ramp(f.plan.work.blendSeconds, 5, 30),
        `${f.plan.work.blendSeconds} s of blending after emulsion`,
        'hardly any blending after emulsion',
      ),
    ],
    next: () => [
      {
        text: 'Tilt the blender to let its air out, blend in bursts, stir by hand.',
        apply: (plan) => setWork(plan, { blendSeconds: 0 }),
      },
    ],
  },
  {
    id: 'air-folded-in',
    faults: ['air', 'wall-gaps', 'poured-stiff'],
    title: 'Stiff batter folded air in, and did not run to the wall.',
    evidence: (f, pots) => {
      const said = lastSaid(f, pots);
      return [
        standsOn(
          said === null ? 0 : ramp(said, 1.4, 3),
          `it was at ${traceName(said ?? 0)} when it was poured`,
          said === null ? 'how thick it was is not logged' : `it was at ${traceName(said)}`,
        ),
      ];
    },
    next: () => [{ text: 'Pour earlier, tap the mould, press each layer to the wall with a spatula.' }],
  },
  {
    id: 'dry-powder-stirred-in',
    faults: ['air', 'specks'],
    title: 'Powder was stirred in dry, with the air that it holds.',
    evidence: (f, pots) => {
      const dry = pots.flatMap((p) =>
        p.doses.flatMap((d) => {
          const m = f.plan.materials.find((x) => x.id === d.materialId)!;
          return d.carrier?.medium === 'trace' && d.dose > 3 && !m.scrub ? [m.name] : [];
        }),
      );
      return [standsOn(dry.length > 0 ? 0.8 : 0, `${dry.join(', ')} went in dry`, 'no powder went in dry')];
    },
    next: () => [{ text: 'Wet it first, in oil or in water.' }],
  },
  {
    id: 'gel-on-the-edge',
    faults: ['partial-gel'],
    title: 'It lay on the edge of gelling: warm enough in the middle, not at the wall.',
    evidence: (f) => {
      const { likelihood, decided, reaches, begins } = f.gel;
      return [
        standsOn(
          decided ? 0 : 1 - Math.abs(likelihood - 0.5) * 2,
          `gel begins near ${f.print.temperature(begins)}, its middle reached about ${f.print.temperature(reaches)}`,
          decided ? 'gel was forced or prevented' : 'it was far from the edge',
        ),
      ];
    },
    next: () => [
      { text: 'Force it: keep it warm.', apply: (plan) => setWork(plan, { heat: 'force' }) },
      { text: 'Or prevent it: into the cold.', apply: (plan) => setWork(plan, { heat: 'prevent' }) },
    ],
  },
  {
    id: 'gel-forced-too-cool',
    faults: ['partial-gel'],
    title: 'Gel was wanted, and the warmth did not reach the wall.',
    evidence: (f) => {
      const wanted = f.plan.work.heat === 'force' || f.plan.work.finish.includes('oven') || isCovered(f);
      return [
        standsOn(
          wanted ? 0.5 + 0.5 * ramp(f.gel.reaches, f.gel.begins + 10, f.gel.begins - 10) : 0,
          `warmth was wanted, and by itself its middle reaches about ${f.print.temperature(f.gel.reaches)}`,
          'nobody wanted it to gel',
        ),
      ];
    },
    next: () => [
      { text: 'Start warmer, insulate all round, or leave it longer in the warm oven that is switched off.' },
    ],
  },
  {
    id: 'sweet-middle',
    faults: ['partial-gel', 'overheated'],
    title: 'Sugar, milk or honey heated the middle.',
    evidence: (f) => [
      standsOn(
        f.sweet.length > 0 ? 0.8 : 0,
        `${f.sweet.join(', ')} is in it`,
        'nothing in it heats the batter',
      ),
      helps(isCovered(f) || f.plan.work.heat === 'force' ? 0.7 : 0, 'and it was kept warm'),
    ],
    next: () => [
      {
        text: 'Soap cool and let it be, uncovered.',
        apply: (plan) =>
          setWork(plan, {
            heat: 'prevent',
            finish: plan.work.finish.filter((x) => x !== 'oven' && x !== 'insulate'),
          }),
      },
    ],
  },
  {
    id: 'grains-dragged',
    faults: ['knife-drag'],
    title: 'The cutter caught grains, seeds or petals.',
    evidence: (f, pots) => {
      const grains = [
        ...heldIn(f, pots, (m) => m.scrub || m.cautions.includes('scratchy')).map((h) => h.material.name),
        ...f.plan.base.additives.flatMap((a) => {
          const m = f.plan.materials.find((x) => x.id === a.materialId)!;
          return m.scrub || a.moment === 'top' ? [m.name] : [];
        }),
      ];
      return [
        standsOn(
          grains.length > 0 ? 0.9 : 0,
          `${[...new Set(grains)].join(', ')} is in it or on it`,
          'there are no grains in it',
        ),
      ];
    },
    next: () => [{ text: 'Lay the block on its side, so that the top is cut last.' }],
  },
  {
    id: 'hard-piece-dragged',
    faults: ['knife-drag'],
    title: 'The cutter pulled at an embed.',
    evidence: (f) => [
      standsOn(
        f.plan.embeds.length > 0 ? 0.6 : 0,
        'embeds lie in the way of the cut',
        'there are no embeds in it',
      ),
    ],
    next: () => [{ text: 'Bring embeds to the softness of the batter, and cut between them.' }],
  },
  {
    id: 'too-little-batter',
    faults: ['wall-gaps'],
    title: 'There was less batter than the mould takes.',
    evidence: (f) => {
      const { ratio } = f.fill;
      return [
        standsOn(
          ratio === null ? 0 : ramp(ratio, 0.98, 0.9),
          `it was filled to ${f.print.percent((ratio ?? 1) * 100, 0)}`,
          ratio === null ? 'the mould has no size' : 'there was enough of it',
        ),
      ];
    },
    next: () => [
      {
        text: 'Let the mould lead the oils.',
        apply: (plan) => ({ ...plan, moulding: { ...plan.moulding, leads: true } }),
      },
    ],
  },
  {
    id: 'set-at-once',
    faults: ['wall-gaps', 'air'],
    title: 'It thickened so fast that it could not settle.',
    evidence: (f, pots) => {
      const least = Math.min(
        ...f.steps.filter((s) => pots.some((p) => p.id === s.pot.id)).map((s) => s.pace.factor),
        1,
      );
      return [
        standsOn(
          ramp(least, 0.6, 0.25),
          `its time is about ${f.print.number(least, 2)} of the usual`,
          'its pace is an ordinary one',
        ),
        helps((thickestSaid(f, pots) ?? 0) >= 3 ? 0.5 : 0, 'it was logged thick'),
      ];
    },
    next: () => [{ text: 'Cooler, a slower scent, or more slow oils; pour this pot first.' }],
  },
  {
    id: 'white-and-water',
    faults: ['cracked'],
    title: 'So much white that the bar turned chalky and brittle.',
    evidence: (f, pots) => {
      const most = Math.max(0, ...pots.map((p) => whiteIn(f, p)));
      return [
        standsOn(
          ramp(most, 10, 18),
          `${f.print.number(most, 0)} g/kg of white`,
          'there is not that much white in it',
        ),
      ];
    },
    next: (f, pots) => [
      {
        text: 'Half as much white.',
        apply: (plan) => ({
          ...plan,
          pots: plan.pots.map((p) =>
            pots.some((q) => q.id === p.id)
              ? {
                  ...p,
                  doses: p.doses.map((d) =>
                    isWhitener(f.plan.materials.find((m) => m.id === d.materialId)!)
                      ? { ...d, dose: (d.dose / 2) as typeof d.dose }
                      : d,
                  ),
                }
              : p,
          ),
        }),
      },
    ],
  },
];
