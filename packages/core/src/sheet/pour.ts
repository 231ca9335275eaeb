import { dividedFill } from '../balance/mould.ts';
import { designText, techniqueById } from '../palette/technique.ts';
import { type Move } from '../plan/day.ts';
import { type Pot } from '../plan/plan.ts';
import { bondedPots } from '../work/finish.ts';
import { POUR_HEIGHT, type Poured, pourScript, type SittingMoves, weighMoves } from '../work/pourScript.ts';
import { timelineOf } from '../work/timeline.ts';
import { ALCOHOL } from './cautions.ts';
import { inSentence, jugOf, listOf, manyOf, NOTHING, numberOf, type SheetContext } from './context.ts';
import { group, line, section, type SheetGroup, type SheetLine, type SheetSection } from './sheet.ts';
import { broughtOn, inMould, spareLines, topLines } from './top.ts';

/** Into the mould and onto the top. */
export function pourSection(ctx: SheetContext): SheetSection | null {
  const { plan, prep } = ctx;
  if (plan.pots.length === 0) return null;
  const named = prep.pots.reduce((sum, p) => sum + p.flow.toTop, 0);
  return section(
    'pour',
    'Pour',
    [
      ...sittingGroups(ctx),
      group('top', 'On the top', topLines(ctx, named)),
      group('spare', 'Spare mould', spareLines(ctx)),
      group('scrapes', 'Swatches from the jugs', scrapeLines(ctx)),
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

/** The pour, each sitting by itself; before a later one the sign that the layer below carries, and the mist. */
function sittingGroups(ctx: SheetContext): (SheetGroup | null)[] {
  const { plan, order, flow, print } = ctx;
  const sequence = timelineOf(plan, { order: order.order }).pours;
  const sittings = pourScript(plan, flow, sequence).filter((s) => s.moves.length > 0);
  const bonded = bondedPots(plan);
  return sittings.flatMap((sitting, at): (SheetGroup | null)[] => {
    const bond = bonded.find((b) => sitting.pots.some((p) => p.id === b.potId));
    const key = at === 0 ? '' : `-${at}`;
    const potId = sitting.pots[0]!.id;
    const ofMany = sittings.length > 1 ? `Pour ${at + 1} of ${sittings.length}` : '';
    return [
      ...(bond
        ? [
            group(
              `carries${key}`,
              `Does the layer below carry?`,
              [
                line(`carries:${bond.potId}`, '', 'Touch the layer below and tilt the mould a little', {
                  note: `${print.number(bond.hours, 1)} h lie between; a finger leaves no mark and nothing moves, or wait longer`,
                }),
              ],
              potId,
            ),
            group(
              `mist${key}`,
              'Mist the layer',
              [
                line(`mist:${bond.potId}`, '', 'Mist the set layer with alcohol', {
                  note: 'away from flame and heat, cold oven, so that the layers bond',
                }),
              ],
              potId,
            ),
          ]
        : []),
      group(
        `pour${key}`,
        ofMany,
        [
          ...(at === 0 ? [...designLine(ctx), ...heights(ctx)] : []),
          ...moveLines(ctx, sitting, at === 0),
          ...(at === sittings.length - 1 ? embedLines(ctx) : []),
        ],
        sittings.length > 1 ? potId : null,
      ),
    ];
  });
}

/** The moves of a sitting as lines, and powders sieved over what a pot has filled. */
function moveLines(ctx: SheetContext, { moves }: SittingMoves, isFirst: boolean): SheetLine[] {
  const { flow, prep, print } = ctx;
  const poured = weighMoves(moves, flow);
  const filled = inMould(prep).length;
  const sieve = isFirst ? prep.lines.filter((l) => l.mass > NOTHING) : [];
  let pots = 0;
  return poured.flatMap((p, i) => {
    const { move } = p;
    const isLast = !poured.slice(i + 1).some((q) => q.move.kind === 'pour' && q.move.potId === move.potId);
    if (move.kind !== 'pour') return [handLine(ctx, move)];
    const lines = [pourLine(ctx, p, poured, isLast)];
    if (!isLast || move.place === 'jug') return lines;
    pots += 1;
    if (pots >= filled) return lines;
    return [
      ...lines,
      ...sieve
        .filter((l) => pots <= l.line.count)
        .map((l) =>
          line(
            `line:${l.line.id}:${pots - 1}`,
            `${print.number(l.mass / l.line.count, 2)} g`,
            l.material.name,
            {
              note: `${broughtOn(ctx, l.line, l.mass / l.line.count, 'over it')} as a line${l.line.count > 1 ? `, ${pots} of ${l.line.count}` : ''}`,
            },
          ),
        ),
    ];
  });
}

/** One pour: what it weighs, where to and how; what the scale under the mould shows after it. */
function pourLine(
  ctx: SheetContext,
  { move, mass, inMould: stands }: Poured,
  all: readonly Poured[],
  isLast: boolean,
): SheetLine {
  const { print, plan, flow } = ctx;
  const found = flow.pots.find((p) => p.pot.id === move.potId)!;
  const { pot } = found;
  const mine = all.filter((p) => p.move.kind === 'pour' && p.move.potId === pot.id);
  const turn = mine.findIndex((p) => p.move === move);
  const into = plan.pots.find((p) => p.id === move.into);
  const kept = isLast && found.toTop > NOTHING ? [`keep ${print.mass(found.toTop)} of it for the top`] : [];
  const note = [
    mine.length > 1 ? `pour ${turn + 1} of ${mine.length}` : '',
    placeText(ctx, move),
    heightText(ctx, move.height),
    toolText(move.tool),
    move.text,
    turn === 0 ? shapeText(ctx, pot) : '',
    turn === 0 ? withinLayer(ctx, pot) : '',
    isLast ? `about ${print.mass(found.loss)} sticks to the jug` : '',
    ...kept,
  ].filter(Boolean);
  const running = move.place === 'jug' ? '' : print.mass(stands);
  const amount = print.mass(mass);
  return line(
    mine.length > 1 ? `pour:${pot.id}:${turn + 1}` : `pour:${pot.id}`,
    amount,
    into
      ? `of jug ${jugOf(ctx, pot)} into jug ${jugOf(ctx, into)}`
      : `of jug ${jugOf(ctx, pot)} into the mould`,
    { note: note.join('; '), running: running === amount ? '' : running },
  );
}

/** The layer or the section that its share was worked out from. */
function shapeText({ print }: SheetContext, pot: Pot): string {
  const how = pot.draws.find((d) => d.by === 'layer' || d.by === 'slant');
  if (how?.by === 'layer') return `a layer ${print.length(how.value)} high`;
  return how ? `slanted from ${print.length(how.value)} to ${print.length(how.second)}` : '';
}

function placeText({ print }: SheetContext, { place, at }: Move): string {
  const spots = `at ${print.number(at, 0)} ${at === 1 ? 'spot' : 'spots'}`;
  switch (place) {
    case 'length':
      return 'along the whole mould';
    case 'wall':
      return 'down one wall';
    case 'middle':
      return 'always on the same spot in the middle';
    case 'spots':
    case 'jug':
      return at > 0 ? spots : '';
    case 'section':
      return `section ${print.number(at, 0)}`;
    case '':
      return '';
  }
}

function heightText({ print }: SheetContext, height: number): string {
  if (height === 0) return '';
  const from = `from ${print.length(height)} above`;
  if (height >= POUR_HEIGHT.high) return `${from}, so that it sinks`;
  return height <= POUR_HEIGHT.low ? `${from}, so that it stays on top` : from;
}

const TOOL_TEXT: Readonly<Record<Move['tool'], string>> = {
  '': '',
  jug: '',
  spatula: 'off a spatula',
  spoon: 'by the spoon',
  funnel: 'through a funnel',
  bag: 'out of a piping bag',
  stick: 'a stick',
  hanger: 'the hanger',
  comb: 'the comb',
  fork: 'a fork',
  whisk: 'a whisk',
};
const toolText = (tool: Move['tool']): string => TOOL_TEXT[tool];

/** What is done to what lies in the mould, or waited for. */
function handLine({ print }: SheetContext, move: Move): SheetLine {
  const id = `move:${move.id}`;
  if (move.kind === 'wait') return line(id, '', 'Wait', { note: move.text });
  if (move.kind === 'prop') {
    const side = `the ${move.side} side of the mould`;
    return move.side === 'flat'
      ? line(id, '', 'Set the mould level again', { note: move.text })
      : line(id, move.height > 0 ? print.length(move.height) : '', `raise ${side}`, { note: move.text });
  }
  const tool = toolText(move.tool);
  const passes =
    move.passes > 0 ? `${print.number(move.passes, 0)} ${move.passes === 1 ? 'pass' : 'passes'}` : '';
  return tool === ''
    ? line(id, '', move.text === '' ? 'By hand' : capital(move.text), { note: passes })
    : line(id, '', `Draw ${tool} through it`, { note: [move.text, passes].filter(Boolean).join('; ') });
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** Embeds that are set into the batter. */
const embedLines = (ctx: SheetContext): SheetLine[] =>
  ctx.prep.embeds
    .filter((e) => !e.embed.onTop && e.count > 0)
    .map((e) =>
      line(`set:${e.embed.id}`, ctx.print.number(e.count, 0), `× ${e.embed.name}`, {
        note: `set inside, ${manyOf(ctx, e)}${e.embed.rests === null ? '' : `, once the batter stands ${ctx.print.length(e.embed.rests)} high`}, its mark towards the end you measure from`,
      }),
    );

/** A clean swatch of each colour for nothing. */
function scrapeLines(ctx: SheetContext): SheetLine[] {
  const { plan, pots } = ctx;
  const coloured = pots.filter((p) => p.flow.left > NOTHING);
  if (!plan.work.pour.scrapes || coloured.length < 2) return [];
  const list = listOf(coloured.map((p) => `${numberOf(ctx, p.pot)} ${p.pot.name}`));
  return [
    line('scrapes', '', 'Scrape the last of each jug into a numbered cavity', {
      note: `${list}: a clean swatch of each for nothing; leave it out if none is wanted`,
    }),
  ];
}
