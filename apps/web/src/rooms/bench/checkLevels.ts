import { type CheckLevel } from '@kleur/core/checks';

/** From the gravest. */
export const CHECK_LEVELS: readonly CheckLevel[] = ['stop', 'warn', 'tip'];
