import { type PowderLine } from '../plan/embed.ts';
import { mediumName } from '../work/dispersion.ts';
import { type PrepPot } from '../work/prep.ts';
import { timelineOf, type TopStep } from '../work/timeline.ts';
import { jugOf, manyOf, NOTHING, type SheetContext } from './context.ts';
import { line, type SheetLine } from './sheet.ts';

/** Pots that are poured into the mould. */
export const inMould = ({ pots }: SheetContext['prep']): PrepPot[] =>
  pots.filter((p) => p.pot.place === 'mould' && p.flow.left > NOTHING);

/** Gaps between pours that a line can be sieved into; what is more goes on the top. */
const linesBetween = (prep: SheetContext['prep']): number => Math.max(0, inMould(prep).length - 1);

/** How a line or a dressing is brought on: dry, or in its carrier. */
export function broughtOn(
  { print }: SheetContext,
  { carrier }: PowderLine,
  mass: number,
  where: string,
): string {
  if (!carrier || carrier.ratio === 0) return `sieved ${where}`;
  return `stirred into ${print.number(mass * carrier.ratio, 2)} g of ${mediumName[carrier.medium]}, brushed or dripped ${where}`;
}

/** When the part that was kept of a pot is wanted. */
function keptUntil({ print }: SheetContext, { pot }: PrepPot, step: TopStep | null): string {
  if (!step || pot.ownLye) return 'kept back, spooned on last';
  return `kept back, spooned or piped on when it is ${step.wants}, about ${print.number(step.waits, 0)} min after its pour`;
}

/** What lies on the top: what was kept of the pots, powders, dressings, embeds. */
export function topLines(ctx: SheetContext, named: number): SheetLine[] {
  const { plan, prep, print } = ctx;
  const more = plan.moulding.reserve - named;
  const steps = timelineOf(plan, { order: ctx.order.order }).pots;
  const between = linesBetween(prep);
  return [
    ...prep.pots
      .filter((p) => p.flow.toTop > NOTHING)
      .map((p) =>
        line(`top:${p.pot.id}`, print.mass(p.flow.toTop), `of jug ${jugOf(ctx, p.pot)}`, {
          note:
            p.pot.place === 'top'
              ? 'piped or spooned on, when it is stiff'
              : keptUntil(ctx, p, steps.find((s) => s.pot.id === p.pot.id)?.top ?? null),
        }),
      ),
    ...(more > 0.5
      ? [
          line('top:reserve', print.mass(more), `${named > 0 ? 'more ' : ''}for the top or for piping`, {
            note: 'from any pot: it is not counted in the moulds',
          }),
        ]
      : []),
    ...prep.lines
      .filter((l) => l.line.count > between && l.mass > NOTHING)
      .map((l) =>
        line(
          `line:${l.line.id}:top`,
          `${print.number((l.mass / l.line.count) * (l.line.count - between), 2)} g`,
          l.material.name,
          {
            note: broughtOn(ctx, l.line, (l.mass / l.line.count) * (l.line.count - between), 'on the top'),
          },
        ),
      ),
    ...prep.pots.flatMap((p) =>
      p.rows
        .filter((r) => r.carrier?.medium === 'top' && r.wanted > 0)
        .map((r) =>
          line(`top-dose:${p.pot.id}:${r.row.id}`, `${print.weighed(r.measured.mass)} g`, r.material.name, {
            note: `out of cup ${ctx.pots.indexOf(p) + 1}, strewn over ${p.pot.name}`,
          }),
        ),
    ),
    ...prep.additives
      .filter((a) => a.row.moment === 'top' && a.mass > NOTHING)
      .map((a) =>
        line(`additive:top:${a.row.id}`, ctx.print.fine(a.mass), a.material.name, {
          note: 'on the top, sparingly where a bar is cut through it',
        }),
      ),
    ...prep.embeds
      .filter((e) => e.embed.onTop && e.count > 0)
      .map((e) =>
        line(`set:${e.embed.id}`, print.number(e.count, 0), `× ${e.embed.name}`, {
          note: `laid on the top, ${manyOf(ctx, e)}, clear of the cuts`,
        }),
      ),
  ];
}

/** Into spare moulds. */
export const spareLines = (ctx: SheetContext): SheetLine[] =>
  ctx.prep.pots
    .filter((p) => p.pot.place === 'spare' && p.flow.left > NOTHING)
    .map((p) =>
      line(
        `spare:${p.pot.id}`,
        ctx.print.mass(p.flow.left),
        `of jug ${jugOf(ctx, p.pot)} into a spare mould`,
      ),
    );
