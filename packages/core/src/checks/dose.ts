import { deltaE00 } from '../colour/deltaE00.ts';
import { isColourant } from '../material/curve.ts';
import { cautionText } from '../material/cautions.ts';
import { type Carrier, type Caution, isEarly, type Material, potCarriers } from '../material/material.ts';
import { ceilingGroup } from '../material/limits.ts';
import { isPale } from '../material/scatterPrior.ts';
import { justSeen, SEEN_FROM } from '../pigment/justSeen.ts';
import { cured, CURED_HOURS, faded, HOURS_PER_DAY } from '../pigment/stage.ts';
import { gramsPerKg } from '../units/quantity.ts';
import { mediumName } from '../work/dispersion.ts';
import { makeWholeBatch, setAdditive, setDispersion, setDose, setPot } from '../plan/edit/index.ts';
import { materialOf, type Plan, type Pot, sharesBatter, startingCarrier } from '../plan/plan.ts';
import { type PrepPot, type PrepRow } from '../work/prep.ts';
import { type Check, type Held, type PlanFacts } from './check.ts';

/** Runs a rule over every dose that is more than nothing. */
function eachDose(
  facts: PlanFacts,
  rule: (row: PrepRow, pot: PrepPot) => Omit<Check, 'place'> | null,
): Check[] {
  const checks: Check[] = [];
  for (const pot of facts.prep.pots) {
    for (const row of pot.rows) {
      if (!(row.row.dose > 0)) continue;
      const found = rule(row, pot);
      if (found) checks.push({ ...found, place: { at: 'dose', potId: pot.pot.id, rowId: row.row.id } });
    }
  }
  return checks;
}

const BEYOND_CEILING: readonly Caution[] = ['stains', 'brittle', 'rivers', 'fast', 'heat', 'sensitiser'];

/** Warns of what stands above its ceiling in a pot, or in the whole batch, with what happens beyond it. */
export function checkDoseOver(facts: PlanFacts): Check[] {
  const { plan } = facts;
  const batch = ceilingGroups(
    plan.base.additives
      .filter((a) => a.moment !== 'top')
      .map((a) => ({ material: materialOf(plan, a.materialId), dose: a.dose })),
  ).filter((g) => g.load > 1 + 1e-9);
  // What is too much in the whole batch is told there, not again in every pot.
  const told = new Set(batch.flatMap((g) => g.held.map((h) => h.material.id)));
  return [
    ...batch.map((g) => overCeiling(facts, g, null)),
    ...plan.pots.flatMap((pot) =>
      ceilingGroups(facts.held.get(pot.id)!)
        .filter((g) => g.load > 1 + 1e-9 && !g.held.every((h) => told.has(h.material.id)))
        .map((g) => overCeiling(facts, g, pot)),
    ),
  ];
}

/** What counts towards one ceiling: a material, or all grades of one colour index. */
interface CeilingGroup {
  readonly held: readonly Held[];
  /** Sum of dose over ceiling; above 1 is too much. */
  readonly load: number;
}

function ceilingGroups(held: readonly Held[]): CeilingGroup[] {
  const groups = new Map<string, Held[]>();
  for (const h of held) {
    if (!(h.dose > 0) || h.material.window === null) continue;
    const key = ceilingGroup(h.material);
    groups.set(key, [...(groups.get(key) ?? []), h]);
  }
  return [...groups.values()].map((list) => ({
    held: list,
    load: list.reduce((sum, h) => sum + h.dose / h.material.window!.ceiling, 0),
  }));
}

function overCeiling({ plan, print }: PlanFacts, { held, load }: CeilingGroup, pot: Pot | null): Check {
  const most = [...held].sort((a, b) => b.dose - a.dose)[0]!.material;
  const why = BEYOND_CEILING.filter((c) => held.some((h) => h.material.cautions.includes(c))).map(
    (c) => cautionText[c],
  );
  const names = held.map((h) => h.material.name).join(' and ');
  const row = pot?.doses.find((d) => held.some((h) => h.material.id === d.materialId)) ?? null;
  const additive = pot
    ? null
    : plan.base.additives.find((a) => held.some((h) => h.material.id === a.materialId));
  const own = row ?? additive ?? null;
  const ceiling = own ? materialOf(plan, own.materialId).window!.ceiling : most.window!.ceiling;
  // What others bring stays; this row takes what they leave of the ceiling.
  const room = own ? Math.max(0, (1 - (load - own.dose / ceiling)) * ceiling) : 0;
  const fits = Math.floor(room * 1000 + 1e-6) / 1000;
  const beside = held.length > 1 || (own !== null && Math.abs(held[0]!.dose - own.dose) > 1e-6);
  return {
    id: 'dose-over',
    level: 'warn',
    place: pot
      ? row
        ? { at: 'dose', potId: pot.id, rowId: row.id }
        : { at: 'pot', potId: pot.id }
      : { at: 'additives' },
    sentence:
      `${names} ${held.length > 1 ? 'are together' : 'is'} above ${held.length > 1 ? 'their' : 'its'} ceiling${pot ? ` in ${pot.name}` : ' in the whole batch'}. ${why.join(' ')}`.trim(),
    arithmetic: `${held.map((h) => `${held.length > 1 ? `${h.material.name} ` : ''}${print.significant(h.dose, 3)} of ${print.significant(h.material.window!.ceiling, 3)} g/kg`).join(' + ')}${beside ? ', with what comes from the whole batch and from other pots' : ''}`,
    remedy: `Bring it to ${print.significant(fits, 3)} g/kg or less${beside && own ? ' here' : ''}.`,
    repairs: own
      ? [
          {
            label: `Set ${print.significant(fits, 3)} g/kg`,
            apply: (p) =>
              pot && row
                ? setDose(p, pot.id, row.id, { dose: gramsPerKg(fits) })
                : setAdditive(p, own.id, { dose: gramsPerKg(fits) }),
          },
        ]
      : [],
  };
}

/** Fewer drops than this of a stock bottle are none. */
const LEAST_DROPS = 0.5;

/**
 * Tells of a powder too small for the maker's scale or spoons: under two divisions, or half the smallest spoon; and of
 * less than half a drop of a stock bottle.
 */
export const checkTooSmall = (facts: PlanFacts): Check[] =>
  eachDose(facts, ({ material, wanted, measured, drops }) => {
    if (drops !== null && drops < LEAST_DROPS) {
      const stock = facts.plan.work.dispersions.find((d) => d.materialId === material.id)?.stock;
      return {
        id: 'too-small-to-weigh',
        level: 'tip',
        sentence: `${material.name} is less than half a drop of its stock bottle.`,
        arithmetic: `${facts.print.significant(wanted, 2)} g of powder are ${facts.print.number(drops, 2)} drops`,
        remedy: 'Make a thinner stock, or leave it out.',
        repairs: stock
          ? [
              {
                label: 'Thin the stock to a tenth',
                apply: (p) =>
                  setDispersion(p, material.id, {
                    stock: { ...stock, powderPercent: Math.max(1, stock.powderPercent / 10) },
                  }),
              },
            ]
          : [],
      };
    }
    if (!measured.tooSmall || drops !== null) return null;
    const limit =
      measured.spoonSum === null
        ? `two divisions of a ${facts.print.number(facts.measuring.scaleDivision, 2)} g scale`
        : 'half the smallest spoon';
    return {
      id: 'too-small-to-weigh',
      level: 'tip',
      sentence: `${facts.print.significant(wanted, 2)} g of ${material.name} is too little to measure well.`,
      arithmetic: `under ${limit}`,
      remedy: 'Make a stock dispersion and dose that instead.',
      repairs: [
        {
          label: 'Dose it by drops of a 10 % stock',
          apply: (p) => setDispersion(p, material.id, { stock: { powderPercent: 10, gramsPerDrop: 0.04 } }),
        },
      ],
    };
  });

/** Warns of a colourant that lye destroys or shifts. */
export const checkAlkaliUnstable = (facts: PlanFacts): Check[] =>
  eachDose(facts, ({ material }) => {
    const unstable = material.cautions.includes('alkali-unstable');
    if (!unstable && !material.cautions.includes('alkali-shift')) return null;
    return {
      id: 'alkali-unstable',
      level: 'warn',
      sentence: unstable
        ? `${material.name} does not survive lye: the cured colour shown is what it turns into.`
        : `${material.name} shifts in alkali: the cured colour shown allows for that.`,
      arithmetic: '',
      remedy: 'Choose an alkali-proof colourant if you want the colour in the jar.',
    };
  });

/** Keeps less than this share of its colour to cure or in light: warn. */
export const FADES_BELOW = 0.7;

/** What is left of a colour after cure in the dark and after a year in light, by the model, 0–1. */
export function keptOf({ optics }: Material): { readonly cure: number; readonly light: number } {
  const fading = optics?.fading;
  if (!fading) return { cure: 1, light: 1 };
  return {
    cure: faded(CURED_HOURS, fading.remains, fading.darkDays),
    light: faded(365 * HOURS_PER_DAY, fading.remains, fading.lightDays),
  };
}

/** Warns of a colourant that keeps less than 70 % of its colour to cure or in light, each once. */
export const checkFades = (facts: PlanFacts): Check[] =>
  once(
    eachDose(facts, ({ material }) => {
      const { cure, light } = keptOf(material);
      if (Math.min(cure, light) >= FADES_BELOW) return null;
      const percent = (share: number): string => facts.print.percent(share * 100, 0);
      return {
        id: 'fades',
        level: 'warn',
        sentence: `${material.name} fades: ${percent(cure)} of its colour is left at cure, ${percent(light)} after a year in light.`,
        arithmetic: `less than ${percent(FADES_BELOW)}`,
        remedy: 'Keep bars in the dark, or choose a steadier colour.',
      };
    }),
  );

/** Tells of a colourant whose dose alone moves the bare pot by less than ΔE00 2. */
export const checkDoseFaint = (facts: PlanFacts): Check[] =>
  eachDose(facts, ({ material }, { pot }) => {
    if (!material.optics || material.scrub || !isColourant(material.kind)) return null;
    const looks = facts.looks.get(pot.id)!;
    // Whites, clays and pearls in a bare base are there for something else than a colour of their own.
    if (isPale(material) && pot.doses.every((d) => isPale(materialOf(facts.plan, d.materialId)))) return null;
    const distance = deltaE00(looks.alone(material.optics), looks.uncoloured);
    if (distance >= SEEN_FROM) return null;
    const { canvas } = looks.composition;
    const seen = justSeen(canvas, material.optics, cured(facts.gel.gel), material.window?.ceiling ?? 0);
    return {
      id: 'dose-faint',
      level: 'tip',
      sentence: `${material.name} would hardly show at this dose.`,
      arithmetic: `ΔE00 ${facts.print.number(distance, 1)} from the uncoloured pot`,
      remedy:
        seen === null
          ? 'Use more, or leave it out.'
          : `Alone on this base it is just seen at ${facts.print.significant(seen, 2)} g/kg.`,
    };
  });

/** Rounding that moves the pot further than this is worth telling. */
export const ROUNDING_SHIFT = 1.5;

/** ΔE00 at cure between the pot as planned and as it can be measured; 0 for an empty pot. */
export function roundingShift(facts: PlanFacts, { pot, oils, rows }: PrepPot): number {
  // Below that, nothing was rounded by as much as could show.
  if (!(oils > 0) || rows.every((r) => Math.abs(r.measured.relativeError) < 0.005)) return 0;
  const looks = facts.looks.get(pot.id)!;
  const measured = looks.composition.parts.map(({ optics, dose }) =>
    rows.reduce(
      (sum, r) => (r.material.optics === optics ? sum + (r.measured.mass * 1000) / oils - r.row.dose : sum),
      dose,
    ),
  );
  return deltaE00(looks.at(measured), looks.cured);
}

/** Tells of a pot whose cured colour moves by more than ΔE00 1.5 when doses are rounded to what can be measured. */
export function checkRounding(facts: PlanFacts): Check[] {
  return facts.prep.pots.flatMap((p): Check[] => {
    const shift = roundingShift(facts, p);
    if (shift <= ROUNDING_SHIFT) return [];
    return [
      {
        id: 'rounding-shifts-colour',
        level: 'tip',
        place: { at: 'pot', potId: p.pot.id },
        sentence: `Rounding to what you can measure moves ${p.pot.name} visibly.`,
        arithmetic: `ΔE00 ${facts.print.number(shift, 1)} between planned and measured`,
        remedy: 'Use a finer scale or a stock dispersion for the smallest amount.',
      },
    ];
  });
}

/** A powder in a liquid that it is not made for, or glycerin where rivers threaten. */
export const checkCarrierMismatch = (facts: PlanFacts): Check[] =>
  eachDose(facts, ({ row, material, carrier }, { pot }) => {
    if (!carrier) return null;
    // Glycerin wets either grade.
    const fits =
      carrier.medium === 'glycerin' ||
      material.carriers.length === 0 ||
      potCarriers(material).some((c) => c.medium === carrier.medium);
    const rivers =
      carrier.medium === 'glycerin' &&
      (material.cautions.includes('rivers') || facts.plan.work.heat === 'force');
    if (fits && !rivers) return null;
    const use: Carrier | undefined =
      material.carriers.find((c) => c.medium !== 'glycerin') ?? material.carriers[0];
    return {
      id: 'carrier-mismatch',
      level: 'warn',
      sentence: fits
        ? `Glycerin with ${material.name} and heat invites glycerin rivers.`
        : `${material.name} is not made for ${mediumName[carrier.medium]}: it will clump or float.`,
      arithmetic: `its grade takes ${material.carriers.map((c) => mediumName[c.medium]).join(', ') || 'nothing named'}`,
      remedy: use ? `Disperse it in ${mediumName[use.medium]}.` : 'Choose another carrier.',
      repairs:
        use && use.medium !== carrier.medium
          ? [
              {
                label: `Use ${mediumName[use.medium]}`,
                apply: (p) => setDose(p, pot.id, row.id, { carrier: use }),
              },
            ]
          : [],
    };
  });

/** A powder that goes into the oils or the lye of one pot, and so into every pot of the same batter. */
export const checkCarrierReaches = (facts: PlanFacts): Check[] =>
  eachDose(facts, ({ row, material, carrier }, { pot }) => {
    if (!isEarly(carrier) || !sharesBatter(facts.plan, pot)) return null;
    const use = startingCarrier(pot, material);
    const into = mediumName[carrier!.medium];
    return {
      id: 'carrier-reaches-others',
      level: 'stop',
      sentence: `${material.name} is planned for ${pot.name} alone, but what goes into ${into} is in every pot of this batter.`,
      arithmetic: `${pot.name} shares its batter; ${into} ${carrier!.medium === 'lye-water' ? 'is' : 'are'} there before the pots are taken off`,
      remedy:
        'Put it into the pot itself, give it to the whole batch, or make this pot a mini-batch of its own.',
      repairs: [
        ...(use
          ? [
              {
                label: use.medium === 'trace' ? 'Sieve it in dry at trace' : `Use ${mediumName[use.medium]}`,
                apply: (p: Plan) => setDose(p, pot.id, row.id, { carrier: use }),
              },
            ]
          : []),
        { label: 'Give it to the whole batch', apply: (p) => makeWholeBatch(p, pot.id, row.id) },
        ...(pot.draws.every((d) => d.from === null)
          ? [
              {
                label: `Make ${pot.name} a mini-batch`,
                apply: (p: Plan) => setPot(p, pot.id, { ownLye: true }),
              },
            ]
          : []),
      ],
    };
  });

/** A colour additive with restricted uses. */
export const checkRulesColour = (facts: PlanFacts): Check[] =>
  once(
    eachDose(facts, ({ material }) =>
      material.cautions.includes('restricted-colour')
        ? {
            id: 'rules-colour',
            level: 'tip',
            sentence: `${material.name} is a colour additive with restricted uses.`,
            arithmetic: material.colourIndex ? `Colour index ${material.colourIndex}` : '',
            remedy: 'Check your own rules for soap and for where it is used.',
          }
        : null,
    ),
  );

/** Each sentence once. */
const once = (checks: readonly Check[]): Check[] =>
  checks.filter((c, i) => checks.findIndex((d) => d.sentence === c.sentence) === i);
