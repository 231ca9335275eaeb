import { type Reading } from '@kleur/core/device';

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
