/** Thresholds that others than the checks go by: apart from them, so that nobody who needs one loads the rest. */

export const SUPERFAT_WARN = { low: 3, high: 12 } as const;

/** Lye under this, without gel, cover or mist, lets ash form. % */
export const ASH_BELOW = 30;

/** Hard fats above this share that are cooler than this look like trace when they only set. %, °C */
export const FALSE_TRACE = { hard: 40, below: 32, saturated: 40 } as const;
