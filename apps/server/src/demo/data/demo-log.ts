import { defaultSettings } from '@kleur/contract';
import { cupsOf, type LogEntry, logEntry, runSheetOf } from '@kleur/core/day';
import { type Plan } from '@kleur/core/plan';
import { sheetOf } from '@kleur/core/sheet';
import { plainPrinter } from '@kleur/core/units';
import { prepSheet } from '@kleur/core/work';

/** The batch of the demo that is being made. */
export const BEING_MADE = 'Verdigris roofs';

const MS_BETWEEN = 150_000;

/** A making day up to the first coloured pot: everything before it is done, and its cup went in but for a quarter. */
export function demoLog(plan: Plan, now: Date): LogEntry[] {
  const { measuring } = defaultSettings;
  const steps = runSheetOf(plan, sheetOf(plan, measuring, plainPrinter));
  const first = steps.findIndex((s) => s.id.startsWith('colour/'));
  const potId = steps[first]?.potId ?? '';
  const said: readonly Omit<Parameters<typeof logEntry>[0], 'id' | 'at'>[] = [
    ...steps.slice(0, first).map((s) => ({ kind: 'done' as const, target: s.id })),
    ...cupsOf(prepSheet(plan, measuring))
      .filter((c) => c.potId === potId)
      .map((c) => ({ kind: 'added' as const, potId, target: c.id, by: 'part' as const, value: 0.75 })),
    { kind: 'thickness', potId, value: 1 },
  ];
  return said.map((entry, i) =>
    logEntry({ ...entry, id: `demo-log-${i}`, at: now.getTime() - (said.length - i) * MS_BETWEEN }),
  );
}
