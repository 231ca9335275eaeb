import { type Reading } from '@kleur/core/device';
import { Instrument, type Source } from './instrument.ts';
import { serialScale, simulatedScale } from './instrumentSources.ts';

/** A source that says what the test says. */
function told(): Source & { say: (r: Reading) => void; lose: () => void; isClosed: () => boolean } {
  let say: (r: Reading) => void = () => undefined;
  let lose = (): void => undefined;
  let closed = false;
  return {
    open: (onReading, onLost) => {
      say = onReading;
      lose = onLost;
      return Promise.resolve();
    },
    close: () => {
      closed = true;
    },
    say: (r) => {
      say(r);
    },
    lose: () => {
      lose();
    },
    isClosed: () => closed,
  };
}
const at = (value: number): Reading => ({ value, steady: true, overload: false });

it('shows what its source says, and nothing of one that it was taken from', async () => {
  const instrument = new Instrument();
  const first = told();
  const second = told();
  await instrument.connect(first);
  first.say(at(12));
  expect(instrument.getSnapshot()).toMatchObject({
    status: 'live',
    reading: { value: 12 },
    isSimulated: false,
  });
  await instrument.connect(second);
  expect(first.isClosed()).toBe(true);
  first.say(at(99));
  expect(instrument.getSnapshot().reading).toBeNull();
  second.say(at(13));
  second.lose();
  expect(instrument.getSnapshot()).toMatchObject({ status: 'lost', reading: null });
  instrument.disconnect();
  expect(instrument.getSnapshot().status).toBe('off');
});

it('says when it cannot be opened', async () => {
  const instrument = new Instrument();
  await instrument.connect({ ...told(), open: () => Promise.reject(new Error('denied')) });
  expect(instrument.getSnapshot().status).toBe('refused');
  // No browser of the tests has serial ports.
  await instrument.connect(serialScale());
  expect(instrument.getSnapshot().status).toBe('refused');
});

describe('a scale on a serial port', () => {
  const port = (pieces: readonly string[]) => {
    const readable = new ReadableStream<Uint8Array>({
      start: (controller) => {
        for (const p of pieces) controller.enqueue(Buffer.from(p));
        controller.close();
      },
    });
    return { readable, open: () => Promise.resolve(), close: () => Promise.resolve() };
  };
  afterEach(() => {
    Reflect.deleteProperty(navigator, 'serial');
  });

  it('is read line by line, garbage left out, until it is pulled out', async () => {
    const serial = {
      requestPort: () => Promise.resolve(port(['ST,GS,+ 12', '3.4 g\r\n', '%%%%\r\n', 'OL\r\n'])),
    };
    Object.defineProperty(navigator, 'serial', { value: serial, configurable: true });
    const instrument = new Instrument();
    const seen: (Reading | null)[] = [];
    instrument.subscribe(() => seen.push(instrument.getSnapshot().reading));
    await instrument.connect(serialScale());
    while (instrument.getSnapshot().status !== 'lost') await new Promise((r) => setTimeout(r, 1));
    expect(seen.filter((r) => r !== null)).toEqual([
      { value: 123.4, steady: true, overload: false },
      { value: 0, steady: false, overload: true },
    ]);
  });
});

it('the simulated scale can be loaded and tared', async () => {
  const instrument = new Instrument();
  await instrument.connect(simulatedScale());
  expect(instrument.getSnapshot()).toMatchObject({ status: 'live', isSimulated: true, canTare: true });
  instrument.put(6000);
  while (!instrument.getSnapshot().reading?.overload) await new Promise((r) => setTimeout(r, 20));
  instrument.disconnect();
});
