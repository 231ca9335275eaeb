import { lateWater } from '../plan/late.ts';
import { type PrepAdditive, type Weighing, type WeighStage } from '../work/prep.ts';
import { FRESH_BATTER, scentCautions } from './cautions.ts';
import { batterName, jugOf, NOTHING, type SheetContext } from './context.ts';
import { scentParts } from './scentLines.ts';
import { group, line, section, type SheetGroup, type SheetLine, type SheetSection } from './sheet.ts';

/** Batter taken off into jugs, and what goes into the bowl between: stage by stage, so that each pot has what it should. */
export function splitSection(ctx: SheetContext): SheetSection | null {
  const { plan, prep } = ctx;
  const mini = prep.weighings.filter((w) => w.stage === 'own');
  const bowl = prep.weighings.filter((w) => w.from === null && w.stage !== 'own');
  const groups: (SheetGroup | null)[] = [
    ...[...new Set(mini.map((w) => w.pot))].map((pot) =>
      group(
        `batter:${pot.id}`,
        batterName(ctx, pot.id),
        [
          ...(pot.taken === 'emulsion' && plan.base.scent?.when !== 'batter' ? [] : lateLines(ctx, pot.id)),
          ...mini.filter((w) => w.pot === pot).map((w) => weighingLine(ctx, w)),
        ],
        pot.id,
      ),
    ),
    group('batter:common', mini.length > 0 ? batterName(ctx, null) : '', bowlLines(ctx, bowl)),
  ];
  return section('split', plan.pots.length > 0 ? 'Take the pots off the batter' : 'The batter', groups, [
    FRESH_BATTER,
    ...(plan.base.scent?.when === 'batter' ? scentCautions(ctx) : []),
  ]);
}

const STAGES: readonly WeighStage[] = ['emulsion', 'liquid', 'additives', 'scent'];

function bowlLines(ctx: SheetContext, weighings: readonly Weighing[]): SheetLine[] {
  const { flow, print, plan } = ctx;
  const lines = STAGES.flatMap((stage) => [
    ...stirredIn(ctx, null, stage),
    ...weighings.filter((w) => w.stage === stage).map((w) => weighingLine(ctx, w)),
  ]);
  if (flow.leftoverMass > 0.5)
    lines.push(
      line(
        'bowl:rest',
        print.mass(flow.leftoverMass),
        plan.pots.length > 0 ? 'stays in the bowl' : 'of batter in all',
        {
          note: plan.pots.length > 0 ? 'it goes to no pot' : '',
        },
      ),
    );
  return lines;
}

function weighingLine(ctx: SheetContext, w: Weighing): SheetLine {
  const { print, plan } = ctx;
  const own = w.stage === 'own';
  const all = own && ctx.prep.weighings.findLast((x) => x.pot === w.pot && x.from === null) === w;
  return line(`draw:${w.pot.id}:${w.drawId}`, print.mass(w.mass), `into jug ${jugOf(ctx, w.pot)}`, {
    note: `${print.volume(w.volume)}, jug tared${own ? (all ? '; all of it' : '') : `; ${print.mass(w.remains ?? 0)} stays in the bowl`}${plan.pots.length > 1 && w.pot.hoursBefore > 0 ? `; poured ${print.number(w.pot.hoursBefore, 1)} h before the last` : ''}`,
  });
}

/** All that a mini-batch gets late. */
const lateLines = (ctx: SheetContext, potId: string): SheetLine[] =>
  STAGES.flatMap((stage) => stirredIn(ctx, potId, stage));

/** What is stirred into a batter to bring it to a stage. */
function stirredIn(ctx: SheetContext, potId: string | null, stage: WeighStage): SheetLine[] {
  const { prep, flow } = ctx;
  const key = potId ?? 'common';
  const of = (moment: 'water' | 'trace'): readonly PrepAdditive[] =>
    prep.additives.filter((a) => a.row.moment === moment && (a.byLye.get(potId) ?? 0) > NOTHING);
  const lye = flow.lyes.find((l) => l.potId === potId);
  switch (stage) {
    case 'liquid': {
      const wetted = of('water').map((a) => {
        const mass = a.byLye.get(potId)!;
        return { a, mass, water: mass * lateWater(a.row, a.material) };
      });
      const rest = (lye?.heldForLater ?? 0) - wetted.reduce((sum, w) => sum + w.water, 0);
      return [
        ...(rest > NOTHING
          ? [
              line(`stir:${key}:liquid`, ctx.print.fine(rest), 'of the liquid kept for later', {
                note: 'stirred into the batter',
              }),
            ]
          : []),
        ...wetted.map(({ a, mass, water }) =>
          line(`additive:${key}:${a.row.id}`, ctx.print.fine(mass), a.material.name, {
            note:
              water > NOTHING
                ? `wetted in ${ctx.print.fine(water)} of the liquid kept for later, stirred into the batter with it`
                : 'stirred into the batter',
          }),
        ),
      ];
    }
    case 'additives':
      return of('trace').map((a) =>
        line(`additive:${key}:${a.row.id}`, ctx.print.fine(a.byLye.get(potId)!), a.material.name, {
          note: 'stirred into the batter at light trace',
        }),
      );
    case 'scent':
      return scentIntoBatter(ctx, potId, key);
    default:
      return [];
  }
}

function scentIntoBatter(ctx: SheetContext, potId: string | null, key: string): SheetLine[] {
  const { plan, flow } = ctx;
  const { scent } = plan.base;
  if (!scent) return [];
  const whole = plan.pots.length === 0 && scent.when !== 'oils';
  if (scent.when !== 'batter' && !whole) return [];
  const pots = flow.pots.filter((p) => p.pot.scented && (p.pot.ownLye ? p.pot.id : null) === potId);
  if (pots.length === 0 && !whole) return [];
  const drawn = pots
    .flatMap((p) => p.draws)
    .reduce((sum, d) => sum + (d.draw.from === null ? d.fraction : 0), 0);
  const oils = (drawn + (potId === null ? Math.max(0, flow.unallocated) : 0)) * plan.base.totalOils;
  return scentParts(ctx, `batter:${key}`, (scent.dose * oils) / 1000, 'into the batter, by hand');
}
