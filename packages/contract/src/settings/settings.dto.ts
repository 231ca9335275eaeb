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
import { Num, Numbers, One, OneOf, SomeOf, Text, Version } from '../fields.dto.ts';

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

export class SettingsUpdateDto implements SettingsWire {
  @Text(80) studio!: string;
  @One(() => MeasuringDto) measuring!: MeasuringDto;
  @OneOf(DOSE_UNITS) doseUnit!: DoseUnit;
  @One(() => UnitsDto) units!: UnitsDto;
  @OneOf(DATE_ORDERS) dateOrder!: DateOrder;
  @One(() => CardColoursDto) card!: CardColoursDto;
  @Version() version!: number;
}
