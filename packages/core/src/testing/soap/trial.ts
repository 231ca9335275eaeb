import { type Spectrum } from '../../colour/bands.ts';
import { screenColourFromLabD65 } from '../../colour/gamut.ts';
import { labD65FromReflectance } from '../../colour/lab.ts';
import { type FitMaterial, type FitReading } from '../../fit/problem.ts';
import { scatterPrior } from '../../material/scatterPrior.ts';
import { seededRandom } from '../../numerics/random.ts';
import { buildOptics } from '../../pigment/buildOptics.ts';
import { type Canvas, referenceCanvas } from '../../pigment/canvas.ts';
import { CURED_HOURS } from '../../pigment/stage.ts';
import { Reader } from './reader.ts';
import { shelfOf } from './shelf.ts';
import { type SoapPhysics, type TrueMaterial, trueReflectance } from './soap.ts';

/** What is poured and read of each colourant. */
export const SCHEMES = ['four', 'two', 'one'] as const;
export type Scheme = (typeof SCHEMES)[number];

/** A mixture as it is planned: its doses in g/kg oils. */
export interface Mixture {
  readonly parts: readonly { readonly material: TrueMaterial; readonly dose: number }[];
  readonly gel: 0 | 1;
  readonly hours?: number;
  readonly vanillin?: number;
}

const SPREADS = { pigment: 0.35, mica: 0.6, fluorescent: 0.6, clay: 0.5, botanical: 0.6 } as const;
/** Where a label says that a neon glows: not quite where it does. */
const SAID_TO_GLOW: Readonly<Record<string, number>> = { 'neon-pink': 600, 'neon-yellow': 510 };

/** A soap with its shelf, a maker who knows of each colourant what its label says, and their reader. */
export class SoapTrial {
  readonly shelf: readonly TrueMaterial[];
  readonly materials: readonly FitMaterial[];
  private readonly reader: Reader;
  private count = 0;

  constructor(
    readonly soap: SoapPhysics,
    only: readonly string[] | null = null,
  ) {
    const random = seededRandom(soap.seed + 3);
    this.shelf = shelfOf(soap.seed).filter((m) => only === null || only.includes(m.id));
    this.materials = this.shelf.map((m) => this.asLabelled(m, 0.7 + 0.6 * random()));
    this.reader = new Reader(soap, random);
  }

  /** A colourant as the shelf has it before any bar: its colour, said for a dose that is not quite the right one. */
  private asLabelled(m: TrueMaterial, said: number): FitMaterial {
    const bar = { parts: [{ material: m, dose: m.typical * said }], gel: 1, hours: CURED_HOURS, vanillin: 0 };
    const { hex } = screenColourFromLabD65(labD65FromReflectance(trueReflectance(this.soap, bar)));
    return {
      id: m.id,
      typical: m.typical,
      spread: SPREADS[m.kind],
      mirrors: m.kind === 'mica',
      turns: m.kind === 'botanical',
      optics: buildOptics({
        dose: m.typical,
        colour: hex,
        scatter: scatterPrior(m.kind, m.colourIndex, hex)!,
        emission: m.glows ? { peak: SAID_TO_GLOW[m.id]!, width: 25, efficiency: 0.3 } : null,
      }),
    };
  }

  /** A bar of it, as it is read: with what is weighed and read wrong. */
  read(mixture: Mixture, as: 'spectrum' | 'lab' = 'spectrum'): FitReading {
    const { parts, gel, hours = CURED_HOURS, vanillin = 0 } = mixture;
    const seen = this.reader.read({ parts, gel, hours, vanillin });
    return this.reading(mixture, seen, as);
  }

  /** What nobody reads: the bar without any error. */
  truth({ parts, gel, hours = CURED_HOURS, vanillin = 0 }: Mixture): Spectrum {
    return trueReflectance(this.soap, { parts, gel, hours, vanillin });
  }

  private reading(mixture: Mixture, seen: Spectrum, as: 'spectrum' | 'lab'): FitReading {
    const { parts, gel, hours = CURED_HOURS, vanillin = 0 } = mixture;
    const canvas: Canvas =
      vanillin === 0 ? referenceCanvas : { ...referenceCanvas, scent: { vanillin, tan: 0, stabilised: 0 } };
    return {
      id: `reading-${++this.count}`,
      parts: parts.map((p) => ({ id: p.material.id, dose: p.dose })),
      canvas,
      stage: { hours, gel },
      instrument: 'reader',
      seen: as === 'spectrum' ? { spectrum: seen } : { lab: labD65FromReflectance(seen), doubt: 0.5 },
    };
  }

  /** Bars of each colourant by itself and with white, and bare ones, gelled and not. */
  bars(scheme: Scheme, as: 'spectrum' | 'lab' = 'spectrum'): FitReading[] {
    const white = this.shelf.find((m) => m.id === 'white')!;
    const out: FitReading[] = [];
    for (const gel of [0, 1] as const) {
      const add = (...parts: Mixture['parts']): void => {
        out.push(this.read({ parts, gel }, as));
      };
      add();
      add();
      for (const material of this.shelf) {
        const tints = scheme === 'four' ? [0.3, 1, 2.2] : [1];
        for (const tint of tints) add({ material, dose: material.typical * tint });
        if (scheme === 'one') continue;
        if (material !== white) add({ material, dose: material.typical * 0.8 }, { material: white, dose: 5 });
        else if (scheme === 'four') add({ material, dose: material.typical * 4 });
      }
    }
    return out;
  }

  /** Mixtures of two to four colourants, half of them with white. */
  mixtures(count: number, seed: number): Mixture[] {
    const random = seededRandom(seed);
    const white = this.shelf.findIndex((m) => m.id === 'white');
    return Array.from({ length: count }, (): Mixture => {
      const many = 2 + Math.floor(random() * 3);
      const chosen = new Set<number>(random() < 0.5 ? [white] : []);
      while (chosen.size < many) chosen.add(Math.floor(random() * this.shelf.length));
      const parts = [...chosen].map((i) => {
        const material = this.shelf[i]!;
        return { material, dose: (material.typical * (0.2 + 1.4 * random())) / Math.sqrt(many) };
      });
      return { parts, gel: random() < 0.5 ? 0 : 1 };
    });
  }
}
