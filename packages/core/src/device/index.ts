/** Instruments at the bench: what they write, and ones that are simulated. */
export {
  type ColourMeasurement,
  type ColourReader,
  ReaderError,
  type ReaderProblem,
  SimulatedColourReader,
  type Surface,
} from './colourReader.ts';
export { LineReader, type LineReading, scaleLine, thermometerLine } from './line.ts';
export { type Reading, RestWatch } from './reading.ts';
export { SimulatedScale, SimulatedThermometer } from './simulated.ts';
