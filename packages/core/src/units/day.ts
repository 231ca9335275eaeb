/*
 * Days as `YYYY-MM-DD` and as whole numbers since 1 January 1970, by the Gregorian calendar without any clock or zone.
 * Algorithm: H. Hinnant, “chrono-compatible low-level date algorithms” (2013).
 */

const DAY = /^(\d{4})-(\d{2})-(\d{2})$/;
const DAYS_PER_ERA = 146_097;

/** Days since 1970-01-01. @throws RangeError for what is not written `YYYY-MM-DD` */
export function dayNumber(day: string): number {
  const [, y, m, d] = (DAY.exec(day) ?? []).map(Number);
  if (y === undefined || m === undefined || d === undefined) throw new RangeError(`No day: ${day}`);
  const year = m <= 2 ? y - 1 : y;
  const era = Math.floor(year / 400);
  const ofEra = year - era * 400;
  const ofYear = Math.floor((153 * (m + (m > 2 ? -3 : 9)) + 2) / 5) + d - 1;
  const days = ofEra * 365 + Math.floor(ofEra / 4) - Math.floor(ofEra / 100) + ofYear;
  return era * DAYS_PER_ERA + days - 719_468;
}

/** The day of a number, `YYYY-MM-DD`. */
export function dayText(number: number): string {
  const shifted = Math.floor(number) + 719_468;
  const era = Math.floor(shifted / DAYS_PER_ERA);
  const ofEra = shifted - era * DAYS_PER_ERA;
  const year = Math.floor(
    (ofEra - Math.floor(ofEra / 1460) + Math.floor(ofEra / 36_524) - Math.floor(ofEra / 146_096)) / 365,
  );
  const ofYear = ofEra - (365 * year + Math.floor(year / 4) - Math.floor(year / 100));
  const month = Math.floor((5 * ofYear + 2) / 153);
  const d = ofYear - Math.floor((153 * month + 2) / 5) + 1;
  const m = month < 10 ? month + 3 : month - 9;
  const y = year + era * 400 + (m <= 2 ? 1 : 0);
  const two = (v: number): string => String(v).padStart(2, '0');
  return `${String(y).padStart(4, '0')}-${two(m)}-${two(d)}`;
}

export const addDays = (day: string, days: number): string => dayText(dayNumber(day) + days);

/** 0 for Monday to 6 for Sunday. */
export const weekday = (number: number): number => (((number + 3) % 7) + 7) % 7;
