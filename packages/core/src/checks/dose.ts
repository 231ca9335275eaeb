import { deltaE00 } from '../colour/deltaE00.ts';
import { cautionText } from '../material/cautions.ts';
import { type Carrier, type Caution, isEarly, potCarriers } from '../material/material.ts';
import { mediumName } from '../work/dispersion.ts';
import { makeWholeBatch, setDispersion, setDose, setPot } from '../plan/edit/index.ts';
import { type Plan, sharesBatter, startingCarrier } from '../plan/plan.ts';
import { type PrepPot, type PrepRow } from '../work/prep.ts';
import { type Check, type PlanFacts } from './check.ts';

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

/** Warns of a dose above the material's ceiling, g/kg oils, with what happens beyond it. */
export const checkDoseOver = (facts: PlanFacts): Check[] =>
  eachDose(facts, ({ row, material }, { pot }) => {
    const ceiling = material.window?.ceiling;
    if (ceiling === undefined || row.dose <= ceiling) return null;
    const why = BEYOND_CEILING.filter((c) => material.cautions.includes(c)).map((c) => cautionText[c]);
    return {
      id: 'dose-over',
      level: 'warn',
      sentence: `${material.name} is above its ceiling. ${why.join(' ')}`.trim(),
      arithmetic: `${facts.print.significant(row.dose, 3)} g/kg against ${facts.print.significant(ceiling, 3)} g/kg oils`,
      remedy: `Bring it to ${facts.print.significant(ceiling, 3)} g/kg or less.`,
      repairs: [
        {
          label: `Set ${facts.print.significant(ceiling, 3)} g/kg`,
          apply: (p) => setDose(p, pot.id, row.id, { dose: ceiling as typeof row.dose }),
        },
      ],
    };
  });

/** Tells of a powder too small for the maker's scale or spoons: under two divisions, or half the smallest spoon. */
export const checkTooSmall = (facts: PlanFacts): Check[] =>
  eachDose(facts, ({ material, wanted, measured, drops }) => {
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
        ? `${material.name} does not live through lye: the cured colour shown is what it turns into.`
        : `${material.name} shifts in alkali: the cured colour shown counts on that.`,
      arithmetic: '',
      remedy: 'Choose an alkali-proof colourant if you want the colour in the jar.',
    };
  });

/** Keeps less than this share of its colour to cure or in light: warn. */
export const FADES_BELOW = 0.7;

/** Warns of a colourant of which less than 70 % stays in light. */
export const checkFades = (facts: PlanFacts): Check[] =>
  eachDose(facts, ({ material }) => {
    const keeps = material.optics?.fading?.remains ?? 1;
    if (keeps >= FADES_BELOW) return null;
    return {
      id: 'fades',
      level: 'warn',
      sentence: `${material.name} fades: about ${facts.print.number(keeps * 100, 0)} % of its colour lasts in light.`,
      arithmetic: '',
      remedy: 'Keep bars in the dark, or choose a steadier colour.',
    };
  });

/** Below this distance from the uncoloured pot nothing is seen. */
export const FAINT_BELOW = 2;

/** Tells of a colourant whose dose alone moves the bare pot by less than ΔE00 2. */
export const checkDoseFaint = (facts: PlanFacts): Check[] =>
  eachDose(facts, ({ material }, { pot }) => {
    if (!material.optics) return null;
    const looks = facts.looks.get(pot.id)!;
    const distance = deltaE00(looks.alone(material.optics), looks.uncoloured);
    if (distance >= FAINT_BELOW) return null;
    return {
      id: 'dose-faint',
      level: 'tip',
      sentence: `${material.name} would hardly show at this dose.`,
      arithmetic: `ΔE00 ${facts.print.number(distance, 1)} from the uncoloured pot`,
      remedy: material.window?.faint
        ? `It starts to show near ${facts.print.significant(material.window.faint, 2)} g/kg.`
        : 'Use more, or leave it out.',
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
