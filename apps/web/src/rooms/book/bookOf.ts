import { type BookEntry, type MaterialWire } from '@kleur/contract';
import { type FittedBase } from '@kleur/core/pigment';
import { type GelHabit, isBaseTold, type LearntBase } from '@kleur/core/plan';
import { baseHabits } from '@kleur/core/evidence';
import { type Printer } from '@kleur/core/units';
import { isColourant } from '@kleur/core/material';

/** A bar that holds a colourant, at its dose of it. */
export interface Bar extends BookEntry {
  readonly dose: number;
  /** Whether it is the only colourant in it. */
  readonly isAlone: boolean;
}

/** A page of the book: a colourant and its bars in order of dose. */
export interface BookMaterial {
  readonly material: MaterialWire;
  readonly bars: readonly Bar[];
}

/** Colourants with bars first, the most of them first; then those that are on the shelf and were never read. */
export function bookOf(
  shelf: readonly MaterialWire[],
  readings: readonly BookEntry[],
): readonly BookMaterial[] {
  return shelf
    .filter((m) => m.optics?.specks === null && isColourant(m.kind))
    .map((material) => ({ material, bars: barsOf(material.id, readings) }))
    .filter(({ material, bars }) => bars.length > 0 || material.inStock)
    .sort((a, b) => b.bars.length - a.bars.length || a.material.name.localeCompare(b.material.name));
}

const barsOf = (id: string, readings: readonly BookEntry[]): Bar[] =>
  readings
    .flatMap((r) => {
      const own = r.doses.find((d) => d.materialId === id);
      return own ? [{ ...r, dose: own.dose, isAlone: r.doses.length === 1 }] : [];
    })
    .sort((a, b) => a.dose - b.dose);

/** Bars by their lots, those of no lot first; a single group where no two lots were read. */
export function lotsOf(
  bars: readonly Bar[],
): readonly { readonly lot: string; readonly bars: readonly Bar[] }[] {
  const lotOf = (b: Bar): string => (b.isAlone ? (b.lot ?? '') : '');
  const lots = [...new Set(bars.map(lotOf))].sort((a, b) => a.localeCompare(b));
  if (lots.filter((lot) => lot !== '').length < 2) return [{ lot: '', bars }];
  return lots.map((lot) => ({ lot, bars: bars.filter((b) => lotOf(b) === lot) }));
}

/** What is known of a curve, in one sentence. */
export function evidenceOf({ curve }: MaterialWire, bars: number): string {
  if (curve?.origin.kind === 'fitted') {
    const { readings } = curve.origin;
    const miss = curve.typicalMiss == null ? '' : `typical miss ΔE ${curve.typicalMiss.toFixed(1)}, `;
    return `Fitted to ${readings === 1 ? 'one of your bars' : `${readings} of your bars`}; ${miss}strength ±\u00a0${percent(curve.spread)}`;
  }
  const guess = `Shelf default, a guess: strength ±\u00a0${percent(curve?.spread ?? 0)}`;
  return bars === 0 ? guess : `${guess}. ${bars === 1 ? 'One bar was' : `${bars} bars were`} read`;
}

/** What is known of the bare base, in one sentence. */
export function baseEvidence(learnt: LearntBase | null, bars: number): string {
  if (learnt && isBaseTold(learnt))
    return `From ${learnt.readings === 1 ? 'one bare bar' : `${learnt.readings} bare bars`} of yours`;
  const guess = 'The reference base, a guess';
  return bars === 0
    ? `${guess}. Read a bar without colour, gelled and not, and it becomes yours.`
    : `${guess}. ${bars === 1 ? 'One bare bar was' : `${bars} bare bars were`} read.`;
}

/** What is known of how a maker’s soap behaves. */
export interface Habits {
  readonly base: FittedBase;
  readonly gel?: GelHabit | null;
}

/**
 * What was learnt of how this maker's soap behaves, one sentence each: when it gels, how scents brown, how a fresh bar
 * differs from the model's on its way to the cured one.
 */
export function habitLines({ base, gel }: Habits, print: Printer): string[] {
  const times = (factor: number): string => `× ${print.number(factor, 2)}`;
  const { browning, fresh } = baseHabits(base);
  const when = gel && Math.abs(gel.shift) >= 0.5 ? (gel.shift > 0 ? 'later' : 'earlier') : null;
  return [
    ...(gel
      ? [
          `Left to itself your soap gels ${when ? `about ${print.number(Math.abs(gel.shift), 0)} °C ${when} than by the table` : 'as by the table'}, from ${gel.batches === 1 ? 'one batch' : `${gel.batches} batches`}.`,
        ]
      : []),
    ...(browning
      ? [
          `Your scents brown ${times(browning.amount)} as much as their sheets say, in ${times(browning.time)} the time.`,
        ]
      : []),
    ...(fresh
      ? [
          `In your fresh bars the base takes in ${times(fresh.absorbs)} and scatters ${times(fresh.scatters)} of what it usually does at that age.`,
        ]
      : []),
  ];
}

export const percent = (share: number): string => `${Math.round(share * 100)}\u00a0%`;
