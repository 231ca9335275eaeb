import { type MaterialWire, type TestBarWrite } from '@kleur/contract';
import { type LabD65 } from '@kleur/core/colour';
import { type ReadHow, TEST_BAR_LIMITS } from '@kleur/core/evidence';
import { newId } from '../../data/newId.ts';

/** A colourant of a bar, as far as it is told. */
export interface DoseRow {
  readonly id: string;
  readonly materialId: string | null;
  /** g/kg oils. */
  readonly dose: number | null;
}

/** Oils of a bar by the ids of the shelf; none for the reference base. */
export type BarOils = readonly { readonly materialId: string; readonly share: number }[];

/** For good: sent again after a failure it is the same bar. */
export const newBarId = (): string => `${newId()}${newId()}`;

export const emptyRow = (materialId: string | null = null): DoseRow => ({
  id: newId(),
  materialId,
  dose: null,
});

/** What is told of a bar beside its colour. */
export interface ToldBar {
  readonly id: string;
  /** Empty for what is in it. */
  readonly name: string;
  readonly rows: readonly DoseRow[];
  readonly gelled: boolean;
  readonly lot: string;
}

/** Why a bar cannot be kept; empty for no reason. */
export const doseProblem = (rows: readonly DoseRow[]): string =>
  rows.some((r) => r.materialId !== null && !(r.dose !== null && r.dose > 0))
    ? 'A colourant needs a dose of more than 0 g/kg. Take it away where the bar holds none.'
    : '';

/** A bar as it is sent. @param rest what it shares with other bars, and how its colour was found */
export function barWrite(
  { id, name, rows, gelled, lot }: ToldBar,
  rest: {
    readonly on: string;
    readonly hours: number;
    readonly oils: BarOils;
    readonly vanillin: number;
    readonly lab: LabD65;
    readonly how: ReadHow;
    readonly doubt: number;
    readonly instrument?: string;
    readonly hasGloss?: boolean;
  },
  shelf: readonly MaterialWire[],
): TestBarWrite {
  const doses = rows.flatMap((r) =>
    r.materialId !== null && r.dose !== null ? [{ materialId: r.materialId, dose: r.dose }] : [],
  );
  const said = doses.map((d) => shelf.find((m) => m.id === d.materialId)?.name ?? '').join(' + ');
  return {
    ...rest,
    id,
    name: (name.trim() || said || 'Bare bar').slice(0, TEST_BAR_LIMITS.name),
    gel: Number(gelled),
    note: '',
    doses,
    ...(lot.trim() !== '' && { lot: lot.trim() }),
  };
}
