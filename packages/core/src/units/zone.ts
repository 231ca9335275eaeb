/*
 * A moment as the clock on a maker's wall tells it. Zones are IANA names; summer time is theirs.
 */

export interface WallClock {
  /** `YYYY-MM-DD` */
  readonly day: string;
  /** `HH:mm:ss` */
  readonly time: string;
}

/** Making a format costs far more than using it. */
const formats = new Map<string, Intl.DateTimeFormat>();

const formatOf = (zone: string): Intl.DateTimeFormat => {
  let format = formats.get(zone);
  if (!format) {
    format = new Intl.DateTimeFormat('en-GB', {
      timeZone: zone,
      hourCycle: 'h23',
      year: 'numeric',
      month: '2-digit',
      day: '2-digit',
      hour: '2-digit',
      minute: '2-digit',
      second: '2-digit',
    });
    formats.set(zone, format);
  }
  return format;
};

/** Whether this is the name of a time zone. */
export function isTimeZone(zone: string): boolean {
  try {
    formatOf(zone);
    return zone !== '';
  } catch {
    return false;
  }
}

/** Day and time of a moment (ms since 1970) in a zone. @throws RangeError for a zone that is none. */
export function wallClock(at: number, zone: string): WallClock {
  const parts = new Map(
    formatOf(zone)
      .formatToParts(at)
      .map(({ type, value }) => [type, value]),
  );
  const part = (type: Intl.DateTimeFormatPartTypes): string => parts.get(type) ?? '';
  return {
    day: `${part('year').padStart(4, '0')}-${part('month')}-${part('day')}`,
    time: `${part('hour')}:${part('minute')}:${part('second')}`,
  };
}
