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

/** Where readings come from: a real instrument, or one that is simulated. */
export interface Source {
  /** @throws where it cannot be opened. `onLost` is called when it is gone, once. */
  open(onReading: (reading: Reading) => void, onLost: () => void): Promise<void>;
  close(): void;
  /** What lies on it counts as nothing from now on; not every instrument can be told. */
  readonly tare?: () => void;
  /** Changes what a simulated one stands under: grams more on the scale, or the °C around the thermometer. */
  readonly put?: (value: number) => void;
}

export interface InstrumentState {
  readonly status: 'off' | 'opening' | 'live' | 'lost' | 'refused';
  readonly reading: Reading | null;
  /** Simulated ones can be loaded by hand. */
  readonly isSimulated: boolean;
  readonly canTare: boolean;
}

const OFF: InstrumentState = { status: 'off', reading: null, isSimulated: false, canTare: false };

/** One instrument of this page: connected once, read wherever an amount is asked for. */
export class Instrument {
  private state = OFF;
  private source: Source | null = null;
  private readonly listeners = new Set<() => void>();

  readonly getSnapshot = (): InstrumentState => this.state;
  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => {
      this.listeners.delete(listener);
    };
  };

  async connect(source: Source): Promise<void> {
    this.disconnect();
    this.source = source;
    this.set({
      ...OFF,
      status: 'opening',
      isSimulated: source.put !== undefined,
      canTare: source.tare !== undefined,
    });
    const isStill = (): boolean => this.source === source;
    try {
      await source.open(
        (reading) => {
          if (isStill()) this.set({ ...this.state, status: 'live', reading });
        },
        () => {
          if (isStill()) this.set({ ...this.state, status: 'lost', reading: null });
        },
      );
    } catch {
      if (isStill()) this.set({ ...OFF, status: 'refused' });
    }
  }

  disconnect(): void {
    this.source?.close();
    this.source = null;
    this.set(OFF);
  }

  tare(): void {
    this.source?.tare?.();
  }

  put(value: number): void {
    this.source?.put?.(value);
  }

  private set(state: InstrumentState): void {
    this.state = state;
    for (const listener of this.listeners) listener();
  }
}

export const scale = new Instrument();
export const thermometer = new Instrument();

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
