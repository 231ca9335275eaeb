import { dayWithout } from '../day.ts';
import { designWithout } from '../design.ts';
import { type Draw, newPot, onePart, type Plan, type Pot, pruneMaterials } from '../plan.ts';

/** Adds a pot that draws one part of the base batter, scented when there is a scent. */
export const addPot = (plan: Plan, id: string, name: string): Plan => ({
  ...plan,
  pots: [...plan.pots, { ...newPot(id, name), scented: plan.base.scent !== null }],
});

/** Changes a pot, but for its doses. */
export const setPot = (plan: Plan, id: string, change: Partial<Omit<Pot, 'id' | 'doses'>>): Plan => ({
  ...plan,
  pots: plan.pots.map((p) => (p.id === id ? { ...p, ...change } : p)),
});

/** Sets a pot's share of the base batter by parts, whatever it was drawn by. */
export const setParts = (plan: Plan, id: string, parts: number): Plan =>
  setPot(plan, id, { draws: [onePart(parts)] });

const setDraws = (plan: Plan, potId: string, change: (draws: readonly Draw[]) => readonly Draw[]): Plan => ({
  ...plan,
  pots: plan.pots.map((p) => (p.id === potId ? { ...p, draws: change(p.draws) } : p)),
});
/** Adds a draw to a pot. */
export const addDraw = (plan: Plan, potId: string, draw: Draw): Plan =>
  setDraws(plan, potId, (draws) => [...draws, draw]);
/** Changes a draw of a pot. */
export const setDraw = (plan: Plan, potId: string, id: string, change: Partial<Omit<Draw, 'id'>>): Plan =>
  setDraws(plan, potId, (draws) => draws.map((d) => (d.id === id ? { ...d, ...change } : d)));
/** Takes a draw out of a pot. */
export const removeDraw = (plan: Plan, potId: string, id: string): Plan =>
  setDraws(plan, potId, (draws) => draws.filter((d) => d.id !== id));

/** Takes a pot out, with every draw that others make from it. */
export const removePot = (plan: Plan, id: string): Plan =>
  pruneMaterials({
    ...plan,
    idea: { ...plan.idea, design: designWithout(plan.idea.design, id) },
    work: dayWithout(plan.work, id),
    // Whoever drew from it draws nothing from it any more.
    pots: plan.pots
      .filter((p) => p.id !== id)
      .map((p) =>
        p.draws.some((d) => d.from === id) ? { ...p, draws: p.draws.filter((d) => d.from !== id) } : p,
      ),
  });

/** Moves a pot by some places, stopping at either end. */
export function movePot(plan: Plan, id: string, by: number): Plan {
  const from = plan.pots.findIndex((p) => p.id === id);
  const to = Math.min(plan.pots.length - 1, Math.max(0, from + by));
  if (from < 0 || to === from) return plan;
  const pots = [...plan.pots];
  pots.splice(to, 0, ...pots.splice(from, 1));
  return { ...plan, pots };
}

/** Copies a pot with its formula, after itself. `rowId` gives each row of the copy its id. */
export function copyPot(plan: Plan, id: string, copyId: string, rowId: (index: number) => string): Plan {
  const at = plan.pots.findIndex((p) => p.id === id);
  const pot = plan.pots[at];
  if (!pot) return plan;
  const copy: Pot = {
    ...pot,
    id: copyId,
    name: `${pot.name} (copy)`,
    doses: pot.doses.map((d, i) => ({ ...d, id: rowId(i) })),
  };
  return { ...plan, pots: [...plan.pots.slice(0, at + 1), copy, ...plan.pots.slice(at + 1)] };
}
