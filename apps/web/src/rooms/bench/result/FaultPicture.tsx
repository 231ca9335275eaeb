import { type ReactNode } from 'react';
import { type FaultId } from '@kleur/core/record';
import styles from './result.module.css';

/*
 * Small drawings of a bar’s cut face, one a fault: lines of two layers with what is wrong in them. The bar is 44 × 30
 * with its corner at (2, 2).
 */

const dots = (...at: readonly (readonly [number, number, number])[]): ReactNode =>
  at.map(([x, y, r]) => <circle key={`${x} ${y}`} cx={x} cy={y} r={r} fill="currentColor" />);
const line = (d: string, width = 1.5, dash?: string): ReactNode => (
  <path d={d} fill="none" stroke="currentColor" strokeWidth={width} strokeDasharray={dash} />
);
const area = (d: string, strength = 0.35): ReactNode => (
  <path d={d} fill="currentColor" fillOpacity={strength} />
);
const LOWER = 'M2 17H46V32H2Z';
const layers = area(LOWER);

const PICTURES: Readonly<Record<FaultId, ReactNode>> = {
  specks: dots(
    [9, 9, 1.6],
    [18, 20, 1.2],
    [27, 8, 1.1],
    [33, 24, 1.7],
    [40, 13, 1.2],
    [13, 27, 1.1],
    [23, 14, 0.9],
  ),
  streaks: (
    <>
      {line('M8 4L14 30', 2.5)}
      {line('M18 4L22 30', 1)}
      {line('M27 4L34 30', 3)}
      {line('M38 4L41 30', 1.2)}
    </>
  ),
  bleed: (
    <>
      {layers}
      {area('M2 17C6 10 10 17 14 12C18 8 22 17 27 11C31 7 36 16 40 12C43 9 45 15 46 17Z', 0.18)}
    </>
  ),
  tan: (
    <>
      {area('M2 2H46V32H2Z', 0.45)}
      <rect x="9" y="8" width="30" height="18" fill="var(--field)" />
    </>
  ),
  faded: (
    <>
      {area('M2 2H13V32H2Z', 0.6)}
      {area('M13 2H24V32H13Z', 0.35)}
      {area('M24 2H35V32H24Z', 0.16)}
    </>
  ),
  changed: (
    <>
      {area('M2 2H22V32H2Z', 0.6)}
      {line('M25 17H40M35 12L40 17L35 22')}
    </>
  ),
  'lather-colour': (
    <>
      {area('M2 2H46V12H2Z', 0.6)}
      <circle cx="12" cy="20" r="5" fill="none" stroke="currentColor" />
      <circle cx="24" cy="24" r="6" fill="currentColor" fillOpacity={0.3} stroke="currentColor" />
      <circle cx="36" cy="19" r="5" fill="none" stroke="currentColor" />
    </>
  ),
  ash: (
    <>
      {area('M2 10H46V32H2Z', 0.45)}
      {line('M3 7C8 3 11 9 16 6S26 3 31 7S41 4 45 7', 2, '1 2')}
    </>
  ),
  rivers: (
    <>
      {line('M4 8C12 14 14 6 20 12S30 18 44 9', 1)}
      {line('M3 24C10 18 18 28 24 21S36 26 45 20', 1)}
      {line('M20 12C22 16 21 18 24 21', 1)}
    </>
  ),
  air: (
    <>
      {[
        [10, 10, 2.5],
        [22, 22, 3.5],
        [33, 10, 2],
        [38, 25, 2.5],
      ].map(([x, y, r]) => (
        <circle key={x} cx={x} cy={y} r={r} fill="none" stroke="currentColor" />
      ))}
    </>
  ),
  'partial-gel': (
    <>
      <ellipse cx="24" cy="17" rx="15" ry="9" fill="currentColor" fillOpacity={0.4} />
      <ellipse cx="24" cy="17" rx="15" ry="9" fill="none" stroke="currentColor" strokeDasharray="2 2" />
    </>
  ),
  'knife-drag': (
    <>
      {layers}
      {line('M10 17V26M18 17V24M26 17V28M36 17V25', 1)}
      {dots([10, 27, 1.2], [26, 29, 1.2])}
    </>
  ),
  'wall-gaps': (
    <>
      {layers}
      <path d="M2 8C7 9 7 13 2 15Z M46 20C40 21 40 27 46 29Z" fill="var(--ink)" />
    </>
  ),
  cracked: line('M6 2L12 10L9 15L18 22L15 32', 2),
  soft: (
    <>
      <path d="M2 32C2 20 6 12 24 12S46 20 46 32Z" fill="currentColor" fillOpacity={0.4} />
      {line('M20 12C20 17 28 17 28 12', 1.2)}
    </>
  ),
  overheated: (
    <>
      {area('M2 12C10 0 38 0 46 12V32H2Z', 0.4)}
      {dots([16, 16, 2], [24, 20, 2.6], [32, 15, 1.8], [25, 11, 1.5])}
    </>
  ),
  'layers-apart': (
    <>
      {area('M2 20H46V32H2Z', 0.4)}
      <path d="M2 14H46L46 20L2 18Z" fill="var(--ink)" />
    </>
  ),
  'lye-heavy': (
    <>
      <rect x="9" y="8" width="5" height="4" fill="currentColor" />
      <rect x="28" y="20" width="6" height="4" fill="currentColor" />
      {dots([20, 15, 1.5], [38, 9, 1.5], [14, 26, 1.5])}
      {line('M22 32L25 25L30 32', 1)}
    </>
  ),
  'false-emulsion': (
    <>
      {area('M2 2H46V10H2Z', 0.15)}
      {line('M2 10H46', 1)}
      {dots(
        [8, 18, 1.4],
        [16, 23, 1.4],
        [24, 17, 1.4],
        [32, 25, 1.4],
        [40, 19, 1.4],
        [12, 28, 1.4],
        [28, 29, 1.4],
      )}
    </>
  ),
  merged: (
    <>
      {area('M2 2H46V17H2Z', 0.38)}
      {area(LOWER, 0.44)}
      {line('M2 17H46', 0.8, '2 2')}
    </>
  ),
  mud: (
    <>
      {area('M2 2H46V32H2Z', 0.45)}
      {line('M6 10C14 4 20 18 28 10S40 10 43 14', 3)}
      {line('M6 24C14 18 20 31 28 24S40 22 43 27', 3)}
    </>
  ),
  'layers-uneven': area('M2 22C12 10 22 30 32 14S42 18 46 12V32H2Z', 0.4),
  'layers-broken': area('M2 14H17C18 26 22 29 25 29S31 26 32 14H46V8H2Z', 0.5),
  'too-fine': line(
    'M4 6C10 10 16 2 22 6S34 10 44 5M4 11C10 15 16 7 22 11S34 15 44 10M4 16C10 20 16 12 22 16S34 20 44 15M4 21C10 25 16 17 22 21S34 25 44 20M4 26C10 30 16 22 22 26S34 30 44 25',
    0.9,
  ),
  'too-coarse': area('M2 6C14 2 26 14 22 22S8 30 2 28Z M32 2C46 6 44 20 36 26S28 32 30 32H46V2Z', 0.4),
  'over-blended': (
    <>
      {area('M2 2H46V32H2Z', 0.25)}
      {line('M24 17C24 13 30 13 30 17S22 24 18 18S22 7 32 9S42 22 30 27S8 26 9 13', 1.6)}
    </>
  ),
  'poured-thin': (
    <>
      {area('M2 15C10 19 16 12 24 16S38 20 46 14V32H2Z', 0.4)}
      {line('M12 16V29M24 16V31M36 17V28', 2.5)}
    </>
  ),
  'poured-stiff': (
    <>
      <path
        d="M4 30C2 20 12 16 14 24C16 14 28 14 28 23C30 14 44 16 44 30Z"
        fill="currentColor"
        fillOpacity={0.45}
      />
      {line('M14 24V30M28 23V30', 1)}
    </>
  ),
  'given-up': (
    <>
      {layers}
      {line('M10 6L38 28M38 6L10 28', 2)}
    </>
  ),
  'piece-loose': (
    <>
      {area('M2 14H46V32H2Z', 0.35)}
      <path d="M19 14A5 5 0 0 1 29 14Z" fill="var(--ink)" />
      <circle cx="33" cy="7" r="4.5" fill="none" stroke="currentColor" strokeWidth={1.5} />
    </>
  ),
  'piece-cut': (
    <>
      <path d="M16 17A8 8 0 0 1 24 9V25A8 8 0 0 1 16 17Z" fill="currentColor" fillOpacity={0.5} />
      {line('M24 2V32', 1.8)}
    </>
  ),
  riced: (
    <>
      {[
        [9, 10],
        [18, 7],
        [28, 11],
        [38, 8],
        [13, 19],
        [23, 18],
        [33, 20],
        [9, 27],
        [19, 28],
        [29, 27],
        [39, 27],
      ].map(([x, y]) => (
        <ellipse key={`${x} ${y}`} cx={x} cy={y} rx="3" ry="1.7" fill="currentColor" />
      ))}
    </>
  ),
  seized: (
    <>
      <path d="M8 32V16L18 8H32L42 15V32Z" fill="currentColor" fillOpacity={0.45} />
      {line('M18 8L20 32M32 8L28 32', 1)}
    </>
  ),
  weeping: (
    <>
      {area('M2 10H46V32H2Z', 0.3)}
      {[11, 22, 34].map((x) => (
        <path
          key={x}
          d={`M${x} 14C${x + 3} 19 ${x + 2} 22 ${x} 22S${x - 3} 19 ${x} 14Z`}
          fill="currentColor"
        />
      ))}
    </>
  ),
  pleasing: line('M24 6L27 14L36 14L29 19L32 28L24 22L16 28L19 19L12 14L21 14Z', 1.6),
};

/** A fault as a bar shows it. */
export function FaultPicture({ fault }: { readonly fault: FaultId }) {
  return (
    <svg className={styles.faultPicture} width="48" height="34" viewBox="0 0 48 34" aria-hidden>
      {PICTURES[fault]}
      <rect x="2" y="2" width="44" height="30" fill="none" stroke="currentColor" />
    </svg>
  );
}
