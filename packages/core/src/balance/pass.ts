import { type PotOrder } from '../plan/graph.ts';
import { takenOf } from '../plan/late.ts';
import { type Draw, type Plan, type Pot } from '../plan/plan.ts';
import { type DrawFlow, type Flow, type LyeFlow, type PotFlow } from './flow.ts';
import { type Held, type Mixture, nothingHeld, sum } from './mixture.ts';

/** What a pass takes over from the one before. Keys: null for the common lye, else the id of the mini-batch. */
export interface PassStart {
  /** Oil and liquid that each lye keeps back for carriers. */
  readonly held: ReadonlyMap<string | null, Held>;
  /** Fraction of each lye's batter that takes the late liquid. */
  readonly takers: ReadonlyMap<string | null, number>;
  /** Share of the recipe's oils that each lye makes, 0–1. */
  readonly shares: ReadonlyMap<string | null, number>;
}

/** A fraction that counts as nothing. */
const NONE = 1e-9;
const byWeight = (d: Draw): boolean => d.by === 'parts' || d.by === 'rest';
const weightOf = (d: Draw): number => (d.by === 'rest' ? 1 : d.value);

/**
 * One pass over a plan: shares of the base batter, the lyes that follow from them, then pot by pot down the graph
 * what each holds and what others draw of it, and what is left over.
 */
export class Pass {
  private readonly plan: Plan;
  private readonly total: number;
  /** Fraction of the recipe that each draw from the base batter takes. */
  private readonly fractions = new Map<Draw, number>();
  /** Fraction of the donor's contents that each draw from a pot takes. */
  private readonly given = new Map<Draw, number>();
  private readonly shares = new Map<string | null, number>();
  private readonly held = new Map<string | null, Held>();
  private readonly done = new Map<string, PotFlow>();
  private readonly asked = new Map<string, Draw[]>();

  constructor(
    private readonly mix: Mixture,
    private readonly order: PotOrder,
    private readonly start: PassStart,
  ) {
    this.plan = mix.plan;
    this.total = mix.plan.base.totalOils;
    for (const pot of this.plan.pots)
      for (const draw of pot.draws)
        if (draw.from !== null) this.asked.set(draw.from, [...(this.asked.get(draw.from) ?? []), draw]);
  }

  run(): { readonly flow: Omit<Flow, 'convergence'>; readonly next: PassStart } {
    const { pots } = this.plan;
    const units = this.unitsOfPots();
    this.shareOutBase(units);
    this.shareOutLyes();
    const flows: PotFlow[] = [];
    for (const i of this.order.order) {
      const flow = this.fill(pots[i]!, units[i]!);
      this.done.set(flow.pot.id, flow);
      flows[i] = flow;
    }
    const unallocated = 1 - pots.reduce((s, p) => s + this.shareOf(p), 0);
    const next = { held: this.held, takers: this.takersOf(unallocated), shares: this.shares };
    return { flow: this.flowOf(flows, unallocated), next };
  }

  private group(pot: Pot): string | null {
    return pot.ownLye ? pot.id : null;
  }

  /** The batter that each pot is taken from, as if the whole recipe were of it; equal ones are mixed once. */
  private unitsOfPots(): Float64Array[] {
    const kinds = new Map<string, Float64Array>();
    return this.plan.pots.map((pot) => {
      const kind = `${takenOf(this.plan, pot)} ${pot.scented} ${this.group(pot)}`;
      const known = kinds.get(kind) ?? this.unitOf(pot);
      kinds.set(kind, known);
      return known;
    });
  }

  /** Scented only where the scent is in the batter by the time the pot is taken. */
  private unitOf(pot: Pot): Float64Array {
    const { scent } = this.plan.base;
    const group = this.group(pot);
    const takers = this.start.takers.get(group) ?? 1;
    const v = this.mix.emulsion(group, this.start.held.get(group), this.start.shares.get(group) ?? 1, takers);
    this.mix.addLate(v, takenOf(this.plan, pot), takers);
    if (scent && (scent.when === 'oils' || (scent.when === 'batter' && pot.scented)))
      this.mix.addScent(v, (scent.dose * this.total) / 1000);
    return v;
  }

  /** Shares of the base batter: what is fixed comes first, then parts and the rest divide what remains. */
  private shareOutBase(units: readonly Float64Array[]): void {
    let fixed = 0;
    let weights = 0;
    this.plan.pots.forEach((pot, i) => {
      let first = true;
      for (const d of pot.draws) {
        if (d.from !== null) continue;
        const weighed = this.mix.weighedDraw(pot, d);
        if (weighed === undefined && byWeight(d)) {
          weights += weightOf(d);
          continue;
        }
        const mass = sum(units[i]!);
        const fraction =
          weighed === undefined
            ? this.mix.fixedFraction(d, pot, units[i]!, first)
            : mass > 0
              ? weighed / mass
              : 0;
        first = false;
        this.fractions.set(d, fraction);
        fixed += fraction;
      }
    });
    const remainder = Math.max(0, 1 - fixed);
    for (const pot of this.plan.pots) {
      for (const d of pot.draws) {
        if (d.from !== null || this.fractions.has(d)) continue;
        this.fractions.set(d, weights > 0 ? (remainder * weightOf(d)) / weights : 0);
      }
    }
  }

  /** Fraction of the recipe that a pot draws from the base batter. */
  private shareOf(pot: Pot): number {
    return pot.draws.reduce((s, d) => s + (d.from === null ? this.fractions.get(d)! : 0), 0);
  }

  /** Each mini-batch has a lye of its own; the common one makes what they leave. */
  private shareOutLyes(): void {
    for (const pot of this.plan.pots)
      if (pot.ownLye && this.shareOf(pot) > NONE) this.shares.set(pot.id, this.shareOf(pot));
    const own = [...this.shares.values()].reduce((a, b) => a + b, 0);
    this.shares.set(null, Math.max(0, 1 - own));
    for (const group of this.shares.keys()) this.held.set(group, nothingHeld());
  }

  /** The lye that a pot stands on. One that draws from other pots alone has none of its own, whatever it says. */
  private lyeOf(pot: Pot): string | null {
    if (this.shares.has(pot.id)) return pot.id;
    if (this.shareOf(pot) > NONE) return null;
    // The first donor that has oils, whatever the masses: those move from pass to pass, and a tie would never settle.
    const main = pot.draws.find((d) => d.from !== null && (this.done.get(d.from)?.oils ?? 0) > 0);
    return main ? this.done.get(main.from!)!.group : null;
  }

  /** What a pot holds once everything is in it, and what becomes of it. */
  private fill(pot: Pot, unit: Float64Array): PotFlow {
    const { mix } = this;
    const contents = new Float64Array(mix.ledger.size);
    const tint = new Float64Array(this.plan.materials.length);
    const oilsBy = new Map<string | null, number>();
    const draws = pot.draws.map((draw) => this.draw(pot, draw, unit, contents, tint, oilsBy));
    const oils = [...oilsBy.values()].reduce((a, b) => a + b, 0);
    const scented = mix.scentPot(pot, contents, oils);
    const group = this.lyeOf(pot);
    const held = this.held.get(group)!;
    const doses = mix.addDoses(pot, group, contents, tint, oils, held);
    const evened = mix.even(pot, group, contents, oils, doses, held);
    const mass = sum(contents);
    const volume = mix.volumeOf(contents);
    const drawnOff = this.shareOutPot(pot, mass, volume);
    return {
      pot,
      group,
      draws,
      doses,
      oils,
      oilsBy,
      contents,
      tint,
      mass,
      volume,
      drawnOff,
      ...scented,
      ...evened,
      ...this.destinationsOf(pot, Math.max(0, 1 - drawnOff) * mass),
      superfat: mix.uptake.superfat(contents),
    };
  }

  /** Brings what one draw takes into a pot. */
  private draw(
    pot: Pot,
    draw: Draw,
    unit: Float64Array,
    contents: Float64Array,
    tint: Float64Array,
    oilsBy: Map<string | null, number>,
  ): DrawFlow {
    const bring = (group: string | null, mass: number): void => {
      oilsBy.set(group, (oilsBy.get(group) ?? 0) + mass);
    };
    if (draw.from === null) {
      const fraction = this.fractions.get(draw)!;
      const mass = this.mix.addTo(contents, unit, fraction);
      this.mix.tintLate(tint, takenOf(this.plan, pot), fraction);
      bring(this.group(pot), fraction * this.mix.oilsOfUnit(this.group(pot), this.start.shares));
      return { draw, fraction, mass, volume: fraction * this.mix.volumeOf(unit) };
    }
    const donor = this.done.get(draw.from);
    if (!donor) return { draw, fraction: 0, mass: 0, volume: 0 };
    // A draw round a cycle gives nothing; a check says so.
    const fraction = this.order.cyclic.has(pot.id) ? 0 : (this.given.get(draw) ?? 0);
    const mass = this.mix.addTo(contents, donor.contents, fraction);
    donor.tint.forEach((t, m) => (tint[m]! += t * fraction));
    for (const [group, brought] of donor.oilsBy) bring(group, brought * fraction);
    return { draw, fraction, mass, volume: fraction * donor.volume };
  }

  /** What other pots take of a pot, fixed amounts first. @returns the fraction that they take together. */
  private shareOutPot(pot: Pot, mass: number, volume: number): number {
    const density = volume > 0 ? mass / volume : 1;
    const takes = this.asked.get(pot.id) ?? [];
    let taken = 0;
    let weights = 0;
    for (const d of takes) {
      const weighed = this.mix.weighedDrawOf(d);
      if (weighed === undefined && byWeight(d)) {
        weights += weightOf(d);
        continue;
      }
      const wanted = weighed ?? (d.by === 'percent' ? null : this.mix.massWanted(d, density));
      const fraction = wanted === null ? d.value / 100 : mass > 0 ? wanted / mass : 0;
      this.given.set(d, fraction);
      taken += fraction;
    }
    const rest = Math.max(0, 1 - taken);
    for (const d of takes)
      if (!this.given.has(d)) this.given.set(d, weights > 0 ? (rest * weightOf(d)) / weights : 0);
    return taken + (weights > 0 ? rest : 0);
  }

  /** Where what remains in a pot goes: its jug keeps some, the rest goes into the mould or onto the top. */
  private destinationsOf(pot: Pot, remains: number): Pick<PotFlow, 'left' | 'loss' | 'toMould' | 'toTop'> {
    const loss = Math.min(remains, this.plan.moulding.lossPerJug);
    const left = remains - loss;
    const toTop = pot.place === 'top' ? left : Math.min(left, pot.place === 'spare' ? 0 : pot.reserve);
    return { left, loss, toTop, toMould: pot.place === 'mould' ? left - toTop : 0 };
  }

  /** Batter of the common lye that no pot takes. */
  private leftoverOf(unallocated: number): Float64Array {
    const leftover = new Float64Array(this.mix.ledger.size);
    if (unallocated <= 1e-12) return leftover;
    const { scent } = this.plan.base;
    const takers = this.start.takers.get(null) ?? 1;
    const v = this.mix.emulsion(null, this.start.held.get(null), this.shares.get(null)!, takers);
    this.mix.addLate(v, 'additives', takers);
    // Scent that goes into the bowl is in what stays there.
    const inBowl = scent?.when === 'batter' && this.plan.pots.some((p) => p.scented && !p.ownLye);
    if (scent && (scent.when === 'oils' || inBowl || this.plan.pots.length === 0))
      this.mix.addScent(v, (scent.dose * this.total) / 1000);
    this.mix.addTo(leftover, v, unallocated);
    return leftover;
  }

  private takersOf(unallocated: number): Map<string | null, number> {
    const late = this.plan.pots.filter((p) => takenOf(this.plan, p) !== 'emulsion');
    return new Map(
      [...this.shares].map(([group, share]) => {
        const taken = late.filter((p) => this.lyeOf(p) === group).reduce((s, p) => s + this.shareOf(p), 0);
        const all = taken + (group === null ? Math.max(0, unallocated) : 0);
        return [group, share > NONE ? all / share : 1];
      }),
    );
  }

  private flowOf(flows: readonly PotFlow[], unallocated: number): Omit<Flow, 'convergence'> {
    const { mix } = this;
    const leftover = this.leftoverOf(unallocated);
    const leftoverMass = sum(leftover);
    // Pots that others draw from are counted by what remains of them.
    const kept = (p: PotFlow, what: number): number => what * Math.max(0, 1 - p.drawnOff);
    const mass = flows.reduce((s, p) => s + kept(p, p.mass), leftoverMass);
    const volume = flows.reduce((s, p) => s + kept(p, p.volume), mix.volumeOf(leftover));
    const { density } = this.plan.moulding;
    return {
      ledger: mix.ledger,
      rate: mix.recipe(null).rate,
      pots: flows,
      lyes: [...this.shares]
        .filter(([g, share]) => g !== null || share > NONE || this.plan.pots.length === 0)
        .map(([g, share]): LyeFlow => mix.lye(g, share, this.held.get(g)!, this.start.takers.get(g) ?? 1))
        .sort((a, b) => Number(a.potId !== null) - Number(b.potId !== null)),
      unallocated,
      leftover,
      leftoverMass,
      leftoverSuperfat: leftoverMass > 0 ? mix.uptake.superfat(leftover) : null,
      mass,
      volume: density === null ? volume : mass / density,
      density: density ?? (volume > 0 ? mass / volume : 1),
      cyclic: this.order.cyclic,
      carrierOil: mix.recipe(null).carrierOil,
    };
  }
}
