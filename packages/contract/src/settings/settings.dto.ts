import { type LabD65 } from '@kleur/core/colour';
import {
  CURRENCY_LETTERS,
  type DecimalMark,
  DOSE_UNITS,
  type DoseUnit,
  FILL_RANGE,
  LENGTH_UNITS,
  type LengthUnit,
  MASS_UNITS,
  type MassUnit,
  type Measuring,
  SCALE_DIVISIONS,
  type Spoon,
  SPOON_FILLS,
  type SpoonFill,
  SPOON_SYSTEMS,
  SPOONS,
  type SpoonSystem,
  TEMPERATURE_UNITS,
  type TemperatureUnit,
  type Units,
} from '@kleur/core/units';
import { type CardColours, DATE_ORDERS, type DateOrder, type SettingsWire } from './settings.ts';
import { type CalendarHabits } from '@kleur/core/calendar';
import { MouldCountDto } from '../calendar/calendar.dto.ts';
import { CALENDAR_LIMITS } from '../calendar/calendar.ts';
import {
  Flag,
  Int,
  Many,
  Num,
  NumberList,
  Numbers,
  One,
  OneOf,
  SomeOf,
  Text,
  Version,
} from '../fields.dto.ts';

export class MeasuringDto implements Measuring {
  @OneOf(['scale', 'spoons']) by!: Measuring['by'];
  @OneOf(SCALE_DIVISIONS) scaleDivision!: number;
  @OneOf(SPOON_SYSTEMS) spoons!: SpoonSystem;
  @SomeOf(SPOONS) ownedSpoons!: Spoon[];
  @OneOf(SPOON_FILLS) filled!: SpoonFill;
  @Num(FILL_RANGE.min, FILL_RANGE.max, { description: 'A rounded spoon, in level ones' }) rounded!: number;
  @Num(FILL_RANGE.min, FILL_RANGE.max, { description: 'A heaped spoon, in level ones' }) heaped!: number;
}

export class UnitsDto implements Units {
  @OneOf(MASS_UNITS) mass!: MassUnit;
  @OneOf(LENGTH_UNITS) length!: LengthUnit;
  @OneOf(TEMPERATURE_UNITS) temperature!: TemperatureUnit;
  @OneOf(['point', 'comma']) decimalMark!: DecimalMark;
  @Text(CURRENCY_LETTERS) currency!: string;
}

const Patch = (nullable: boolean): PropertyDecorator =>
  Numbers(3, -128, 128, { nullable, description: 'CIELAB D65' });

class CardColoursDto implements CardColours {
  @Patch(false) white!: LabD65;
  @Patch(true) grey!: LabD65 | null;
  @Patch(true) black!: LabD65 | null;
}

class UnmouldHoursDto {
  @Num(1, 500) warm!: number;
  @Num(1, 500) let!: number;
  @Num(1, 500) cold!: number;
}

class CalendarHabitsDto implements CalendarHabits {
  @Int(1, 400) cureDays!: number;
  @Int(0, 60) finishDays!: number;
  @Num(0.25, 24) hoursADay!: number;
  @Num(0.25, 24) hoursABatch!: number;
  @One(() => UnmouldHoursDto) unmouldHours!: UnmouldHoursDto;
  @Many(() => MouldCountDto, CALENDAR_LIMITS.moulds) moulds!: MouldCountDto[];
  @NumberList(7, 0, 6, { description: '0 for Monday' }) daysOff!: number[];
}

export class SettingsUpdateDto implements SettingsWire {
  @Text(80) studio!: string;
  @One(() => MeasuringDto) measuring!: MeasuringDto;
  @OneOf(DOSE_UNITS) doseUnit!: DoseUnit;
  @One(() => UnitsDto) units!: UnitsDto;
  @OneOf(DATE_ORDERS) dateOrder!: DateOrder;
  @Text(64, { description: 'IANA name, empty for the server’s own' }) timeZone!: string;
  @Flag({ description: 'Whether simulated instruments are offered' }) simulated!: boolean;
  @One(() => CardColoursDto) card!: CardColoursDto;
  @One(() => CalendarHabitsDto) calendar!: CalendarHabitsDto;
  @Version() version!: number;
}
