import fc from 'fast-check';
import { ciede2000Pairs } from '../testing/ciede2000Pairs.ts';
import { asSpectrum, BAND_COUNT, spectrumFrom } from './bands.ts';
import { deltaE00 } from './deltaE00.ts';
import { screenColourFromLabD65 } from './gamut.ts';
import {
  labD50FromReflectance,
  labD50FromXyz,
  type LabD65,
  labD65FromReflectance,
  labD65FromXyz,
  xyzFromLabD50,
  xyzFromLabD65,
} from './lab.ts';
import { viewingD50, viewingD65 } from './observer.ts';
import { linearRgbFromOklab, oklabFromLinearRgb, oklabFromOklch, oklchFromOklab } from './oklch.ts';
import { hexFromLinearRgb, labD65FromHex, linearRgbFromHex, linearRgbFromLabD65 } from './srgb.ts';

const lab = (v: readonly number[]): LabD65 => [v[0]!, v[1]!, v[2]!];

describe('tables', () => {
  it('sum to the published white points', () => {
    expect(viewingD65.white[0]).toBeCloseTo(95.047, 2);
    expect(viewingD65.white[1]).toBeCloseTo(100, 4);
    expect(viewingD65.white[2]).toBeCloseTo(108.883, 2);
    expect(viewingD50.white[0]).toBeCloseTo(96.424, 2);
    expect(viewingD50.white[2]).toBeCloseTo(82.513, 2);
  });

  it('put the peak of Y at 550 or 560 nm', () => {
    const peak = viewingD65.weights.y.indexOf(Math.max(...viewingD65.weights.y));
    expect([550, 560]).toContain(380 + 10 * peak);
  });

  it('refuse a spectrum of the wrong length or with a hole', () => {
    expect(() => asSpectrum([1, 2, 3])).toThrow('A spectrum needs 36 bands, got 3');
    expect(() => asSpectrum(Array.from({ length: BAND_COUNT }, (_, i) => (i === 4 ? NaN : 1)))).toThrow(
      'Band 420 nm is not a finite number',
    );
  });
});

describe('CIELAB', () => {
  it('reads white, black and the grey scale', () => {
    expect(labD65FromReflectance(spectrumFrom(() => 1)).map((v) => Math.abs(v))).toEqual([
      expect.closeTo(100, 6),
      expect.closeTo(0, 6),
      expect.closeTo(0, 6),
    ]);
    expect(labD65FromReflectance(spectrumFrom(() => 0))[0]).toBeCloseTo(0, 9);
    // Y = 18.4187 % is the middle grey, L* 50.
    const grey = labD65FromReflectance(spectrumFrom(() => 0.184187));
    expect(grey[0]).toBeCloseTo(50, 3);
    expect(Math.hypot(grey[1], grey[2])).toBeCloseTo(0, 6);
  });

  it('differs between D65 and D50 for a coloured spectrum, not for a grey', () => {
    const red = spectrumFrom((nm) => (nm > 590 ? 0.8 : 0.05));
    expect(Math.abs(labD65FromReflectance(red)[1] - labD50FromReflectance(red)[1])).toBeGreaterThan(1);
    expect(labD50FromReflectance(spectrumFrom(() => 0.5))[1]).toBeCloseTo(0, 6);
  });

  it('inverts in both white points', () => {
    const number = fc.double({ min: -80, max: 80, noNaN: true });
    fc.assert(
      fc.property(fc.double({ min: 1, max: 99, noNaN: true }), number, number, (L, a, b) => {
        const back = labD65FromXyz(xyzFromLabD65([L, a, b]));
        const back50 = labD50FromXyz(xyzFromLabD50([L, a, b] as never));
        for (const [i, v] of [L, a, b].entries()) {
          expect(back[i]).toBeCloseTo(v, 8);
          expect(back50[i]).toBeCloseTo(v, 8);
        }
      }),
    );
  });
});

describe('ΔE00', () => {
  it.each(ciede2000Pairs.map((p, i) => [i + 1, ...p] as const))(
    'meets published pair %i',
    (_, one, two, want) => {
      expect(deltaE00(lab(one), lab(two))).toBeCloseTo(want, 4);
      expect(deltaE00(lab(two), lab(one))).toBeCloseTo(want, 4);
    },
  );

  it('is zero for the same colour', () => {
    expect(deltaE00(lab([40, 12, -30]), lab([40, 12, -30]))).toBe(0);
  });
});

describe('sRGB', () => {
  it('round-trips every tested hex through Lab', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 0xffffff }), (n) => {
        const hex = `#${n.toString(16).padStart(6, '0')}`;
        expect(screenColourFromLabD65(labD65FromHex(hex))).toEqual({ hex, inGamut: true });
      }),
    );
  });

  it('has the known Lab of the red primary', () => {
    // IEC 61966-2-1 red in D65 Lab, as published: 53.24, 80.09, 67.20.
    const [L, a, b] = labD65FromHex('#ff0000');
    expect(L).toBeCloseTo(53.24, 1);
    expect(a).toBeCloseTo(80.09, 1);
    expect(b).toBeCloseTo(67.2, 1);
  });

  it('refuses what is not #rrggbb', () => {
    expect(() => linearRgbFromHex('#fff')).toThrow('A colour is written #rrggbb, got "#fff"');
  });

  it('round-trips OKLCH', () => {
    const rgb = linearRgbFromHex('#4a63b0');
    const back = linearRgbFromOklab(oklabFromOklch(oklchFromOklab(oklabFromLinearRgb(rgb))));
    expect(hexFromLinearRgb(back)).toBe('#4a63b0');
  });
});

describe('gamut mapping', () => {
  it('flags what the screen cannot show and keeps its hue and lightness', () => {
    const wild: LabD65 = [60, 110, 20];
    const shown = screenColourFromLabD65(wild);
    expect(shown.inGamut).toBe(false);
    const [L0, , h0] = oklchFromOklab(oklabFromLinearRgb(linearRgbFromLabD65(wild)));
    const [L1, C1, h1] = oklchFromOklab(oklabFromLinearRgb(linearRgbFromHex(shown.hex)));
    expect(L1).toBeCloseTo(L0, 2);
    expect(Math.abs(h1 - h0)).toBeLessThan(1);
    expect(C1).toBeGreaterThan(0.1);
  });

  it('clips beyond white and black', () => {
    expect(screenColourFromLabD65([120, 0, 0])).toEqual({ hex: '#ffffff', inGamut: false });
    expect(screenColourFromLabD65([-5, 0, 0]).hex).toBe('#000000');
  });
});
