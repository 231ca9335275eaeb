import {
  LineReader,
  type LineReading,
  type Reading,
  RestWatch,
  scaleLine,
  SimulatedScale,
  SimulatedThermometer,
  thermometerLine,
} from '@kleur/core/device';
import { type Source } from './instrument.ts';

/** How often a simulated instrument is read, ms. */
const READ_EVERY = 150;
const DIVISION = 0.1;
const CAPACITY = 5000;

/** Reads something again and again until it is closed. */
function polled(read: (at: number) => Reading): Pick<Source, 'open' | 'close'> {
  let timer: ReturnType<typeof setInterval> | null = null;
  return {
    open: (onReading) => {
      onReading(read(performance.now()));
      timer = setInterval(() => {
        onReading(read(performance.now()));
      }, READ_EVERY);
      return Promise.resolve();
    },
    close: () => {
      if (timer !== null) clearInterval(timer);
    },
  };
}

export function simulatedScale(): Source {
  const made = new SimulatedScale({ division: DIVISION, capacity: CAPACITY, seed: Date.now() });
  return {
    ...polled((at) => made.read(at)),
    tare: () => {
      made.tare();
    },
    put: (grams) => {
      made.load = Math.max(0, made.load + grams);
    },
  };
}

export function simulatedThermometer(): Source {
  const made = new SimulatedThermometer(32, Date.now());
  return {
    ...polled((at) => made.read(at)),
    put: (celsius) => {
      made.warmth = celsius;
    },
  };
}

/** The part of Web Serial that is used. */
interface Port {
  readonly readable: ReadableStream<Uint8Array> | null;
  open(options: { readonly baudRate: number }): Promise<void>;
  close(): Promise<void>;
}
interface Serial {
  requestPort(): Promise<Port>;
}

const serialOf = (): Serial | null =>
  'serial' in navigator ? (navigator as Navigator & { readonly serial: Serial }).serial : null;

export const hasSerial = (): boolean => serialOf() !== null;

/** What most scales are set to when they are bought. */
const BAUD = 9600;

/** An instrument on a serial port that writes a plain line for each reading. */
function lines(read: (line: string) => LineReading | null, step: number): Source {
  let port: Port | null = null;
  let reader: ReadableStreamDefaultReader<Uint8Array> | null = null;
  const pump = async (onReading: (reading: Reading) => void, onLost: () => void): Promise<void> => {
    const whole = new LineReader();
    const watch = new RestWatch(step);
    const decoder = new TextDecoder('latin1');
    try {
      for (;;) {
        const { value, done } = await reader!.read();
        if (done) break;
        const line = whole.add(decoder.decode(value));
        const found = line === null ? null : read(line);
        if (!found) continue;
        const rests = watch.add(found.value, performance.now());
        onReading({ value: found.value, steady: found.steady ?? rests, overload: found.overload });
      }
    } catch {
      // Pulled out: told below as any other end.
    }
    onLost();
  };
  return {
    open: async (onReading, onLost) => {
      const serial = serialOf();
      if (!serial) throw new Error('this browser has no serial ports');
      port = await serial.requestPort();
      await port.open({ baudRate: BAUD });
      reader = port.readable!.getReader();
      void pump(onReading, onLost);
    },
    close: () => {
      void reader
        ?.cancel()
        .then(() => port?.close())
        .catch(() => undefined);
    },
  };
}

export const serialScale = (): Source => lines(scaleLine, DIVISION);
export const serialThermometer = (): Source => lines(thermometerLine, 0.2);
