import { type CalendarHabits, usualHabits } from '@kleur/core/calendar';
import { type LabD65 } from '@kleur/core/colour';
import {
  type DoseUnit,
  levelSpoons,
  type Measuring,
  metricUnits,
  SPOONS,
  type Units,
} from '@kleur/core/units';

/** In which order a maker writes a day. */
export const DATE_ORDERS = ['day-month-year', 'month-day-year', 'year-month-day'] as const;
export type DateOrder = (typeof DATE_ORDERS)[number];

/** The maker's habits. They change how things are shown and rounded, never what is stored. */
export interface Settings {
  readonly studio: string;
  readonly measuring: Measuring;
  readonly doseUnit: DoseUnit;
  readonly units: Units;
  readonly dateOrder: DateOrder;
  /** IANA name of the zone whose days count; empty until a page has told its own: the server's then. */
  readonly timeZone: string;
  /** Whether simulated instruments are offered beside real ones. */
  readonly simulated: boolean;
  readonly card: CardColours;
  readonly calendar: CalendarHabits;
}

/** The known colours of the card that lies beside the bars in a photo; null for a patch that it lacks. */
export interface CardColours {
  readonly white: LabD65;
  readonly grey: LabD65 | null;
  readonly black: LabD65 | null;
}

export interface SettingsWire extends Settings {
  readonly version: number;
}

export const defaultSettings: Settings = {
  studio: '',
  measuring: {
    by: 'scale',
    scaleDivision: 0.1,
    spoons: 'us',
    ownedSpoons: SPOONS.filter((s) => s !== 'tsp-1/64'),
    ...levelSpoons,
  },
  doseUnit: 'g-per-kg',
  units: metricUnits,
  dateOrder: 'day-month-year',
  timeZone: '',
  simulated: false,
  // A common card of unbrightened white, middle grey and black.
  card: { white: [95, 0, 1], grey: [50, 0, 0], black: [20, 0, 0] },
  calendar: usualHabits,
};
