import { type Plan, type Pot } from '@kleur/core/plan';

/** A plan without the doses of its pots: what stays the same while a dose is dragged. */
export type PlanFrame = Omit<Plan, 'pots'> & { readonly pots: readonly PotFrame[] };
export type PotFrame = Omit<Pot, 'doses'>;

function samePot(a: PotFrame, b: Pot): boolean {
  return Object.entries(b).every(([key, value]) => key === 'doses' || a[key as keyof PotFrame] === value);
}

const frameOf = ({ doses: _doses, ...frame }: Pot): PotFrame => frame;

/** Makes frames of plans. Plans that differ in doses alone give the same frame, and equal pots the same pot. */
export function planFrames(): (plan: Plan) => PlanFrame {
  let last: PlanFrame | null = null;
  return (plan) => {
    const before = last;
    const pots = plan.pots.map((pot, i) => {
      const old = before?.pots[i];
      return old && samePot(old, pot) ? old : frameOf(pot);
    });
    const same =
      before?.pots.length === pots.length &&
      pots.every((p, i) => p === before.pots[i]) &&
      Object.entries(plan).every(([key, value]) => key === 'pots' || before[key as keyof Plan] === value);
    if (!same) last = { ...plan, pots };
    return last!;
  };
}
