import { NOTHING, type SheetContext } from './context.ts';
import { scentBlend } from '../balance/scent.ts';
import { line, type SheetLine } from './sheet.ts';

/** A portion of the scent with its stabiliser first, part by part. */
export function scentParts(ctx: SheetContext, key: string, mass: number, note: string): SheetLine[] {
  const { plan } = ctx;
  const { scent } = plan.base;
  if (!scent || !(mass > NOTHING)) return [];
  const { parts } = scentBlend(plan, scent, 1);
  const stabiliser = mass * scent.stabiliser;
  return [
    ...(stabiliser > NOTHING
      ? [
          line(`stabiliser:${key}`, ctx.print.fine(stabiliser), 'Vanillin stabiliser', {
            note: 'into the scent first, stirred',
          }),
        ]
      : []),
    ...parts
      .filter((p) => p.share > 0)
      .map((p) =>
        line(`scent:${key}:${p.material.id}`, ctx.print.fine(mass * p.share), p.material.name, { note }),
      ),
  ];
}
