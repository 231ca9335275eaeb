import { type MaterialWire, type TestBarWrite } from '@kleur/contract';
import { type LabD65 } from '@kleur/core/colour';
import { farFromBases, NEAR_A_BASE, type ReadHow, TEST_BAR_LIMITS, type TestBar } from '@kleur/core/evidence';
import { type Printer } from '@kleur/core/units';
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

/** Stands for a colourant where the maker says that a bar has none. */
export const NO_COLOUR = 'none';

const holds = (r: DoseRow): boolean => r.materialId !== null && r.materialId !== NO_COLOUR;

/** Whether the maker says that the bar is uncoloured soap; what nobody said is not. */
export const isUncoloured = (rows: readonly DoseRow[]): boolean =>
  !rows.some(holds) && rows.some((r) => r.materialId === NO_COLOUR);

/** Why a bar cannot be kept; empty for no reason. */
export function doseProblem(rows: readonly DoseRow[]): string {
  if (rows.some((r) => holds(r) && !(r.dose !== null && r.dose > 0)))
    return 'A colourant needs a dose of more than 0 g/kg. Remove it if the bar holds none.';
  return rows.some(holds) || isUncoloured(rows)
    ? ''
    : 'Choose what the bar holds, or “None: uncoloured soap”.';
}

/** The rows of a bar that was kept. */
export const rowsOf = ({ doses }: Pick<TestBar, 'doses'>): DoseRow[] =>
  doses.length === 0
    ? [emptyRow(NO_COLOUR)]
    : doses.map(({ materialId, dose }) => ({ ...emptyRow(materialId), dose }));

/** Why a bar that is said to be uncoloured is asked about; empty where it looks like soap. */
export function uncolouredQuestion(
  rows: readonly DoseRow[],
  { lab, hours }: { readonly lab: LabD65; readonly hours: number },
  shelf: readonly MaterialWire[],
  print: Printer,
): string {
  if (!isUncoloured(rows)) return '';
  const far = farFromBases(lab, hours, shelf);
  return far > NEAR_A_BASE
    ? `This colour is ΔE ${print.number(far, 0)} from any uncoloured soap. Save again if the bar really holds no colour.`
    : '';
}

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
    readonly spectrum?: readonly number[];
    readonly note?: string;
  },
  shelf: readonly MaterialWire[],
): TestBarWrite {
  const doses = rows.flatMap((r) =>
    holds(r) && r.dose !== null ? [{ materialId: r.materialId!, dose: r.dose }] : [],
  );
  const said = doses.map((d) => shelf.find((m) => m.id === d.materialId)?.name ?? '').join(' + ');
  return {
    ...rest,
    id,
    name: (name.trim() || said || 'Uncoloured bar').slice(0, TEST_BAR_LIMITS.name),
    gel: Number(gelled),
    note: rest.note ?? '',
    doses,
    ...(lot.trim() !== '' && { lot: lot.trim() }),
  };
}
