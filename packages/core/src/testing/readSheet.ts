/*
 * Follows a printed sheet to the letter: reads its plain text and knows nothing else. Every figure is read with half of
 * its last decimal as its error, and errors are carried along.
 */

/** A mass and how far it may be off by what was printed, g. */
interface Mass {
  readonly v: number;
  readonly e: number;
}
export type Contents = Map<string, Mass>;

export interface ReadPot {
  readonly name: string;
  readonly contents: Contents;
}

interface Line {
  readonly amount: Mass | null;
  readonly unit: string;
  readonly what: string;
  readonly note: string;
}
interface Group {
  readonly title: string;
  readonly lines: readonly Line[];
}

const NUMBER = /^(\d[\d ]*(?:\.\d+)?)\s?(g|ml|mm|h|min|°C)?\s+/;

function massOf(text: string): Mass {
  const digits = /\.(\d+)/.exec(text)?.[1]?.length ?? 0;
  return { v: Number(text), e: 0.5 * 10 ** -digits };
}

function lineOf(text: string): Line {
  const cut = text.indexOf(': ');
  const head = cut < 0 ? text : text.slice(0, cut);
  const note = cut < 0 ? '' : text.slice(cut + 2);
  const found = NUMBER.exec(`${head} `);
  if (!found) return { amount: null, unit: '', what: head, note };
  return { amount: massOf(found[1]!), unit: found[2] ?? '', what: head.slice(found[0].length), note };
}

function sectionsOf(text: string): Map<string, Group[]> {
  const sections = new Map<string, Group[]>();
  let groups: { title: string; lines: Line[] }[] = [];
  for (const row of text.split('\n')) {
    if (row.startsWith('# ')) {
      groups = [];
      sections.set(row.slice(2), groups);
    } else if (row.startsWith('## ')) groups.push({ title: row.slice(3), lines: [] });
    else if (row.startsWith('- ')) {
      if (groups.length === 0) groups.push({ title: '', lines: [] });
      groups.at(-1)!.lines.push(lineOf(row.slice(2)));
    }
  }
  return sections;
}

const plus = (into: Contents, what: string, m: Mass): void => {
  const old = into.get(what) ?? { v: 0, e: 0 };
  into.set(what, { v: old.v + m.v, e: old.e + m.e });
};
const total = (of: Contents): Mass =>
  [...of.values()].reduce((s, m) => ({ v: s.v + m.v, e: s.e + m.e }), { v: 0, e: 0 });

/** Moves an amount (all of it for null) from one vessel to another, as evenly as batter is. */
function move(from: Contents, to: Contents, amount: Mass | null): void {
  const all = total(from);
  const f = amount === null ? 1 : amount.v / all.v;
  const fe = amount === null ? 0 : amount.e / all.v + (f * all.e) / all.v;
  for (const [what, m] of [...from]) {
    const taken = { v: m.v * f, e: m.e * f + m.v * fe };
    plus(to, what, taken);
    from.set(what, { v: m.v - taken.v, e: m.e + taken.e });
  }
}

/** Draws an amount from an even mix, which stays as it is: a jar may hold a drop less than all draws together say. */
function draw(mix: Contents, to: Contents, amount: Mass): void {
  const all = total(mix);
  // A jar of less than is printed.
  if (all.v === 0) return;
  for (const [what, m] of mix) {
    const share = m.v / all.v;
    const e = amount.e * share + (amount.v * (m.e + share * all.e)) / all.v;
    plus(to, what, { v: amount.v * share, e });
  }
}

/** `20.0 g Water + 20.0 g Milk`, `of Milk`, or plain water: what a liquid is of, by shares. */
function mixOf(note: string): (m: Mass) => [string, Mass][] {
  const first = note.split('; ')[0]!;
  const parts = [...first.matchAll(/(\d[\d.]*) g ([^+]+?)(?: \+ |$)/g)].map(
    (p) => [p[2]!.trim(), massOf(p[1]!)] as const,
  );
  if (parts.length > 1) {
    const sum = parts.reduce((s, [, m]) => s + m.v, 0);
    return (m) => parts.map(([name, p]) => [name, { v: (m.v * p.v) / sum, e: m.e + (m.v * p.e) / sum }]);
  }
  const name = /^of (.+)$/.exec(first)?.[1] ?? 'Water';
  return (m) => [[name, m]];
}

const groupsOf = (sections: Map<string, Group[]>, start: string): Group[] =>
  [...sections].find(([title]) => title.startsWith(start))?.[1] ?? [];

/** What follows from a sheet alone: each pot's contents by the names on the sheet, and the bowl's. */
export function readSheet(text: string): {
  readonly pots: Map<number, ReadPot>;
  readonly bowl: Contents;
  readonly scales: string[];
  readonly stays: ReadStay[];
} {
  const sections = sectionsOf(text);
  const scales: string[] = [];
  const batters = new Map<string, Contents>();
  const later = new Map<string, (m: Mass) => [string, Mass][]>();
  const cupLiquids = new Map<string, (m: Mass) => [string, Mass][]>();
  const batter = (title: string): Contents => {
    const known = batters.get(title) ?? new Map<string, Mass>();
    batters.set(title, known);
    return known;
  };
  for (const g of groupsOf(sections, 'Lye')) {
    for (const l of g.lines) {
      if (!l.amount) continue;
      if (l.note.includes('kept for later')) later.set(g.title, mixOf(l.note));
      else if (l.note.includes('kept for the cups')) cupLiquids.set(g.title, mixOf(l.note));
      else plus(batter(g.title), l.what, l.amount);
    }
  }
  for (const g of groupsOf(sections, 'Oils')) {
    for (const l of g.lines) {
      if (!l.amount) continue;
      if (l.note.startsWith('taken off again'))
        plus(batter(g.title), l.what, { v: -l.amount.v, e: l.amount.e });
      else plus(batter(g.title), l.what, l.amount);
    }
  }

  const pots = new Map<number, ReadPot>();
  const batterOfPot = new Map<number, string>();
  const jug = (what: string): { number: number; name: string } => {
    const found = /jug (\d+), (.*?)(?: into .*)?$/.exec(what)!;
    return { number: Number(found[1]), name: found[2]! };
  };
  const pot = (number: number, name: string): ReadPot => {
    const known = pots.get(number) ?? { name, contents: new Map<string, Mass>() };
    pots.set(number, known);
    return known;
  };
  // Where only one lye is made, its groups have no title.
  const common = batters.has('The common batter') ? 'The common batter' : '';
  const splits = groupsOf(sections, 'Take the pots').concat(groupsOf(sections, 'The batter'));
  for (const g of splits) {
    const title = batters.has(g.title) ? g.title : common;
    const from = batter(title);
    for (const l of g.lines) {
      if (!l.amount) continue;
      if (l.what.startsWith('into jug')) {
        const { number, name } = jug(l.what);
        if (!batterOfPot.has(number)) batterOfPot.set(number, title);
        scales.push(`${l.what} ${total(from).v.toFixed(1)}`);
        move(from, pot(number, name).contents, l.note.includes('all of it') ? null : l.amount);
      } else if (l.what === 'of the liquid kept for later') {
        for (const [what, m] of later.get(title)!(l.amount)) plus(from, what, m);
      } else if (!/stays in the bowl|of batter in all/.test(l.what)) {
        plus(from, l.what, l.amount);
        const wet = /wetted in (\d[\d.]*) g/.exec(l.note);
        if (wet) for (const [what, m] of later.get(title)!(massOf(wet[1]!))) plus(from, what, m);
      }
    }
  }

  const stays: ReadStay[] = [];
  readPots(sections, { stays, pots, pot, jug, cupLiquids, batterOfPot });
  return { pots, bowl: batter(common), scales, stays };
}

/** What a draw from a jug says stays in it, and what does by then, g. */
export interface ReadStay {
  readonly line: string;
  readonly told: number;
  readonly is: number;
}

interface Bench {
  readonly stays: ReadStay[];
  readonly pots: Map<number, ReadPot>;
  readonly pot: (number: number, name: string) => ReadPot;
  readonly jug: (what: string) => { number: number; name: string };
  readonly cupLiquids: Map<string, (m: Mass) => [string, Mass][]>;
  readonly batterOfPot: Map<number, string>;
}

/** Colours and scents the pots as the sheet says. */
function readPots(sections: Map<string, Group[]>, bench: Bench): void {
  const jars = new Map<string, Contents>();
  const bottles = new Map<string, string>();
  for (const g of groupsOf(sections, 'The day before')) {
    const name = /^Bottle of (.*), [\d.]+ %$/.exec(g.title)?.[1];
    if (name) bottles.set(name, g.lines[1]!.what);
  }
  const cups = new Map<number, Contents>();
  const liquid = (l: Line, to: Contents, title: string | null): void => {
    const fromLiquid = l.note.includes('of the liquid kept for the cups');
    const mix = title === null ? [...bench.cupLiquids.values()][0] : bench.cupLiquids.get(title);
    if (fromLiquid && !mix) throw new Error(`No liquid was kept for the cups of “${title}”: ${l.what}`);
    if (fromLiquid) for (const [what, m] of mix!(l.amount!)) plus(to, what, m);
    else plus(to, l.what.replace(/ infused with .*/, ''), l.amount!);
  };
  for (const g of groupsOf(sections, 'Cups')) {
    const jarOf = /^Jar ([A-Z]): /.exec(g.title)?.[1];
    if (jarOf !== undefined) {
      const jar: Contents = new Map();
      for (const l of g.lines) liquid(l, jar, null);
      jars.set(jarOf, jar);
      continue;
    }
    const number = Number(/^Cup (\d+)/.exec(g.title)![1]);
    const cup: Contents = new Map();
    cups.set(number, cup);
    for (const l of g.lines) {
      if (!l.amount) continue;
      const drops = /^drops of the bottle of (.*)$/.exec(l.what)?.[1];
      const out = /^out of jar ([A-Z])$/.exec(l.what)?.[1];
      if (drops !== undefined) {
        const [, all, powder] = /^([\d.]+) g, of which ([\d.]+) g/.exec(l.note)!;
        plus(cup, drops.replace(/ in [^ ]+( oil)?$/, ''), massOf(powder!));
        plus(cup, bottles.get(drops)!, { v: Number(all) - Number(powder), e: 0.006 });
      } else if (out !== undefined) {
        draw(jars.get(out)!, cup, l.amount);
      } else liquid(l, cup, bench.batterOfPot.get(number) ?? null);
    }
  }
  for (const g of groupsOf(sections, 'Colour the pots')) {
    const [, n, name] = /^(\d+)\. (.*)$/.exec(g.title)!;
    const { contents } = bench.pot(Number(n), name!);
    for (const l of g.lines) {
      if (l.what.startsWith('All of cup'))
        move(cups.get(Number(/\d+/.exec(l.what)![0])) ?? new Map<string, Mass>(), contents, null);
      else if (!l.amount) continue;
      else if (l.what.startsWith('out of jug')) {
        const donor = bench.pot(bench.jug(l.what).number, '').contents;
        move(donor, contents, l.amount);
        const told = /([\d.]+) g stays there/.exec(l.note)?.[1];
        bench.stays.push({
          line: `${l.what} ${l.note}`,
          told: Number(told),
          is: Math.max(0, total(donor).v),
        });
      } else if (l.what !== 'in the jug now') plus(contents, l.what, l.amount);
    }
  }
}

export interface Besides {
  /** Soap and powders of each embed by its name, and how many pieces are set or laid. */
  readonly embeds: Map<string, { readonly contents: Contents; set: number }>;
  /** Powders of lines and dressings, over the whole pour. */
  readonly powders: Contents;
  /** What they are stirred into. */
  readonly carriers: Contents;
}

/** What a sheet says of embeds, lines and dressings: made the day before, or brought on during the pour. */
export function readBesides(text: string): Besides {
  const sections = sectionsOf(text);
  const besides: Besides = { embeds: new Map(), powders: new Map(), carriers: new Map() };
  for (const g of groupsOf(sections, 'The day before')) {
    const name = /^Embed: (.*)$/.exec(g.title)?.[1];
    if (name === undefined) continue;
    const contents: Contents = new Map();
    besides.embeds.set(name, { contents, set: 0 });
    for (const l of g.lines) if (l.amount && l.unit === 'g') plus(contents, l.what, l.amount);
  }
  for (const g of groupsOf(sections, 'Pour')) {
    for (const l of g.lines) {
      if (!l.amount) continue;
      const embed = /^× (.*)$/.exec(l.what)?.[1];
      if (embed !== undefined) besides.embeds.get(embed)!.set += l.amount.v;
      else if (/^(sieved|stirred into|on the top,)/.test(l.note)) {
        plus(besides.powders, l.what, l.amount);
        const [, mass, what] = /^stirred into (\d[\d.]*) g of ([^,]*),/.exec(l.note) ?? [];
        if (mass !== undefined) plus(besides.carriers, what!, massOf(mass));
      }
    }
  }
  return besides;
}
