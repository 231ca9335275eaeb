import { type BookEntry, type MaterialWire, type TestBarWrite } from '@kleur/contract';
import { deltaE00, labD65FromReflectance } from '@kleur/core/colour';
import { farFromBases, HOW_DOUBT, NEAR_A_BASE, type ReadHow } from '@kleur/core/evidence';
import { type FileBar } from '@kleur/core/formats';
import { type BarOils } from './barForm.ts';

/** What the file does not say, or says of all its bars alike. */
export interface FileWish {
  readonly how: ReadHow;
  readonly instrument: string;
  readonly hasGloss: boolean;
  /** Of bars without an age, h. */
  readonly hours: number;
  /** Of bars of which the file does not say it. */
  readonly gelled: boolean;
  /** Oils of all bars; none for the reference base. */
  readonly oils: BarOils;
  /** Whether all bars without a dose are uncoloured soap; else those whose lines are said to be. */
  readonly uncoloured: boolean;
  readonly uncolouredLines: ReadonlySet<number>;
}

/** Which colourant of the shelf each name of the file is; null for one that is not told yet. */
export type NameMap = ReadonlyMap<string, string | null>;

/** Names of the file that are exactly those of the shelf are taken for them; the others are the maker’s to say. */
export function sameNames(
  bars: readonly FileBar[],
  shelf: readonly MaterialWire[],
): Map<string, string | null> {
  const keys = [...new Set(bars.flatMap((b) => b.doses.map((d) => d.key)))];
  const plain = (text: string): string => text.trim().toLowerCase();
  return new Map(
    keys.map((key) => {
      const same = shelf.filter((m) => m.id === key || plain(m.name) === plain(key));
      return [key, same.length === 1 ? same[0]!.id : null];
    }),
  );
}

/** A bar of the file as it would be kept, or why it is left out. */
export interface ImportedBar {
  readonly bar: FileBar;
  readonly write: TestBarWrite | null;
  /** Empty for one that is kept. */
  readonly leftOut: string;
  /** Whether the maker is asked if it is uncoloured soap. */
  readonly asksUncoloured: boolean;
}

/** Colours nearer than this are the same, ΔE00. */
const SAME = 0.05;

const labOf = (bar: Pick<TestBarWrite, 'spectrum' | 'lab'>) =>
  bar.spectrum ? labD65FromReflectance(Float64Array.from(bar.spectrum)) : bar.lab!;

const barLab = ({ spectrum, lab }: FileBar) =>
  spectrum ? labD65FromReflectance(Float64Array.from(spectrum)) : lab!;

const dosesText = (doses: TestBarWrite['doses']): string =>
  doses
    .map((d) => `${d.materialId} ${d.dose.toPrecision(4)}`)
    .sort()
    .join();

/**
 * The bars of a file as they would be kept.
 * @param known what stands in the book: the same bar again is left out
 * @param today `YYYY-MM-DD`
 */
export function importedBars(
  bars: readonly FileBar[],
  names: NameMap,
  wish: FileWish,
  known: readonly BookEntry[],
  today: string,
  newId: () => string,
  shelf: readonly MaterialWire[],
): ImportedBar[] {
  return bars.map((bar): ImportedBar => {
    const unknown = bar.doses.find((d) => !names.get(d.key));
    const out = (leftOut: string, asksUncoloured = false): ImportedBar => ({
      bar,
      write: null,
      leftOut,
      asksUncoloured,
    });
    if (unknown) return out(`holds “${unknown.key}”, which is no colourant yet`);
    const said = wish.uncolouredLines.has(bar.line);
    if (bar.doses.length === 0 && !said) {
      if (!wish.uncoloured) return out('the file does not say what this bar holds', true);
      const far = farFromBases(barLab(bar), bar.hours ?? wish.hours, shelf);
      if (far > NEAR_A_BASE) return out(`its colour is ΔE ${far.toFixed(0)} from any uncoloured soap`, true);
    }
    const doses = new Map<string, number>();
    for (const { key, dose } of bar.doses) {
      const id = names.get(key)!;
      doses.set(id, (doses.get(id) ?? 0) + dose);
    }
    const instrument = bar.instrument === '' ? wish.instrument : bar.instrument;
    const write: TestBarWrite = {
      id: newId(),
      name: bar.name.slice(0, 120),
      on: bar.on ?? today,
      hours: bar.hours ?? wish.hours,
      gel: bar.gel ?? Number(wish.gelled),
      ...(bar.spectrum ? { spectrum: bar.spectrum } : { lab: bar.lab! }),
      how: wish.how,
      doubt: HOW_DOUBT[wish.how],
      note: '',
      doses: [...doses].map(([materialId, dose]) => ({ materialId, dose })),
      oils: wish.oils,
      vanillin: bar.vanillin,
      ...(instrument !== '' && { instrument: instrument.slice(0, 60) }),
      ...(wish.hasGloss && { hasGloss: true }),
      ...(bar.lot !== '' && { lot: bar.lot.slice(0, 40) }),
    };
    const again = known.some(
      (k) =>
        k.batchId === null &&
        k.potName === write.name &&
        dosesText(k.doses) === dosesText(write.doses) &&
        deltaE00(k.lab, labOf(write)) < SAME,
    );
    return again ? out('stands in the book already') : { bar, write, leftOut: '', asksUncoloured: false };
  });
}
