import { type LabD65 } from '../colour/lab.ts';
import { predictLab } from '../pigment/mixer.ts';
import { plainPrinter, printerFor } from '../units/printer.ts';
import { GOOD_MATCH, type MatchProblem, type Recipe } from './problem.ts';

/** Lab units by which a target must be beyond the nearest before a reason names that direction. */
const BEYOND = 2;

const chroma = ([, a, b]: LabD65): number => Math.hypot(a, b);

/** Why the closest recipe is no match, in plain sentences. Empty when it is one. */
export function explainMiss(problem: MatchProblem, closest: Recipe, deltaE: number): string[] {
  if (deltaE <= GOOD_MATCH) return [];
  const { target, canvas, stage, candidates, units } = problem;
  const print = units ? printerFor(units) : plainPrinter;
  const out = [`The nearest within reach is ΔE ${print.number(deltaE, 1)} away.`];
  const bare = predictLab(canvas, [], stage);
  const pale = chroma(target) < 12 && target[0] > 80;
  if (pale && closest.lab[2] > target[2] + BEYOND) {
    out.push(
      bare[2] > target[2] + BEYOND
        ? `The base is too yellow for that white: bare it reads b* ${print.number(bare[2], 1)}, wanted is ${print.number(target[2], 1)}.`
        : 'The colourants allowed are too yellow for that white.',
    );
  } else if (chroma(target) > chroma(closest.lab) + BEYOND) {
    out.push(
      `Nothing allowed is that vivid in this hue: chroma ${print.number(chroma(closest.lab), 0)} against ${print.number(chroma(target), 0)}.`,
    );
  }
  if (target[0] > closest.lab[0] + BEYOND) {
    out.push(
      `It is lighter than can be made here: L* ${print.number(closest.lab[0], 0)} against ${print.number(target[0], 0)}.`,
    );
  }
  if (target[0] < closest.lab[0] - BEYOND) {
    out.push(
      `It is darker than can be made here: L* ${print.number(closest.lab[0], 0)} against ${print.number(target[0], 0)}.`,
    );
  }
  const atCeiling = closest.parts.filter((p) => {
    const ceiling = candidates.find((c) => c.id === p.id)?.ceiling ?? Infinity;
    return p.dose >= 0.95 * ceiling;
  });
  // The ids are put into words by whoever knows the names.
  for (const p of atCeiling) out.push(`The ceiling of {${p.id}} is reached.`);
  const total =
    closest.parts.reduce((sum, p) => sum + (candidates.find((c) => c.id === p.id)?.solid ? p.dose : 0), 0) +
    (problem.given ?? []).reduce((sum, g) => sum + (g.solid ? g.dose : 0), 0);
  if (total >= 0.95 * problem.totalCeiling) {
    out.push(
      `The most powder a pot should carry is reached: ${print.number(problem.totalCeiling, 0)} g/kg oils.`,
    );
  }
  if (closest.parts.length >= problem.most && problem.most < 4) {
    out.push(
      `More than ${problem.most} ${problem.most === 1 ? 'colourant' : 'colourants'} might come nearer.`,
    );
  }
  return out;
}
