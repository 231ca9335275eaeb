import { isEarly } from '../material/material.ts';
import { type PrepPot } from '../work/prep.ts';
import { scentCautions } from './cautions.ts';
import { jugOf, NOTHING, numberOf, type SheetContext } from './context.ts';
import { scentParts } from './scentLines.ts';
import { group, line, section, type SheetLine, type SheetSection } from './sheet.ts';

/** The pots in the order of colouring: what each draws from others, its cup, its scent last. */
export function colourSection(ctx: SheetContext): SheetSection | null {
  const { plan, pots } = ctx;
  const stays = remainsOf(ctx);
  return section(
    'colour',
    'Colour the pots, in this order',
    pots.map((p) =>
      group(
        `colour:${p.pot.id}`,
        `${numberOf(ctx, p.pot)}. ${p.pot.name}`,
        potLines(ctx, p, stays),
        p.pot.id,
      ),
    ),
    plan.base.scent?.when === 'pot' ? scentCautions(ctx) : [],
  );
}

/** What stays in a jug after each draw from it, in the order in which the pots are listed, g by the draw's key. */
function remainsOf({ pots, prep }: SheetContext): ReadonlyMap<string, number> {
  const left = new Map(pots.map((p) => [p.pot.id, p.flow.mass]));
  const stays = new Map<string, number>();
  for (const { pot } of pots) {
    for (const w of prep.weighings) {
      if (w.pot.id !== pot.id || w.from === null) continue;
      const rest = (left.get(w.from.id) ?? 0) - w.mass;
      left.set(w.from.id, rest);
      stays.set(`${pot.id}:${w.drawId}`, Math.max(0, rest));
    }
  }
  return stays;
}

function potLines(ctx: SheetContext, p: PrepPot, stays: ReadonlyMap<string, number>): SheetLine[] {
  const { prep, print, order, pots } = ctx;
  const { id } = p.pot;
  const lines: SheetLine[] = [];
  if (order.washBefore.has(id)) lines.push(line(`wash:${id}`, '', 'Wash the blender first'));
  for (const w of prep.weighings) {
    if (w.pot.id !== id || w.from === null) continue;
    lines.push(
      line(`draw:${id}:${w.drawId}`, print.mass(w.mass), `out of jug ${jugOf(ctx, w.from)}`, {
        note: `${print.volume(w.volume)}, once it is ${w.stage === 'coloured-scented' ? 'coloured and scented' : 'coloured'}; ${print.mass(stays.get(`${id}:${w.drawId}`)!)} stays there`,
      }),
    );
  }
  const inCup = p.rows.filter((r) => r.wanted > 0 && !isEarly(r.carrier) && r.carrier?.medium !== 'top');
  const dry = inCup.filter((r) => r.carrier === null || r.carrier.medium === 'trace');
  if (inCup.length > 0 || p.flow.evenedOil > NOTHING)
    lines.push(
      line(`cup-in:${id}`, '', `All of cup ${numberOf(ctx, p.pot)}`, {
        note:
          dry.length === 0
            ? 'stirred in'
            : dry.length === inCup.length
              ? 'through a sieve, by hand'
              : 'what is dry through a sieve',
      }),
    );
  if (p.scent > NOTHING) lines.push(...scentParts(ctx, id, p.scent, 'last, by hand'));
  const jug = p.flow.draws.reduce((sum, d) => sum + d.mass, 0);
  const plain = lines.length === 0;
  lines.push(
    line(`holds:${id}`, print.mass(p.flow.mass), 'in the jug now', {
      note: plain
        ? 'nothing is added: the bare batter'
        : `${print.mass(jug)} of batter and what went into it`,
    }),
  );
  return pots.length > 0 ? lines : [];
}
