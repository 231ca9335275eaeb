import dayjs from 'dayjs';

const WEEKDAYS = ['sunday', 'monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday'];
/** As few letters as tell weekdays apart. */
const FEWEST_LETTERS = 2;

/** The next such weekday after today, 0 for Sunday. */
const nextWeekday = (today: dayjs.Dayjs, weekday: number): dayjs.Dayjs =>
  today.add((weekday - today.day() + 6) % 7, 'day').add(1, 'day');

/**
 * A day as people say it: today or tonight, tomorrow, or a weekday, which is the next one after today.
 * @param today `YYYY-MM-DD`
 * @returns `YYYY-MM-DD`, or null for any other text
 */
export function dayFromWords(text: string, today: string): string | null {
  const word = text.trim().toLowerCase();
  const now = dayjs(today);
  const day = (d: dayjs.Dayjs): string => d.format('YYYY-MM-DD');
  if (word === 'today' || word === 'tonight') return day(now);
  if (word === 'tomorrow') return day(now.add(1, 'day'));
  const weekday = word.length < FEWEST_LETTERS ? -1 : WEEKDAYS.findIndex((name) => name.startsWith(word));
  return weekday < 0 ? null : day(nextWeekday(now, weekday));
}
