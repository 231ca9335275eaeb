import { CURED_HOURS, CUT_HOURS, type Stage, YEAR_HOURS } from '@kleur/core/pigment';
import { kneeAxis } from '../../shared/axis/logAxes.ts';

/** Hours after which the scale turns from even to logarithmic: the first hours and the last weeks both show. */
const KNEE_HOURS = 6;

const axis = kneeAxis(YEAR_HOURS, KNEE_HOURS);

/** Hours since the pour → 0–1 along the time strip. */
export const positionOfHours = (hours: number): number => axis.at(hours);

/** 0–1 along the time strip → hours since the pour. */
export const hoursOfPosition = (position: number): number => axis.valueAt(Math.min(1, Math.max(0, position)));

export interface Tick {
  readonly hours: number;
  readonly label: string;
  readonly major: boolean;
}

export const ticks: readonly Tick[] = [
  { hours: 0, label: 'Fresh', major: true },
  { hours: 6, label: '6 h', major: false },
  { hours: 24, label: '1 day', major: false },
  { hours: CUT_HOURS, label: 'Cut', major: true },
  { hours: 168, label: '1 week', major: false },
  { hours: 504, label: '3 weeks', major: false },
  { hours: CURED_HOURS, label: 'Cured', major: true },
  { hours: 24 * 91, label: '3 months', major: false },
  { hours: YEAR_HOURS, label: '1 year', major: true },
];

/** "20 min", "9 h", "5 days", "3 weeks": the time since the pour, as people say it. */
export function sayHours(hours: number): string {
  if (hours < 1 / 60) return 'fresh';
  if (hours < 1) return `${Math.round(hours * 60)} min`;
  if (hours < 36) return `${Math.round(hours)} h`;
  if (hours < 24 * 14) return `${Math.round(hours / 24)} days`;
  if (hours < 24 * 85) return `${Math.round(hours / 168)} weeks`;
  if (hours < 24 * 350) return `${Math.round(hours / (24 * 30.4))} months`;
  return '1 year';
}

/** "cured, gelled", "5 days, not gelled": a stage, in words. */
export function sayStage({ hours, gel, light = false }: Stage): string {
  const tick = ticks.find((t) => t.major && Math.abs(t.hours - hours) < 0.01);
  const time = tick ? tick.label.toLowerCase() : sayHours(hours);
  if (hours < 1) return time;
  const gelled = gel > 0.75 ? 'gelled' : gel < 0.25 ? 'not gelled' : 'partly gelled';
  return `${time}, ${gelled}${light ? ', in a window' : ''}`;
}

/** The tick before or after a time, for stepping by key. */
export function neighbourTick(hours: number, direction: 1 | -1): number {
  const slack = 0.01;
  if (direction > 0) return ticks.find((t) => t.hours > hours + slack)?.hours ?? YEAR_HOURS;
  return ticks.findLast((t) => t.hours < hours - slack)?.hours ?? 0;
}
