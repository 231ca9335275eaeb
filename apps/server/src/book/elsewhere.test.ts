import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type LabD65, labD50FromReflectance, wavelengths } from '@kleur/core/colour';
import { printCgats } from '@kleur/core/formats';

/** A colour-management program of the system’s own packages, which compares two files of measurements. */
const PROGRAM = 'colverify';
const PACKAGE = 'argyll';
const INSTALL_MS = 120_000;

function isThere(): boolean {
  return spawnSync(PROGRAM).error === undefined;
}
function isInstalled(): boolean {
  if (isThere()) return true;
  spawnSync('apt-get', ['install', '-y', '--no-install-recommends', PACKAGE], {
    timeout: INSTALL_MS,
  });
  return isThere();
}
const canRead = isInstalled();
if (!canRead)
  console.warn(`The package ${PACKAGE} cannot be installed here: files are not read by another program.`);

describe('files of measurements elsewhere', () => {
  const folder = mkdtempSync(join(tmpdir(), 'kleur-cgats-'));
  afterAll(() => {
    rmSync(folder, { recursive: true, force: true });
  });
  const write = (name: string, text: string): string => {
    writeFileSync(join(folder, name), text);
    return join(folder, name);
  };

  (canRead ? it : it.skip)(
    'are read by another program, which sees the same colours in the spectra as in Lab',
    () => {
      const samples = Array.from({ length: 12 }, (_, i) => {
        const spectrum = Float64Array.from(
          wavelengths,
          (nm) => 0.08 + 0.05 * i + 0.25 * Math.exp(-(((nm - 430 - 20 * i) / 60) ** 2)),
        );
        return { name: `Bar "${i}", with white`, spectrum, lab: null, rest: { LOT: i % 2 ? 'L 7' : '' } };
      });
      const spectra = write('spectra.txt', printCgats(samples));
      // What the other program works out of a spectrum is Lab for D50.
      const labs = write(
        'labs.txt',
        printCgats(
          samples.map((s) => ({
            ...s,
            spectrum: null,
            lab: labD50FromReflectance(s.spectrum) as unknown as LabD65,
          })),
        ),
      );
      const { status, stdout } = spawnSync(PROGRAM, ['-v', '-k', labs, spectra], { encoding: 'utf8' });
      expect(status).toBe(0);
      expect(stdout).toContain('No of test patches = 12');
      const [, peak] = /Total errors[^=]*peak = ([\d.]+)/.exec(stdout)!;
      expect(Number(peak)).toBeLessThan(0.3);
    },
  );
});
