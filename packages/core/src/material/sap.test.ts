import { readSap, SAP_KOH_RANGE } from './sap.ts';

it('reads a value in either unit, and gives both', () => {
  // 190 mg KOH/g: 0.190 × 39.997 / 56.105 = 0.135450 g NaOH/g.
  expect(readSap(190)).toEqual({ koh: 190, naoh: expect.closeTo(0.13545, 5), typedIn: 'koh' });
  expect(readSap(0.13545)).toEqual({ koh: expect.closeTo(190, 2), naoh: 0.13545, typedIn: 'naoh' });
});

it('refuses what is a value in neither', () => {
  for (const value of [0, 0.0499, 0.2501, 1, 19, 59.9, 351.1, 1900]) expect(readSap(value)).toBeNull();
  for (const value of [0.05, 0.25, 60, 350]) expect(readSap(value)).not.toBeNull();
});

it('gives nothing that it would refuse', () => {
  for (const value of [0.05, 0.25]) {
    const { koh } = readSap(value)!;
    expect(koh).toBeGreaterThanOrEqual(SAP_KOH_RANGE.min);
    expect(koh).toBeLessThanOrEqual(SAP_KOH_RANGE.max);
  }
});
