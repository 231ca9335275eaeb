import { BAND_COUNT, BAND_STEP_NM, type Spectrum } from '../../colour/bands.ts';
import { type SoapPhysics, type TrueBar, trueReflectance } from './soap.ts';

/** Nearly normal, mean 0 and standard deviation 1: the sum of twelve even ones. */
export const normalOf = (random: () => number) => (): number =>
  Array.from({ length: 12 }, random).reduce((sum, v) => sum + v, -6);

/** Bars as somebody weighs and reads them: with all that goes wrong a little. */
export class Reader {
  private readonly normal: () => number;

  constructor(
    private readonly soap: SoapPhysics,
    random: () => number,
  ) {
    this.normal = normalOf(random);
  }

  /** What the bar really holds when it is meant to hold `bar`. */
  weigh(bar: TrueBar): TrueBar {
    const off = (): number => Math.max(0, 1 + this.soap.noise.weighing * this.normal());
    return {
      ...bar,
      parts: bar.parts.map((p) => ({ ...p, dose: p.dose * off() })),
      vanillin: bar.vanillin * off(),
    };
  }

  /** One reading of a spectrum that a perfect reader would see. */
  see(spectrum: Spectrum): Spectrum {
    const { light, dark, shift } = this.soap.noise;
    const gain = 1 + light * this.normal();
    const moved = (shift * this.normal()) / BAND_STEP_NM;
    return spectrum.map((v, b) => {
      const next = spectrum[moved > 0 ? Math.min(BAND_COUNT - 1, b + 1) : Math.max(0, b - 1)]!;
      const there = v + Math.abs(moved) * (next - v);
      return Math.max(0.0005, there * gain * (1 + (light / 2) * this.normal()) + dark * this.normal());
    });
  }

  /** One bar, weighed, poured, cured and read. */
  read(bar: TrueBar): Spectrum {
    return this.see(trueReflectance(this.soap, this.weigh(bar)));
  }
}
