import { type Finish, type Plan } from '../plan/plan.ts';

/** Layers further apart than this do not knit by themselves, hours. */
export const BOND_HOURS = 1;
/** Alcohol is given this long to dry before anything warm, minutes. */
export const DRY_MINUTES = 30;

/** Warm from outside: what alcohol must not meet. */
const isHeat = (f: Finish): boolean => f === 'oven';

/** Whether the mould is kept warm, or gel is forced. */
export const keptWarm = ({ work }: Plan): boolean =>
  work.heat === 'force' || work.finish.includes('oven') || work.finish.includes('insulate');

/** Whether the mould is kept from gelling. */
export const keptCold = ({ work }: Plan): boolean =>
  work.heat === 'prevent' || work.finish.includes('fridge');

/** Adds what is done after the pour: heat always before the mist, since vapour in a warm oven can catch fire. */
export function withFinish(finish: readonly Finish[], next: Finish): readonly Finish[] {
  if (finish.includes(next)) return finish;
  const mist = finish.indexOf('mist');
  return isHeat(next) && mist >= 0
    ? [...finish.slice(0, mist), next, ...finish.slice(mist)]
    : [...finish, next];
}

/** Whether the mist stands before a heat: an order that only a hand can have made. */
export function mistBeforeHeat({ work }: Plan): boolean {
  const mist = work.finish.indexOf('mist');
  return mist >= 0 && work.finish.slice(mist).some(isHeat);
}

/** Pots in the mould that are poured onto a layer that has set, with the hours between; the earliest first. */
export function bondedPots({ pots }: Plan): { readonly potId: string; readonly hours: number }[] {
  const layers = pots.filter((p) => p.place !== 'spare').sort((a, b) => b.hoursBefore - a.hoursBefore);
  return layers.slice(1).flatMap((p, i) => {
    const hours = layers[i]!.hoursBefore - p.hoursBefore;
    return hours > BOND_HOURS ? [{ potId: p.id, hours }] : [];
  });
}
