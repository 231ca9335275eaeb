import { isWeighedCarrier } from '../material/material.ts';
import { massPerBar } from '../balance/perBar.ts';
import { materialOf } from '../plan/plan.ts';
import { scrubMeasures } from '../work/scrub.ts';
import { liquidName } from '../work/dispersion.ts';
import { NOTHING, type SheetContext } from './context.ts';
import { group, line, section, type SheetLine, type SheetSection } from './sheet.ts';

/** Everything beside oils, lye and liquid that must be on the bench, over all pots. */
export function gatherSection(ctx: SheetContext): SheetSection | null {
  const { plan, prep, print } = ctx;
  const powders = prep.totals
    .filter((t) => t.mass > 0)
    .map((t) =>
      line(`gather:${t.material.id}`, `${print.weighed(t.mass)} g`, t.material.name, {
        note: t.pots === 1 ? 'for 1 pot' : `for ${t.pots} pots`,
      }),
    );
  const others: SheetLine[] = [
    ...prep.additives
      .filter((a) => a.mass > NOTHING)
      .map((a) =>
        line(`gather:additive:${a.row.id}`, ctx.print.fine(a.mass), a.material.name, {
          note: [
            'for the batch',
            ...scrubMeasures(a.material, a.mass, massPerBar(plan, a.mass), ctx.measuring),
          ].join(', '),
        }),
      ),
    ...prep.lines
      .filter((l) => l.mass > NOTHING)
      .map((l) =>
        line(`gather:line:${l.line.id}`, `${print.number(l.mass, 2)} g`, l.material.name, {
          note: 'to be sieved',
        }),
      ),
    ...prep.embeds.flatMap((e) =>
      e.powders
        .filter((p) => p.mass > 0)
        .map((p) =>
          line(
            `gather:embed:${e.embed.id}:${p.materialId}`,
            `${print.number(p.mass, 2)} g`,
            materialOf(plan, p.materialId).name,
            {
              note: `for ${e.embed.name}`,
            },
          ),
        ),
    ),
    ...(prep.scent?.parts ?? [])
      .filter((p) => p.mass > NOTHING)
      .map((p) =>
        line(`gather:scent:${p.material.id}`, ctx.print.fine(p.mass), p.material.name, { note: 'scent' }),
      ),
    ...(prep.scent && prep.scent.stabiliser > NOTHING
      ? [line('gather:stabiliser', ctx.print.fine(prep.scent.stabiliser), 'Vanillin stabiliser')]
      : []),
    ...prep.carriers
      .filter((c) => isWeighedCarrier(c.medium) && c.mass > NOTHING)
      .map((c) =>
        line(
          `gather:carrier:${c.medium}:${c.fromBatch}`,
          ctx.print.grams(c.mass),
          liquidName(plan, c.medium, c.fromBatch),
          {
            note: `for dispersing${c.fromBatch ? (c.medium === 'water' ? ', out of the liquid' : ', out of the oils') : ''}`,
          },
        ),
      ),
  ];
  return section('gather', 'Gather, over all pots', [
    group('gather:powders', 'Colour', powders),
    group('gather:others', 'And besides', others),
  ]);
}
