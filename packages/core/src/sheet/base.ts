import { isEarly } from '../material/material.ts';
import { type LyeFlow } from '../balance/flow.ts';
import { liquidParts } from '../plan/liquid.ts';
import { type AdditiveMoment, materialOf } from '../plan/plan.ts';
import { scentParts } from './scentLines.ts';
import { batterName, NOTHING, type SheetContext } from './context.ts';
import { group, line, section, type SheetGroup, type SheetLine, type SheetSection } from './sheet.ts';
import { LYE_CAUTIONS, liquidCautions, powderCaution, scentCautions } from './cautions.ts';

/** Key of a lye in the ids of its lines. */
const keyOf = (l: LyeFlow): string => l.potId ?? 'common';

/** Adds up what is in a vessel, line by line. */
function vessel(ctx: SheetContext): (id: string, mass: number, what: string, note?: string) => SheetLine {
  let sum = 0;
  return (id, mass, what, note = '') => {
    sum += mass;
    const amount = ctx.print.fine(mass);
    const running = ctx.print.mass(sum);
    return line(id, amount, what, { note, running: running === amount ? '' : running });
  };
}

/** The liquid by its parts: `20.0 g Water + 20.0 g Oat milk`; empty for plain water. */
function mixOf(ctx: SheetContext, mass: number): string {
  const parts = liquidParts(ctx.plan);
  if (parts.length === 1) return parts[0]!.id === 'water' ? '' : `of ${parts[0]!.name}`;
  return parts.map((p) => `${ctx.print.fine((mass * p.percent) / 100)} ${p.name}`).join(' + ');
}

/** What goes into the oils or the lye of one batter beside them: of the whole batch, and of pots that have it to themselves. */
function earlyLines(
  ctx: SheetContext,
  l: LyeFlow,
  moment: Extract<AdditiveMoment, 'lye-water' | 'oils'>,
): { readonly id: string; readonly mass: number; readonly what: string; readonly note: string }[] {
  const { prep, flow } = ctx;
  const medium = moment === 'oils' ? 'batch-oils' : 'lye-water';
  const note = moment === 'oils' ? 'blended in; scrape the pot and hunt for lumps' : 'stirred in';
  const common = prep.additives
    .filter((a) => a.row.moment === moment && a.byLye.get(l.potId)! > NOTHING)
    .map((a) => ({
      id: `additive:${keyOf(l)}:${a.row.id}`,
      mass: a.byLye.get(l.potId)!,
      what: a.material.name,
      note,
    }));
  const own = flow.pots
    .filter((p) => p.group === l.potId)
    .flatMap((p) =>
      p.doses
        .filter((d) => isEarly(d.row.carrier) && d.row.carrier!.medium === medium && d.powder > NOTHING)
        .map((d) => ({
          id: `early:${p.pot.id}:${d.row.id}`,
          mass: prep.pots.find((x) => x.pot === p.pot)!.rows.find((r) => r.row === d.row)!.measured.mass,
          what: materialOf(ctx.plan, d.row.materialId).name,
          note: `${note}; the colour of ${p.pot.name}`,
        })),
    );
  return [...common, ...own];
}

/** The lye of each batter: its liquid, what is dissolved in it, what is kept out of it. */
export function lyeSection(ctx: SheetContext): SheetSection | null {
  const { prep, stopped } = ctx;
  const groups = prep.lyes.map((l): SheetGroup | null => {
    const key = keyOf(l);
    const title = prep.lyes.length > 1 ? batterName(ctx, l.potId) : '';
    if (stopped)
      return group(
        `lye:${key}`,
        title,
        [line(`lye:${key}:hidden`, '', 'The lye amount is hidden until every stop is settled')],
        l.potId,
      );
    const into = vessel(ctx);
    const lines = liquidParts(ctx.plan).map((p) =>
      into(
        `liquid:${key}:${p.id}`,
        (l.vessel * p.percent) / 100,
        p.name,
        p.frozen ? 'into the lye vessel, frozen' : 'into the lye vessel',
      ),
    );
    for (const a of earlyLines(ctx, l, 'lye-water')) lines.push(into(a.id, a.mass, a.what, a.note));
    lines.push(
      into(
        `naoh:${key}`,
        l.naoh,
        'Sodium hydroxide',
        'into the liquid, in small portions, stirring; never the other way round',
      ),
    );
    if (l.koh > NOTHING)
      lines.push(into(`koh:${key}`, l.koh, 'Potassium hydroxide', 'into the same liquid, in small portions'));
    if (l.heldForDispersions > NOTHING)
      lines.push(
        keptLine(
          ctx,
          `cups-liquid:${key}`,
          l.heldForDispersions,
          'kept for the cups, not into the lye vessel',
        ),
      );
    if (l.heldForLater > NOTHING)
      lines.push(
        keptLine(ctx, `late-liquid:${key}`, l.heldForLater, 'kept for later, not into the lye vessel'),
      );
    return group(`lye:${key}`, title, lines, l.potId);
  });
  return section('lye', 'Lye', groups, stopped ? [] : [...LYE_CAUTIONS, ...liquidCautions(ctx.plan)]);
}

function keptLine(ctx: SheetContext, id: string, mass: number, note: string): SheetLine {
  const mix = mixOf(ctx, mass);
  return line(id, ctx.print.fine(mass), 'liquid', { note: mix ? `${mix}; ${note}` : note });
}

/** The oils of each batter, what is kept off them for cups, and what is blended into them. */
export function oilsSection(ctx: SheetContext): SheetSection | null {
  const { plan, prep, print } = ctx;
  const { scent } = plan.base;
  const groups = prep.lyes.map((l): SheetGroup | null => {
    const key = keyOf(l);
    const into = vessel(ctx);
    const lines = l.rows
      .filter((o) => o.mass > NOTHING)
      .map((o) => into(`oil:${key}:${o.materialId}`, o.mass, materialOf(plan, o.materialId).name));
    if (l.heldOil > NOTHING && l.carrierOil !== null)
      lines.push(
        line(`held-oil:${key}`, ctx.print.fine(l.heldOil), materialOf(plan, l.carrierOil).name, {
          note: 'taken off again for the cups',
          running: print.mass(l.oils - l.heldOil),
        }),
      );
    for (const a of earlyLines(ctx, l, 'oils'))
      lines.push(line(a.id, ctx.print.fine(a.mass), a.what, { note: a.note }));
    if (scent?.when === 'oils')
      lines.push(
        ...scentParts(ctx, `oils:${key}`, (scent.dose * l.oils) / 1000, 'into the oils, before the lye'),
      );
    return group(`oils:${key}`, prep.lyes.length > 1 ? batterName(ctx, l.potId) : '', lines, l.potId);
  });
  const powders = groups.some((g) =>
    g?.lines.some((l) => l.id.startsWith('additive:') || l.id.startsWith('early:')),
  );
  return section('oils', 'Oils', groups, [
    ...(powders ? powderCaution(ctx) : []),
    ...(scent?.when === 'oils' ? scentCautions(ctx) : []),
  ]);
}

/** Lye into oils, and the sign that the batter may be divided. */
export function combineSection(ctx: SheetContext): SheetSection | null {
  const { plan, print, prep } = ctx;
  const { temperature } = plan.base;
  const seconds = plan.work.blendSeconds;
  const isOne = prep.lyes.length < 2;
  const groups = prep.lyes.flatMap((l) => {
    const key = isOne ? '' : `:${keyOf(l)}`;
    const name = isOne ? '' : batterName(ctx, l.potId);
    return [
      group(
        `combine${key}`,
        name,
        [
          line(`combine${key}:pour`, '', 'Pour the lye into the oils', {
            note: `both at about ${print.temperature(temperature)}, down the shaft of the blender; let its trapped air out first`,
          }),
          line(`combine${key}:emulsion`, '', 'Blend to emulsion', {
            note: seconds > 0 ? `and ${print.number(seconds, 0)} s more` : 'then stir by hand',
          }),
        ],
        l.potId,
      ),
      group(
        `holds${key}`,
        isOne ? 'Does the emulsion hold?' : `Does the emulsion hold? ${name}`,
        [
          line(`combine${key}:holds`, '', 'Wait a minute, then see whether the emulsion holds', {
            note: 'no grain, no oil at the edge; otherwise blend again before anything is taken off',
          }),
        ],
        l.potId,
      ),
    ];
  });
  return section('combine', 'Bring them together', groups);
}
