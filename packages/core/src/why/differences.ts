import { screenColourFromLabD65 } from '../colour/gamut.ts';
import { designText, techniqueById } from '../palette/technique.ts';
import { canonicalText } from '../plan/canonical.ts';
import { type Draw, type OilRow, type Plan, type Pot } from '../plan/plan.ts';
import { type Printer } from '../units/printer.ts';

/** One thing that two plans do not agree on. */
export interface Difference {
  readonly what: string;
  /** As each plan has it; null where one has no such thing. */
  readonly mine: string | null;
  readonly theirs: string | null;
}

interface Fact {
  readonly what: string;
  readonly text: string;
  /** Of no interest where the other plan lacks the thing altogether. */
  readonly isDetail: boolean;
}
type Facts = Map<string, Fact>;
type Add = (key: string, what: string, text: string, isDetail?: boolean) => void;

/**
 * What differs between two plans, one line a thing, in the order in which a plan is made. Two plans that differ only in
 * what no line tells (as copies of materials) give one line that says so; equal plans give none.
 */
export function differences(mine: Plan, theirs: Plan, print: Printer): readonly Difference[] {
  const a = factsOf(mine, print);
  const b = factsOf(theirs, print);
  const found = [...new Set([...a.keys(), ...b.keys()])].flatMap((key): Difference[] => {
    const left = a.get(key);
    const right = b.get(key);
    if (left?.text === right?.text) return [];
    if ((!left || !right) && (left ?? right)!.isDetail) return [];
    return [{ what: (left ?? right)!.what, mine: left?.text ?? null, theirs: right?.text ?? null }];
  });
  if (found.length > 0 || canonicalText(mine) === canonicalText(theirs)) return found;
  return [{ what: 'Copies of materials', mine: 'as here', theirs: 'another state of the shelf' }];
}

const yesNo = (flag: boolean): string => (flag ? 'yes' : 'no');

/** Everything a plan decides, by a key that is the same in both plans. */
function factsOf(plan: Plan, print: Printer): Facts {
  const facts: Facts = new Map();
  const add: Add = (key, what, text, isDetail = false) => void facts.set(key, { what, text, isDetail });
  const nameOf = (id: string): string => plan.materials.find((m) => m.id === id)?.name ?? id;
  const mm = (v: number): string => print.length(v);
  const oils = (rows: readonly OilRow[]): string =>
    rows.map((o) => `${nameOf(o.materialId)} ${print.percent(o.percent, 2)}`).join(', ');

  const { idea, base, moulding, work } = plan;
  add('technique', 'Techniques', designText(idea.design) || 'none');
  for (const c of idea.colours)
    add(`colour:${c.id}`, 'Palette colour', `${c.name} ${screenColourFromLabD65(c.lab).hex}`);

  for (const o of base.oils) add(`oil:${o.materialId}`, nameOf(o.materialId), print.percent(o.percent, 2));
  add('total', 'Oils', print.mass(base.totalOils));
  add('superfat', 'Superfat', print.percent(base.superfat));
  add('koh', 'Potassium hydroxide', print.percent(base.lye.kohShare));
  add(
    'purity',
    'Purity of the lye',
    `${print.percent(base.lye.naohPurity)} and ${print.percent(base.lye.kohPurity)}`,
  );
  const { by, value, heldBack, parts } = base.liquid;
  const liquidBy = { concentration: '% lye', ratio: ': 1', percent: '% of oils' }[by];
  add('liquid', 'Liquid', `${print.number(value, 2)} ${liquidBy}`);
  add('held', 'Liquid held back', print.mass(heldBack));
  for (const p of parts) add(`liquid:${p.id}`, `Liquid: ${p.name}`, print.percent(p.percent));
  add('temperature', 'Temperature', print.temperature(base.temperature));
  if (base.scent) {
    const { dose, when, stabiliser } = base.scent;
    const blend = base.scent.parts.map((p) => `${nameOf(p.materialId)} ${print.number(p.parts, 2)}`);
    add('scent', 'Scent', blend.join(' : '));
    add('scent-dose', 'Dose of the scent', `${print.significant(dose, 3)} g/kg`, true);
    const moments = { pot: 'into each pot', batter: 'into the batter', oils: 'into the oils' };
    add('scent-when', 'Scent goes', moments[when], true);
    add('stabiliser', 'Stabiliser', `${print.number(stabiliser, 2)} g per g`, true);
  }
  for (const a of base.additives)
    add(
      `additive:${a.id}`,
      nameOf(a.materialId),
      `${print.significant(a.dose, 3)} g/kg, ${a.moment.replace('-', ' ')}`,
    );

  for (const { id, count, mould: m } of moulding.moulds) {
    const size = [m.length, m.width, m.height, m.diameter].filter((v) => v > 0).map(mm);
    const cavities = m.cavities > 0 ? [`${m.cavities} of ${print.volume(m.cavityVolume)}`] : [];
    const sections = m.sections.length > 0 ? [`sections ${m.sections.map(mm).join(' + ')}`] : [];
    add(`mould:${id}`, 'Mould', `${count} × ${m.name}, ${[...size, ...cavities, ...sections].join(' × ')}`);
  }
  add('reserve', 'Batter for the top', print.mass(moulding.reserve));
  add('loss', 'Left in each jug', print.mass(moulding.lossPerJug));
  add(
    'density',
    'Density of the batter',
    moulding.density === null ? 'worked out' : `${print.number(moulding.density, 3)} g/ml`,
  );
  const { bars } = moulding;
  const cut = bars.by === 'thickness' ? mm(bars.thickness) : `${bars.count} bars`;
  add('bars', 'Bars', `${cut}, ${bars.columns} across, kerf ${mm(bars.kerf)}, ends ${mm(bars.end)}`);

  potFacts(plan, print, nameOf, oils, add);

  for (const e of plan.embeds) {
    const doses = e.parts.map((p) =>
      [
        ...(e.parts.length > 1 ? [`${print.number(p.parts, 2)} parts`] : []),
        ...p.doses.map((d) => `${nameOf(d.materialId)} ${print.significant(d.dose, 3)} g/kg`),
      ].join(' '),
    );
    const size = [e.width, e.height, e.length].filter((v) => v > 0).map(mm);
    const place = e.onTop ? 'on top' : e.rests === null ? 'inside' : `${mm(e.rests)} above the floor`;
    const many = e.pieces === null ? `${e.perBar} a bar` : `${e.pieces} pieces`;
    const each = e.gramsEach === null ? [] : [`${print.mass(e.gramsEach)} each`];
    const dusted = e.dusting
      ? [`dusted with ${nameOf(e.dusting.materialId)} ${print.number(e.dusting.gramsPerDm2, 2)} g/dm²`]
      : [];
    add(
      `embed:${e.id}`,
      `Embed “${e.name}”`,
      [
        `${e.base} ${e.shape}`,
        size.join(' × '),
        many,
        ...each,
        place,
        ...doses.filter(Boolean),
        ...dusted,
      ].join(', '),
    );
  }
  for (const l of plan.lines)
    add(
      `line:${l.id}`,
      `Line of ${nameOf(l.materialId)}`,
      `${l.count} × ${print.number(l.gramsPerDm2, 3)} g/dm²`,
    );

  add('fallback', 'Fallback', techniqueById(work.fallback)?.name ?? 'none');
  add('heat', 'Heat', { let: 'let it gel', force: 'force gel', prevent: 'prevent gel' }[work.heat]);
  add('finish', 'After the pour', work.finish.join(', ') || 'nothing');
  add('oven', 'Oven', print.temperature(work.ovenTemperature));
  add('use', 'For', work.use);
  const own = work.order.pots.map((id) => plan.pots.find((p) => p.id === id)?.name ?? id).join(', ');
  const orders = { harm: 'least carried over', palest: 'palest first', own: own || 'own' };
  add('colouring', 'Order of colouring', orders[work.order.by]);
  const { split, colour, scent, pour, top } = work.minutes;
  add(
    'minutes',
    'Minutes a pot',
    [split, colour, scent, pour, top].map((m) => print.number(m, 1)).join(', '),
  );
  add('fast', 'Fast batter is wanted', yesNo(work.fastWanted));
  add('permanent', 'Made again and again', yesNo(work.permanentLine));
  add('blend', 'Blending after emulsion', `${print.number(work.blendSeconds, 0)} s`);
  add('carrier', 'Oil for dispersions', work.carrierOil === null ? 'the lightest' : nameOf(work.carrierOil));
  add('equalise', 'Equal carrier in every pot', yesNo(work.equalise));
  for (const d of work.dispersions) {
    const text = d.stock ? `from a bottle of ${print.percent(d.stock.powderPercent)}` : 'made once';
    add(`dispersion:${d.materialId}`, `Dispersion of ${nameOf(d.materialId)}`, text);
  }
  return facts;
}

function potFacts(
  plan: Plan,
  print: Printer,
  nameOf: (id: string) => string,
  oils: (rows: readonly OilRow[]) => string,
  add: Add,
): void {
  const potName = (id: string | null): string =>
    id === null ? 'the batter' : `“${plan.pots.find((p) => p.id === id)?.name ?? id}”`;
  const drawn = ({ from, by, value, second }: Draw): string => {
    const of = from === null ? '' : ` of ${potName(from)}`;
    const text: Readonly<Record<Draw['by'], string>> = {
      parts: `${print.number(value, 3)} ${value === 1 ? 'part' : 'parts'}`,
      percent: print.percent(value, 2),
      grams: print.mass(value),
      millilitres: print.volume(value),
      layer: `layer of ${print.length(value)}`,
      slant: `slant from ${print.length(value)} to ${print.length(second)}`,
      section: `section ${print.number(value, 0)}`,
      rest: 'the rest',
    };
    return text[by] + of;
  };
  add('order', 'Pots', plan.pots.map((p) => p.name).join(', ') || 'none');
  for (const pot of plan.pots) {
    const tell: Add = (key, what, text, isDetail) => {
      add(`pot:${pot.id}:${key}`, `“${pot.name}”: ${what}`, text, isDetail);
    };
    tell('draws', 'share', pot.draws.map(drawn).join(' + ') || 'none');
    for (const d of pot.doses) {
      const carrier = d.carrier
        ? `, in ${print.number(d.carrier.ratio, 1)} × ${d.carrier.medium} ${d.source === 'batch' ? 'from the batch' : 'beside it'}`
        : '';
      tell(`dose:${d.id}`, nameOf(d.materialId), `${print.significant(d.dose, 3)} g/kg${carrier}`);
    }
    for (const [key, what, text] of potWays(pot, print, oils)) tell(key, what, text, true);
  }
}

const potWays = (
  pot: Pot,
  print: Printer,
  oils: (rows: readonly OilRow[]) => string,
): readonly (readonly [string, string, string])[] => [
  [
    'taken',
    'taken off',
    { emulsion: 'at emulsion', liquid: 'after the late liquid', additives: 'last' }[pot.taken],
  ],
  ['scented', 'scented', yesNo(pot.scented)],
  [
    'scent-dose',
    'rate of scent',
    pot.scentDose === null ? 'as the batch' : `${print.significant(pot.scentDose, 3)} g/kg`,
  ],
  ['place', 'goes', { mould: 'into the mould', top: 'on the top', spare: 'into a spare mould' }[pot.place]],
  ['gelled', 'gels by itself', pot.gelled == null ? 'as the batch' : yesNo(pot.gelled)],
  ['reserve', 'kept for the top', print.mass(pot.reserve)],
  ['lye', 'lye of its own', yesNo(pot.ownLye)],
  ['oils', 'oils of its own', oils(pot.ownOils) || 'none'],
  ['before', 'before the last pour', `${print.number(pot.hoursBefore, 1)} h`],
  ['follows', 'follows a palette colour', yesNo(pot.follows !== null)],
];
