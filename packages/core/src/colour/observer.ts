import { type Xyz } from './xyz.ts';

/**
 * CIE 1931 2° standard observer folded with an illuminant into ready weights for 36 bands.
 *
 * Source: CIE 15 (observer and D65, D50 tables). The 1 nm tables are folded into 10 nm bands through linear
 * interpolation of the reflectance, which on smooth spectra agrees with a 1 nm sum to about 0.0005 in XYZ
 * where the plain 10 nm sum is off by up to 0.1. Normalised so that the perfect diffuser has Y = 100.
 */

/** Tristimulus weights, three rows (X, Y, Z) of 36 bands, 380–730 nm. */
export interface TristimulusWeights {
  readonly x: Float64Array;
  readonly y: Float64Array;
  readonly z: Float64Array;
}

/** An observer under an illuminant: all that is needed to get from a reflectance to a colour. */
export interface Viewing {
  readonly illuminant: 'D65' | 'D50';
  readonly weights: TristimulusWeights;
  /** White point implied by the weights, so that a reflectance of 1 is exactly L* 100, a* 0, b* 0. */
  readonly white: Xyz;
  /** The weights over white: their sums are the ratios that CIELAB takes. */
  readonly ratios: TristimulusWeights;
}

const sum = (w: Float64Array): number => w.reduce((a, b) => a + b, 0);

function viewing(illuminant: Viewing['illuminant'], weights: TristimulusWeights): Viewing {
  const { x, y, z } = weights;
  const white: Xyz = [sum(x), sum(y), sum(z)];
  const over = (w: Float64Array, by: number): Float64Array => w.map((v) => v / by);
  return {
    illuminant,
    weights,
    white,
    ratios: { x: over(x, white[0]), y: over(y, white[1]), z: over(z, white[2]) },
  };
}

/** Daylight of 6504 K: screens, and the default. */
export const viewingD65 = viewing('D65', {
  x: Float64Array.from([
    0.0067891, 0.0236698, 0.1002071, 0.3755286, 1.199869, 2.396158, 3.4177861, 3.6986329, 3.2273528,
    2.1488526, 1.0423759, 0.3327286, 0.045479, 0.0980093, 0.6366866, 1.6665444, 2.8836415, 4.2504357,
    5.6258846, 6.9877098, 8.2135502, 8.7297764, 9.0147417, 8.4915526, 7.0503672, 5.1241163, 3.5158102,
    2.1672919, 1.2520663, 0.6783734, 0.3406772, 0.1534022, 0.0757903, 0.039064, 0.0195342, 0.0161879,
  ]),
  y: Float64Array.from([
    0.0001986, 0.0006755, 0.0027653, 0.0100494, 0.0354982, 0.0983655, 0.2260912, 0.417325, 0.6641536,
    0.9979896, 1.5012942, 2.1636842, 3.3520619, 5.1289941, 7.0763405, 8.7076389, 9.4736559, 9.7519261,
    9.4190869, 8.7216873, 7.8016879, 6.441847, 5.3510989, 4.2625333, 3.1451603, 2.1125671, 1.3732137,
    0.8175216, 0.4629795, 0.2482704, 0.1238055, 0.0554635, 0.0273646, 0.0141065, 0.007055, 0.0058436,
  ]),
  z: Float64Array.from([
    0.0318937, 0.1117431, 0.4746099, 1.7879254, 5.7652203, 11.6978544, 17.1502944, 19.5054028, 18.5205058,
    14.1366985, 8.8495372, 4.8558287, 2.802399, 1.6019292, 0.7912858, 0.4197169, 0.202306, 0.0855847,
    0.0365528, 0.0192552, 0.0143529, 0.0098227, 0.0067324, 0.0031814, 0.0013974, 0.000435, 0.0001379,
    0.0000171, -0.0000027, 0, 0, 0, 0, 0, 0, 0,
  ]),
});

/** Daylight of 5003 K: print, and the files that ask for it. */
export const viewingD50 = viewing('D50', {
  x: Float64Array.from([
    0.0033194, 0.0129363, 0.0596318, 0.233187, 0.7746564, 1.6185957, 2.4512943, 2.771801, 2.4983767,
    1.7179098, 0.8600428, 0.2831476, 0.0399455, 0.0882994, 0.593645, 1.5888972, 2.8002063, 4.2041445,
    5.6572556, 7.1349472, 8.5330679, 9.269238, 9.8333351, 9.464373, 8.0062544, 5.9320612, 4.1683322,
    2.6112842, 1.5413851, 0.8536677, 0.4332413, 0.1943743, 0.0969331, 0.0493267, 0.0244563, 0.0201256,
  ]),
  y: Float64Array.from([
    0.0000972, 0.0003694, 0.0016448, 0.0062234, 0.0228254, 0.0663612, 0.1622577, 0.3127355, 0.5140259,
    0.7984399, 1.2383789, 1.8410175, 2.9472559, 4.6324773, 6.5910154, 8.3016355, 9.1993325, 9.6450949,
    9.4717562, 8.9054018, 8.1051163, 6.8388056, 5.8367236, 4.7511397, 3.5718364, 2.4457353, 1.6281869,
    0.9850604, 0.5699805, 0.3124351, 0.1574478, 0.0702773, 0.0349984, 0.0178124, 0.0088326, 0.0072651,
  ]),
  z: Float64Array.from([
    0.0155882, 0.0610627, 0.2824002, 1.1100878, 3.721622, 7.9014975, 12.300951, 14.6182484, 14.3383175,
    11.3037541, 7.3014194, 4.1317957, 2.4657543, 1.4465781, 0.7369604, 0.4005816, 0.1964907, 0.0846918,
    0.0367904, 0.0196758, 0.0149169, 0.0104278, 0.0073428, 0.0035449, 0.0015889, 0.0005036, 0.0001641,
    0.0000207, -0.0000032, 0, 0, 0, 0, 0, 0, 0,
  ]),
});
