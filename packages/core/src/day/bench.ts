import { flowOf } from '../balance/balance.ts';
import { type WeighedPot } from '../balance/weighed.ts';
import { type Draw, newPot, type Plan, type Pot } from '../plan/plan.ts';
import { grams, gramsPerKg } from '../units/quantity.ts';
import { type PrepSheet } from '../work/prep.ts';
import { type Cup, cupIdOf, cupsOf, takenOfCup } from './cups.ts';
import { type LogEntry, OF_THE_BATCH, OF_THE_WORK } from './entry.ts';
import { sparedPotId } from './testCups.ts';

interface Powder {
  readonly powder: number;
  readonly liquid: number;
}

/** What was said of one pot so far. */
interface SaidOfPot {
  readonly draws: Map<string, number>;
  readonly doses: Map<string, Powder>;
}

/** Whether a pot is another one as it was at some moment, or that pot itself. */
const isOf = (id: string, potId: string): boolean => id === potId || id.startsWith(`${potId}/`);

const nothingSaid = (): SaidOfPot => ({ draws: new Map(), doses: new Map() });

/**
 * Goes through a log, entry by entry, with the plan as it becomes. Batter that is taken out of a pot is what the pot was
 * at that moment: the pot as it was until then stays in the plan as a pot of its own, from which both the taker and the
 * pot itself draw.
 */
export class Bench {
  plan: Plan;
  readonly cups: readonly Cup[];
  /** What is left of each cup, as a fraction of what was in it. */
  readonly left = new Map<string, number>();
  readonly scented = new Map<string, number>();
  readonly unplaced = new Set<string>();
  private readonly said = new Map<string, SaidOfPot>();
  /** Cups that were said to go into the pot that they were made for. */
  private readonly inOwnPot = new Set<string>();
  /** Where in the log a cup first went into the pot that it was made for. */
  private readonly firstUse = new Map<string, number>();

  constructor(
    plan: Plan,
    prep: PrepSheet,
    private readonly log: readonly LogEntry[],
  ) {
    this.plan = plan;
    this.cups = cupsOf(prep);
    for (const cup of this.cups) this.left.set(cup.id, 1);
    log.forEach((e, at) => {
      const own = e.kind === 'added' && this.cups.some((c) => c.id === e.target && c.potId === e.potId);
      if (own && !this.firstUse.has(e.target)) this.firstUse.set(e.target, at);
    });
  }

  run(): void {
    this.log.forEach((entry, at) => {
      if (!this.place(entry, at)) this.unplaced.add(entry.id);
    });
  }

  /** What was said of each pot in all; to be asked for once, after the whole log. */
  weighedPots(): Record<string, WeighedPot> {
    this.countRests();
    return this.soFar();
  }

  private soFar(): Record<string, WeighedPot> {
    return Object.fromEntries(
      [...this.said].map(([id, { draws, doses }]) => [
        id,
        {
          ...(draws.size > 0 && { draws: Object.fromEntries(draws) }),
          ...(doses.size > 0 && { doses: Object.fromEntries(doses) }),
        },
      ]),
    );
  }

  /** What other pots left of a cup goes into its own pot, where nothing was said of that: a cup is used once. */
  private countRests(): void {
    for (const cup of this.cups) {
      const left = this.left.get(cup.id)!;
      const own = this.plan.pots.find(
        (p) => isOf(p.id, cup.potId) && p.doses.some((d) => d.id === cup.row.id),
      );
      if (left === 1 || !own || this.inOwnPot.has(cup.id)) continue;
      const rest = Math.max(0, left);
      this.saidOf(own.id).doses.set(cup.row.id, { powder: rest * cup.powder, liquid: rest * cup.liquid });
    }
  }

  /** @returns whether the entry could be made anything of. */
  private place(entry: LogEntry, at: number): boolean {
    if (OF_THE_WORK.has(entry.kind) || (OF_THE_BATCH.has(entry.kind) && entry.potId === '')) return true;
    const pot = this.potOf(entry.potId);
    if (!pot) return false;
    switch (entry.kind) {
      case 'added':
        return this.add(pot, entry);
      case 'sized':
        return this.size(pot, entry);
      case 'took':
        if (entry.target === pot.id || entry.target === '') return false;
        return this.take(pot, entry, at, (draw) => {
          this.pourInto(entry, draw, pot.scented, at);
        });
      case 'spared':
        return this.take(pot, entry, at, (draw) => {
          const name = entry.text === '' ? `${pot.name}, spare mould` : entry.text;
          const spare = { ...newPot(sparedPotId(entry.id), name), draws: [draw] };
          this.plan = {
            ...this.plan,
            pots: [...this.plan.pots, { ...spare, scented: pot.scented, place: 'spare' }],
          };
        });
      case 'scented':
        this.scented.set(pot.id, entry.value);
        return true;
      default:
        return true;
    }
  }

  private potOf(id: string): Pot | undefined {
    return this.plan.pots.find((p) => p.id === id);
  }

  private saidOf(potId: string): SaidOfPot {
    const said = this.said.get(potId) ?? nothingSaid();
    this.said.set(potId, said);
    return said;
  }

  private setPot(id: string, change: Partial<Pot>): void {
    this.plan = { ...this.plan, pots: this.plan.pots.map((p) => (p.id === id ? { ...p, ...change } : p)) };
  }

  private add(pot: Pot, entry: LogEntry): boolean {
    const cup = this.cups.find((c) => c.id === entry.target);
    if (!cup) return false;
    const left = this.left.get(cup.id)!;
    const part = takenOfCup(cup, entry, left);
    this.left.set(cup.id, left - part);
    const rowId = this.rowFor(pot, cup);
    if (rowId === cup.row.id) this.inOwnPot.add(cup.id);
    const { doses } = this.saidOf(pot.id);
    const before = doses.get(rowId) ?? { powder: 0, liquid: 0 };
    doses.set(rowId, {
      powder: before.powder + part * cup.powder,
      liquid: before.liquid + part * cup.liquid,
    });
    return true;
  }

  /** The dose that a cup goes to: the pot's own, or a further one for what was made for another pot. */
  private rowFor(pot: Pot, cup: Cup): string {
    if (cup.potId === pot.id && pot.doses.some((d) => d.id === cup.row.id)) return cup.row.id;
    const id = `cup:${cup.id}`;
    if (!pot.doses.some((d) => d.id === id))
      this.setPot(pot.id, { doses: [...pot.doses, { ...cup.row, id, dose: gramsPerKg(0), perBar: null }] });
    return id;
  }

  private size(pot: Pot, { by, value }: LogEntry): boolean {
    const flow = flowOf(this.plan, { pots: this.soFar() }).pots.find((p) => p.pot.id === pot.id)!;
    const drawn = flow.draws.reduce((sum, d) => sum + d.mass, 0);
    const volume = flow.draws.reduce((sum, d) => sum + d.volume, 0);
    const wanted =
      by === 'grams' ? value : by === 'fraction' ? value * drawn : volume > 0 ? (value * drawn) / volume : 0;
    if (drawn <= 0) return false;
    const { draws } = this.saidOf(pot.id);
    for (const d of flow.draws) draws.set(d.draw.id, (d.mass * wanted) / drawn);
    return true;
  }

  /** Splits off what is taken of a pot, and gives the draw on the pot as it was to whoever takes it. */
  private take(pot: Pot, entry: LogEntry, at: number, give: (draw: Draw) => void): boolean {
    const was = this.keepAsItIs(pot, entry, at);
    give({
      id: `took:${entry.id}`,
      from: was,
      by: entry.by === 'fraction' ? 'percent' : 'grams',
      value: entry.by === 'fraction' ? entry.value * 100 : entry.value,
      second: 0,
    });
    return true;
  }

  private pourInto(entry: LogEntry, draw: Draw, scented: boolean, at: number): void {
    const taker = this.potOf(entry.target);
    if (!taker) {
      const made = { ...newPot(entry.target, entry.text), draws: [draw], scented };
      this.plan = { ...this.plan, pots: [...this.plan.pots, made] };
      return;
    }
    // As it was before it was poured into, so that no pot ends up drawing from itself.
    const was = this.keepAsItIs(taker, entry, at);
    const staged = this.potOf(taker.id)!;
    for (const p of this.plan.pots)
      if (p.id !== was && p.id !== taker.id && p.id.includes('/'))
        this.setPot(p.id, {
          draws: p.draws.map((d) => (d.from === taker.id ? { ...d, from: was } : d)),
        });
    this.setPot(taker.id, { draws: [...staged.draws, draw] });
  }

  /**
   * Puts the pot as it is now beside itself: what was said of it and what was planned for it so far belong to that, and
   * the pot draws the rest of it. Cups that are used only later are not in it yet.
   * @returns the id of the pot as it is now
   */
  private keepAsItIs(pot: Pot, entry: LogEntry, at: number): string {
    const id = `${pot.id}/${entry.id}`;
    const isLater = (rowId: string): boolean =>
      (this.firstUse.get(cupIdOf(pot.id, rowId)) ?? -1) > at && !this.said.get(pot.id)?.doses.has(rowId);
    const perPot = this.plan.base.scent?.when === 'pot';
    const was: Pot = {
      ...pot,
      id,
      doses: pot.doses.filter((d) => !isLater(d.id)),
      place: 'spare',
      reserve: grams(0),
      scented: pot.scented && !perPot,
      follows: null,
    };
    const now: Pot = {
      ...pot,
      draws: [{ id: `kept:${entry.id}`, from: id, by: 'rest', value: 0, second: 0 }],
      doses: pot.doses.filter((d) => isLater(d.id)),
      ownLye: false,
      ownOils: [],
    };
    const said = this.said.get(pot.id);
    if (said) this.said.set(id, said);
    this.said.delete(pot.id);
    this.plan = { ...this.plan, pots: this.plan.pots.flatMap((p) => (p.id === pot.id ? [was, now] : [p])) };
    return id;
  }
}
