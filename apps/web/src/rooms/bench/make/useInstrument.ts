import { useSyncExternalStore } from 'react';
import { type Instrument, type InstrumentState } from '../../../data/instrument.ts';

export const useInstrument = (instrument: Instrument): InstrumentState =>
  useSyncExternalStore(instrument.subscribe, instrument.getSnapshot);
