import { wallClock } from '@kleur/core/units';

/** IANA name of the time zone that this machine is set to. */
export const serverZone = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone;

/** Today on this machine, `YYYY-MM-DD`. */
export const serverDay = (): string => wallClock(Date.now(), serverZone()).day;
