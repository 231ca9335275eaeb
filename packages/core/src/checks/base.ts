import { normaliseOils, setBase, setCarrierSource } from '../plan/edit/index.ts';
import { setLiquidWay } from '../balance/liquidWay.ts';
import { type LyeFlow } from '../balance/flow.ts';
import { concentrationOf, lyeRate } from '../balance/lye.ts';
import { oilsAddUp, oilsSum } from '../plan/oilShares.ts';
import { type Material } from '../material/material.ts';
import { blendsOf, materialOf, type Plan } from '../plan/plan.ts';
import { type Check, type PlanFacts } from './check.ts';

const blendPlace = (potId: string | null): Check['place'] =>
  potId === null ? { at: 'oils' } : { at: 'pot', potId };
const ofPot = (plan: Plan, potId: string | null): string =>
  potId === null ? '' : ` of ${plan.pots.find((p) => p.id === potId)!.name}`;

/** Oil shares must make 100 %, those of a mini-batch too. */
export const checkOilsSum = ({ plan, print }: PlanFacts): Check[] =>
  blendsOf(plan)
    .filter((b) => !oilsAddUp(b.oils))
    .map(({ potId, oils }): Check => {
      const sum = oilsSum(oils);
      const off = print.number(Math.abs(sum - 100), 2);
      return {
        id: 'oils-sum',
        level: 'stop',
        place: blendPlace(potId),
        sentence:
          oils.length === 0
            ? 'No oils yet.'
            : `The oils${ofPot(plan, potId)} make ${print.number(sum, 2)} %, ${off} % ${sum > 100 ? 'too much' : 'short'}.`,
        arithmetic: oils.map((o) => print.number(o.percent, 2)).join(' + ') || '0',
        remedy: 'Bring the shares to 100 %.',
        repairs:
          sum > 0 ? [{ label: 'Stretch the shares to 100 %', apply: (p) => normaliseOils(p, potId) }] : [],
      };
    });

export const SUPERFAT_WARN = { low: 3, high: 12 } as const;

/** Below 0 % stops, below 3 % or above 12 % warns. */
export function checkSuperfat({ plan, print }: PlanFacts): Check[] {
  const { superfat } = plan.base;
  if (superfat >= SUPERFAT_WARN.low && superfat <= SUPERFAT_WARN.high) return [];
  const said = `Superfat is ${print.number(superfat, 1)} %`;
  const common = {
    id: 'superfat-range',
    place: { at: 'superfat' },
    arithmetic: '',
    repairs: [{ label: 'Set 5 %', apply: (p: Plan) => setBase(p, { superfat: 5 }) }],
  } as const;
  if (superfat < 0) {
    return [
      {
        ...common,
        level: 'stop',
        sentence: `${said}: more lye than the oils can take.`,
        remedy: 'Set 0 % or more; 5 % is common.',
      },
    ];
  }
  return [
    {
      ...common,
      level: 'warn',
      sentence:
        superfat < SUPERFAT_WARN.low
          ? `${said}: little room for error.`
          : `${said}: soft bars that may go rancid.`,
      remedy: 'Common bars sit between 3 and 12 %.',
    },
  ];
}

/** An oil without a saponification value hides the lye. */
export function checkLyeValues({ plan }: PlanFacts): Check[] {
  return blendsOf(plan).flatMap(({ potId, oils }): Check[] => {
    const missing = oils.map((o) => materialOf(plan, o.materialId)).filter((m) => m.oil?.sapKoh == null);
    return missing.length === 0 ? [] : [missingValue(missing, potId)];
  });
}

const missingValue = (missing: readonly Material[], potId: string | null): Check => ({
  id: 'lye-missing-value',
  level: 'stop',
  place: blendPlace(potId),
  sentence: `${missing.map((m) => m.name).join(', ')} has no saponification value, so no lye can be worked out.`,
  arithmetic: '',
  remedy: 'Enter the supplier’s value on the shelf.',
});

export const CONCENTRATION_WARN = { low: 25, high: 40 } as const;

/** Warns of a lye outside 25–40 %, lye over lye and liquid. */
export function checkLyeConcentration({ plan, print, batter }: PlanFacts): Check[] {
  const { naoh, koh, liquid } = lyeRate(plan);
  const c = concentrationOf(naoh + koh, liquid);
  if (batter.lye === null || (c >= CONCENTRATION_WARN.low - 1e-9 && c <= CONCENTRATION_WARN.high + 1e-9))
    return [];
  return [
    {
      id: 'lye-concentration',
      level: 'warn',
      place: { at: 'lye' },
      sentence: `Lye concentration is ${print.number(c, 1)} %: ${c < CONCENTRATION_WARN.low ? 'slow to trace, long to dry, prone to rivers' : 'hot and quick; it may not all dissolve'}.`,
      arithmetic: `lye / (lye + liquid) = ${print.mass(batter.lye + batter.koh!)} / (${print.mass(batter.lye + batter.koh!)} + ${print.mass(batter.liquid!)})`,
      remedy: 'Common range 25–40 %.',
      repairs: [{ label: 'Set 33 %', apply: atConcentration(33) }],
    },
  ];
}

const atConcentration =
  (value: number) =>
  (plan: Plan): Plan => {
    const next = setLiquidWay(plan, 'concentration');
    return setBase(next, { liquid: { ...next.base.liquid, value } });
  };

/** Liquid in the lye vessel over the lye's mass: it no longer dissolves below the first, barely below the second. */
export const LYE_LIQUID = { stop: 1, warn: 1.2 } as const;

/** What is held back for dispersions, and for later, must leave enough to dissolve the lye in. */
export const checkLyeLiquid = (facts: PlanFacts): Check[] =>
  facts.batter.lye === null ? [] : facts.flow.lyes.flatMap((lye) => lyeLiquid(facts, lye));

function lyeLiquid({ plan, print }: PlanFacts, lye: LyeFlow): Check[] {
  const mass = lye.naoh + lye.koh;
  const ratio = mass > 0 ? lye.vessel / mass : Infinity;
  if (ratio >= LYE_LIQUID.warn) return [];
  const pot = plan.pots.find((p) => p.id === lye.potId);
  const held = lye.heldForDispersions + lye.heldForLater;
  const stops = ratio < LYE_LIQUID.stop;
  return [
    {
      id: 'lye-liquid',
      level: stops ? 'stop' : 'warn',
      place: { at: 'lye' },
      sentence: `${stops ? 'Too little' : 'Barely enough'} liquid is left to dissolve the lye${pot ? ` of ${pot.name}` : ''}: ${print.number(Math.max(0, ratio), 2)} times its weight.`,
      arithmetic: `${print.mass(lye.liquid)} − ${print.mass(lye.heldForDispersions)} for dispersions − ${print.mass(lye.heldForLater)} for later = ${print.mass(lye.vessel)}, against ${print.mass(mass)} of lye`,
      remedy:
        held > 0
          ? `Keep at least ${print.number(LYE_LIQUID.warn, 1)} times the lye’s weight: hold less back, or use more liquid.`
          : 'Use more liquid.',
      repairs: [
        ...(lye.heldForDispersions > 0
          ? [{ label: 'Water for dispersions beside the recipe', apply: waterBeside }]
          : []),
        ...(lye.heldForLater > 0
          ? [
              {
                label: 'Hold nothing back for later',
                apply: (p: Plan) =>
                  setBase(p, { liquid: { ...p.base.liquid, heldBack: 0 as typeof p.base.liquid.heldBack } }),
              },
            ]
          : []),
        ...(held === 0 ? [{ label: 'Set 33 %', apply: atConcentration(33) }] : []),
      ],
    },
  ];
}

const waterBeside = (plan: Plan): Plan => ({
  ...plan,
  pots: plan.pots.map((p) => ({
    ...p,
    doses: p.doses.map((d) => (d.carrier?.medium === 'water' ? { ...d, source: 'extra' as const } : d)),
  })),
});

/** Superfat of a single pot, %: no oil may be missing where carriers took it from the batch. */
export const POT_SUPERFAT = { stop: 0, warn: 2 } as const;

/**
 * Warns of a pot whose own superfat falls below 2 % because lye-hungry additives or batch oils left it; stops
 * below 0.
 */
export function checkPotSuperfat({ plan, flow, batter, print }: PlanFacts): Check[] {
  if (batter.lye === null) return [];
  return flow.pots.flatMap((p): Check[] => {
    if (p.superfat === null) return [];
    const percent = p.superfat * 100;
    // As lean as the whole recipe: the superfat itself has its check.
    if (percent >= POT_SUPERFAT.warn - 1e-9 || percent > plan.base.superfat - 0.05) return [];
    const lye = flow.lyes.find((l) => l.potId === p.group);
    const stops = percent < POT_SUPERFAT.stop;
    return [
      {
        id: 'pot-superfat',
        level: stops ? 'stop' : 'warn',
        place: { at: 'pot', potId: p.pot.id },
        sentence: stops
          ? `${p.pot.name} has more lye than its oils can take: superfat ${print.number(percent, 1)} %.`
          : `${p.pot.name} is left with a superfat of ${print.number(percent, 1)} %.`,
        arithmetic: `${print.mass(lye?.heldOil ?? 0)} of oil is held back from the batch for carriers, and this pot gets too little of it back`,
        remedy: 'Use extra oil for the carriers, hold less back, or raise the superfat.',
        repairs: [{ label: 'Extra oil for all carriers', apply: (q) => oilBeside(q) }],
      },
    ];
  });
}

const oilBeside = (plan: Plan): Plan => setCarrierSource(plan, 'extra');

/** Above the limit in any pot, counting only that pot's oils; a limit on the product is converted to oils. */
export function checkScentOver({ plan, flow, blend, print }: PlanFacts): Check[] {
  const { scent } = plan.base;
  if (!scent || !blend?.limitedBy) return [];
  const at = flow.ledger.at('scent');
  const over = flow.pots.flatMap((p) => {
    const dose = p.oils > 0 ? (p.contents[at]! * 1000) / p.oils : 0;
    return dose > blend.limit + 1e-9 ? [{ pot: p.pot, dose }] : [];
  });
  // A whole batch that is scented as one has no pots to tell.
  const bare = flow.pots.length === 0 && scent.dose > blend.limit + 1e-9;
  if (over.length === 0 && !bare) return [];
  const worst = Math.max(scent.dose * (bare ? 1 : 0), ...over.map((o) => o.dose));
  const name = blend.parts.length > 1 ? 'The blend' : blend.limitedBy.name;
  const product = blend.limitedBy.scent?.limitBasis === 'product';
  const limit = Math.floor(blend.limit * 10) / 10;
  return [
    {
      id: 'scent-over',
      level: 'stop',
      place: { at: 'scent' },
      sentence: `${name} is above its limit in ${bare ? 'the batch' : over.map((o) => o.pot.name).join(', ')}.`,
      arithmetic: `${print.number(worst, 1)} g/kg against ${print.number(blend.limit, 1)} g/kg oils${product ? `, from ${print.number(blend.limitedBy.scent.limit, 1)} g per kg of finished soap` : ''}${blend.parts.length > 1 ? `, set by ${blend.limitedBy.name}` : ''}`,
      remedy: `Use ${print.number(limit, 1)} g/kg or less, and follow the supplier’s sheet.`,
      repairs: [
        {
          label: `Set ${print.number(limit, 1)} g/kg`,
          apply: (p) =>
            p.base.scent ? setBase(p, { scent: { ...p.base.scent, dose: limit as typeof scent.dose } }) : p,
        },
      ],
    },
  ];
}
