import { type Candidate, type FitMaterial, type FitProblem, proposeBars } from '../fit/index.ts';
import { type DoubtedPart, doubtOf } from '../material/doubt.ts';
import { type FittedBase, referenceCanvas } from '../pigment/canvas.ts';
import { MODEL_DELTA_E } from '../pigment/spread.ts';
import { cured, CURED_HOURS } from '../pigment/stage.ts';
import { type DoseWindow } from '../material/material.ts';

/** A bar of a test: what is in it, and whether it gels by itself. */
export interface TrialBar {
  /** g/kg oils; none for the bare base. */
  readonly doses: readonly { readonly materialId: string; readonly dose: number }[];
  readonly gelled: boolean;
}

/** A bar with what it would teach: the mean ± ΔE00 of the colours of its test before and after it, in their order, as pots tell theirs. */
export interface ProposedBar extends TrialBar {
  readonly before: number;
  readonly after: number;
}

/** A colourant as a fit takes it, and as it stands on the shelf now. */
export interface TrialMaterial {
  readonly material: FitMaterial;
  readonly now: Pick<DoubtedPart, 'optics' | 'curve'>;
}

export interface TrialQuestion {
  /** What is to be learnt, with its doses. */
  readonly materials: readonly (TrialMaterial & { readonly window: DoseWindow })[];
  /** Mixed with it; null for no bar with white. */
  readonly white: (TrialMaterial & { readonly dose: number }) | null;
  /** The base as it is foretold now. */
  readonly base: FittedBase | null;
  readonly gelled: readonly boolean[];
  /** Whether a bar without colour may be among them. */
  readonly bare: boolean;
  /** ± ΔE00 of how the bars will be read. */
  readonly doubt: number;
  /** Most bars. */
  readonly count: number;
}

export const TRIAL_LIMITS = { materials: 8, bars: 24, cup: { min: 20, max: 200 } } as const;

/** Rungs of the ladder, as parts of the typical dose. */
const RUNGS = [0.25, 0.5, 1, 2];
/** Without a faint dose, one this small still shows. */
const LEAST_OF_TYPICAL = 0.1;

const rungs = ({ faint, typical, ceiling }: DoseWindow): number[] =>
  RUNGS.map((r) => r * typical).filter((d) => d >= (faint ?? LEAST_OF_TYPICAL * typical) && d <= ceiling);

/**
 * The few bars that teach most about some colourants: of a ladder of doses, each alone and with white, gelled and not,
 * and the bare base. What is to be foretold is what could be made: the same bars. Those that were read before count, so that none is repeated without need.
 * @param known the readings so far, with every material that they hold
 */
export function proposeTrial(question: TrialQuestion, known: FitProblem): ProposedBar[] {
  const { materials, white, gelled, bare, doubt, count } = question;
  const bars = gelled.flatMap((gel): TrialBar[] => [
    ...(bare ? [{ doses: [], gelled: gel }] : []),
    ...materials.flatMap(({ material, window }) =>
      rungs(window).flatMap((dose): TrialBar[] => {
        const alone = [{ materialId: material.id, dose }];
        const mixed = white && white.material.id !== material.id;
        return [
          { doses: alone, gelled: gel },
          ...(mixed
            ? [{ doses: [...alone, { materialId: white.material.id, dose: white.dose }], gelled: gel }]
            : []),
        ];
      }),
    ),
  ]);
  const candidates = bars.map((bar, i): Candidate => ({
    id: `bar-${i}`,
    parts: bar.doses.map((d) => ({ id: d.materialId, dose: d.dose })),
    canvas: referenceCanvas,
    stage: { hours: CURED_HOURS, gel: Number(bar.gelled) },
    instrument: 'trial',
    doubt,
  }));
  const all = new Map(
    [...known.materials, ...materials.map((m) => m.material), ...(white ? [white.material] : [])].map((m) => [
      m.id,
      m,
    ]),
  );
  const problem: FitProblem = { ...known, materials: [...all.values()], holdsBase: false };
  const proposed = proposeBars(problem, candidates, candidates, count);
  const first = proposed[0]?.before ?? 1;
  const now = meanDoubt(question, bars);
  // Of what is foretold now, the model's own part stays whatever is read.
  const told = (spread: number): number =>
    Math.hypot(MODEL_DELTA_E, Math.sqrt(Math.max(0, now ** 2 - MODEL_DELTA_E ** 2)) * (spread / first));
  return proposed.map(({ index, before, after }) => ({
    ...bars[index]!,
    before: told(before),
    after: told(after),
  }));
}

/** Mean ± ΔE00 with which bars are foretold from the shelf as it is. */
function meanDoubt({ materials, white, base }: TrialQuestion, bars: readonly TrialBar[]): number {
  const canvas = base ? { ...referenceCanvas, base } : referenceCanvas;
  const of = new Map([...materials, ...(white ? [white] : [])].map((m) => [m.material.id, m.now]));
  const sum = bars.reduce((total, { doses, gelled }) => {
    const parts = doses.map(({ materialId, dose }) => ({ ...of.get(materialId)!, dose }));
    return total + doubtOf(canvas, parts, cured(Number(gelled))).deltaE;
  }, 0);
  return sum / bars.length;
}
