import { barsOf, dividedFill } from '../balance/mould.ts';
import { cutsOf } from '../balance/cuts.ts';
import { designText, techniqueById } from '../palette/technique.ts';
import { type PowderLine } from '../plan/embed.ts';
import { type Finish, type Plan, type Pot } from '../plan/plan.ts';
import { mediumName } from '../work/dispersion.ts';
import { bondedPots, DRY_MINUTES, keptCold, keptWarm } from '../work/finish.ts';
import { type PrepPot } from '../work/prep.ts';
import { timelineOf, type TopStep } from '../work/timeline.ts';
import { ALCOHOL, FRESH_BATTER, HOT_MOULD, OWN_RULES } from './cautions.ts';
import { inSentence, jugOf, listOf, manyOf, NOTHING, type SheetContext } from './context.ts';
import { group, line, section, type SheetLine, type SheetSection } from './sheet.ts';

/** The choice that is made after the scent, in seconds. */
export function decideSection({ plan }: SheetContext): SheetSection | null {
  const fallback = techniqueById(plan.work.fallback);
  const design = designText(plan.idea.design);
  if (!fallback) return null;
  return section('decide', 'Decide', [
    group('decide', '', [
      line('decide:full', '', `It holds: ${inSentence(design) || 'the full design'}`),
      line('decide:fallback', '', `It races: ${fallback.name.toLowerCase()} instead`),
    ]),
  ]);
}

/** Into the mould and onto the top. */
export function pourSection(ctx: SheetContext): SheetSection | null {
  const { plan, prep } = ctx;
  if (plan.pots.length === 0) return null;
  const named = prep.pots.reduce((sum, p) => sum + p.flow.toTop, 0);
  return section(
    'pour',
    'Pour',
    [
      group('pour', '', [...designLine(ctx), ...heights(ctx), ...pours(ctx)]),
      group('top', 'On the top', top(ctx, named)),
      group('spare', 'Spare mould', spare(ctx)),
    ],
    bondedPots(plan).length > 0 ? [ALCOHOL] : [],
  );
}

/** What the colours are brought together by. */
function designLine({ plan }: SheetContext): SheetLine[] {
  const design = designText(plan.idea.design);
  return design === '' ? [] : [line('pour:design', '', `The design: ${inSentence(design)}`)];
}

/** What a pot of a layer of its own is worked with, and how. */
function withinLayer({ plan }: SheetContext, pot: Pot): string {
  const layer = plan.idea.design.layers.find((l) => l.pots.includes(pot.id));
  const technique = layer && techniqueById(layer.technique);
  if (!technique) return '';
  const others = plan.pots.filter((p) => p.id !== pot.id && layer.pots.includes(p.id)).map((p) => p.name);
  return others.length === 0 ? '' : `one layer with ${listOf(others)}: ${inSentence(technique.name)}`;
}

/** How high to fill while dividers stand. */
function heights({ plan, print }: SheetContext): SheetLine[] {
  return plan.moulding.moulds
    .filter((m) => m.mould.shape === 'slab' && m.mould.sections.length > 0)
    .map(({ id, mould }) =>
      line(
        `dividers:${id}`,
        print.length(dividedFill(mould)),
        `high in ${mould.name} while the dividers stand`,
        {
          note: `it sinks to ${print.length(mould.height)} once they are pulled; sections of ${mould.sections.map((s) => print.length(s)).join(', ')}`,
        },
      ),
    );
}

/** Pots that are poured into the mould. */
const inMould = ({ pots }: SheetContext['prep']): PrepPot[] =>
  pots.filter((p) => p.pot.place === 'mould' && p.flow.left > NOTHING);

/** Gaps between pours that a line can be sieved into; what is more goes on the top. */
const linesBetween = (prep: SheetContext['prep']): number => Math.max(0, inMould(prep).length - 1);

function pours(ctx: SheetContext): SheetLine[] {
  const { plan, prep, print, order } = ctx;
  const sequence = timelineOf(plan, { order: order.order }).pours;
  const place = (id: string): number => {
    const at = sequence.indexOf(id);
    return at < 0 ? sequence.length : at;
  };
  const pots = inMould(prep).sort(
    (a, b) => b.pot.hoursBefore - a.pot.hoursBefore || place(a.pot.id) - place(b.pot.id),
  );
  const rods = prep.embeds.filter((e) => !e.embed.onTop && e.count > 0);
  const sieve = prep.lines.filter((l) => l.mass > NOTHING);
  const lines = pots.flatMap((p, i): SheetLine[] => {
    const { pot, flow } = p;
    const bonded = bondedPots(plan).find((b) => b.potId === pot.id);
    const kept = flow.toTop > NOTHING ? `; keep ${print.mass(flow.toTop)} of it for the top` : '';
    const how = pot.draws.find((d) => d.by === 'layer' || d.by === 'slant' || d.by === 'section');
    const at =
      how?.by === 'section'
        ? `section ${print.number(how.value, 0)}`
        : how?.by === 'layer'
          ? `a layer ${print.length(how.value)} high`
          : how?.by === 'slant'
            ? `slanted from ${print.length(how.value)} to ${print.length(how.second)}`
            : '';
    return [
      ...(bonded
        ? [
            line(`mist:${pot.id}`, '', 'Mist the set layer with alcohol', {
              note: `${print.number(bonded.hours, 1)} h lie between; away from flame and heat, cold oven, so that the layers bond`,
            }),
          ]
        : []),
      line(`pour:${pot.id}`, print.mass(flow.toMould), `of jug ${jugOf(ctx, pot)} into the mould`, {
        note:
          [at, withinLayer(ctx, pot), `about ${print.mass(flow.loss)} sticks to the jug`]
            .filter(Boolean)
            .join('; ') + kept,
      }),
      ...(i < pots.length - 1
        ? sieve
            .filter((l) => i < l.line.count)
            .map((l) =>
              line(`line:${l.line.id}:${i}`, `${print.number(l.mass / l.line.count, 2)} g`, l.material.name, {
                note: `${broughtOn(ctx, l.line, l.mass / l.line.count, 'over it')} as a line${l.line.count > 1 ? `, ${i + 1} of ${l.line.count}` : ''}`,
              }),
            )
        : []),
    ];
  });
  return [
    ...lines,
    ...rods.map((e) =>
      line(`set:${e.embed.id}`, print.number(e.count, 0), `× ${e.embed.name}`, {
        note: `set inside, ${manyOf(ctx, e)}${e.embed.rests === null ? '' : `, once the batter stands ${print.length(e.embed.rests)} high`}, its mark towards the end you measure from`,
      }),
    ),
  ];
}

/** How a line or a dressing is brought on: dry, or in its carrier. */
function broughtOn({ print }: SheetContext, { carrier }: PowderLine, mass: number, where: string): string {
  if (!carrier || carrier.ratio === 0) return `sieved ${where}`;
  return `stirred into ${print.number(mass * carrier.ratio, 2)} g of ${mediumName[carrier.medium]}, brushed or dripped ${where}`;
}

/** When the part that was kept of a pot is wanted. */
function keptUntil({ print }: SheetContext, { pot }: PrepPot, step: TopStep | null): string {
  if (!step || pot.ownLye) return 'kept back, spooned on last';
  return `kept back, spooned or piped on when it is ${step.wants}, about ${print.number(step.waits, 0)} min after its pour`;
}

function top(ctx: SheetContext, named: number): SheetLine[] {
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

const spare = (ctx: SheetContext): SheetLine[] =>
  ctx.prep.pots
    .filter((p) => p.pot.place === 'spare' && p.flow.left > NOTHING)
    .map((p) =>
      line(
        `spare:${p.pot.id}`,
        ctx.print.mass(p.flow.left),
        `of jug ${jugOf(ctx, p.pot)} into a spare mould`,
      ),
    );

const FINISH_TEXT: Readonly<Record<Exclude<Finish, 'oven'>, string>> = {
  mist: 'Mist the top with alcohol, against soda ash',
  insulate: 'Cover and wrap the mould, so that it keeps its warmth',
  fridge: 'Into the fridge or freezer, so that it does not gel',
};

/** Heat or cold and mist in their order, unmoulding and the cut. */
export function afterSection(ctx: SheetContext): SheetSection | null {
  const { plan, print } = ctx;
  const { finish } = plan.work;
  const lines = finish.map((f): SheetLine => {
    const note =
      f === 'mist' && finish.includes('oven')
        ? 'only when the oven is cold and the mould out of it: alcohol vapour in a warm oven can catch fire, so it comes after the heat'
        : '';
    return f === 'oven'
      ? line(
          'finish:oven',
          print.temperature(plan.work.ovenTemperature),
          'oven, switched off before the mould goes in',
          {
            note: 'left in it until it is cold; watched for the first hour',
          },
        )
      : line(`finish:${f}`, '', FINISH_TEXT[f], { note });
  });
  if (finish.includes('oven') && bondedPots(plan).length > 0)
    lines.unshift(
      line('finish:dry', `${DRY_MINUTES} min`, 'uncovered, away from the oven', {
        note: 'so that the mist between the layers dries before any heat',
      }),
    );
  const { from, to } = unmouldHours(plan);
  return section(
    'after',
    'After the pour',
    [
      group('finish', '', [
        ...lines,
        line(
          'unmould',
          `${print.number(from, 0)} to ${print.number(to, 0)} h`,
          'until it is unmoulded and cut',
          {
            note: 'when it is firm and no longer sticks; gloves',
          },
        ),
      ]),
      cutGroup(ctx),
    ],
    [
      FRESH_BATTER,
      ...(keptWarm(plan) ? [HOT_MOULD] : []),
      ...(plan.work.finish.includes('mist') ? [ALCOHOL] : []),
      OWN_RULES,
    ],
  );
}

/** Hours until a block is firm enough: sooner where it gels, later where it is kept cold. */
function unmouldHours(plan: Plan): { readonly from: number; readonly to: number } {
  if (keptWarm(plan)) return { from: 12, to: 24 };
  return keptCold(plan) ? { from: 36, to: 72 } : { from: 24, to: 48 };
}

function cutGroup({ plan, print }: SheetContext): ReturnType<typeof group> {
  const rows = barsOf(plan.moulding).rows.filter((r) => r.bars.count > 0);
  return group(
    'cut',
    'Cut',
    rows.flatMap(({ row, bars }): SheetLine[] => {
      const cuts = cutsOf(row.mould, plan.moulding.bars);
      const many = `${row.count > 1 ? `${row.count} × ` : ''}${row.mould.name}`;
      if (!cuts)
        return [line(`cut:${row.id}`, print.number(bars.count * row.count, 0), `bars out of ${many}`)];
      const at = (list: readonly number[]): string =>
        list
          .map((mm) =>
            print.number(mm / (print.units.length === 'in' ? 25.4 : 1), print.units.length === 'in' ? 2 : 1),
          )
          .join(' · ');
      return [
        line(`cut:${row.id}`, print.number(bars.count * row.count, 0), `bars out of ${many}`, {
          note: `each ${print.length(bars.thickness)} thick${cuts.across.length > 0 ? `; cut along at ${at(cuts.across)} ${print.units.length} from one side` : ''}`,
        }),
        line(`cut:${row.id}:at`, '', `Cuts at ${at(cuts.cuts)} ${print.units.length} from one end`, {
          note: `middles of the bars at ${at(cuts.centres)}`,
        }),
      ];
    }),
  );
}
