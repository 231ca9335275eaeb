import { type DrawFlow, type Flow, type LyeFlow, type PotFlow } from './flow.ts';
import { potOrder } from '../plan/graph.ts';
import { type Held, Mixture, sum } from './mixture.ts';
import { type Draw, type Plan, type Pot } from '../plan/plan.ts';

const late = (pot: Pot): boolean => pot.taken !== 'emulsion';

/** Everything a plan amounts to. Total for any plan: a stop hides figures, it does not make them NaN. */
export function flowOf(plan: Plan): Flow {
  const found = known.get(plan);
  if (found) return found;
  const flow = new Balance(plan).solve();
  known.set(plan, flow);
  return flow;
}
// Plans are never changed in place, and many look at the same one.
const known = new WeakMap<Plan, Flow>();

const PASSES = 24;

/** The sums of one plan. Carriers out of the batch thin what is weighed, so amounts in grams need some passes. */
class Balance {
  private readonly mix: Mixture;
  private readonly total: number;
  private readonly order;
  /** Share of the recipe that each lye makes, from the pass before. */
  private shareGuess: ReadonlyMap<string | null, number> = new Map();

  constructor(private readonly plan: Plan) {
    this.mix = new Mixture(plan);
    this.total = plan.base.totalOils;
    this.order = potOrder(plan);
  }

  solve(): Flow {
    const held = new Map<string | null, Held>();
    let takers = new Map<string | null, number>();
    let last = this.pass(held, takers);
    for (let n = 0; n < PASSES; n++) {
      let moved = 0;
      for (const [group, h] of last.held) {
        const before = held.get(group) ?? { oil: 0, water: 0 };
        moved += Math.abs(h.oil - before.oil) + Math.abs(h.water - before.water);
        held.set(group, h);
      }
      for (const [group, f] of last.takers) moved += Math.abs(f - (takers.get(group) ?? 1)) * this.total;
      takers = last.takers;
      if (moved < 1e-9 * this.total) break;
      last = this.pass(held, takers);
    }
    return last.flow;
  }

  private group(pot: Pot): string | null {
    return pot.ownLye ? pot.id : null;
  }

  private pass(held: ReadonlyMap<string | null, Held>, takers: ReadonlyMap<string | null, number>) {
    const { plan, total } = this;
    const { ledger } = this.mix;
    const { pots, base, moulding } = plan;
    const scale = total / 1000;
    const shares = new Map<string | null, number>();

    /** Base batter per whole recipe, of a group, for a pot taken at its moment; scented only where it is by then. */
    const unit = (pot: Pot, share: number): Float64Array => {
      const v = this.mix.emulsion(this.group(pot), held.get(this.group(pot)), share);
      this.mix.addLate(v, pot.taken, takers.get(this.group(pot)) ?? 1);
      const { scent } = base;
      if (scent && (scent.when === 'oils' || (scent.when === 'batter' && pot.scented)))
        this.mix.addScent(v, scent.dose * scale);
      return v;
    };

    // Shares of the base batter: what is fixed first, then parts and the rest divide what remains.
    const before = this.shareGuess;
    const fractions = new Map<Draw, number>();
    const kinds = new Map<string, Float64Array>();
    const units = pots.map((pot) => {
      const kind = `${pot.taken} ${pot.scented} ${this.group(pot)}`;
      const v = kinds.get(kind) ?? unit(pot, before.get(this.group(pot)) ?? 1);
      kinds.set(kind, v);
      return v;
    });
    let fixed = 0;
    let parts = 0;
    pots.forEach((pot, i) => {
      let first = true;
      for (const d of pot.draws) {
        if (d.from !== null) continue;
        if (d.by === 'parts' || d.by === 'rest') {
          parts += d.by === 'rest' ? 1 : d.value;
          continue;
        }
        const f = this.mix.fixedFraction(d, pot, units[i]!, first);
        first = false;
        fractions.set(d, f);
        fixed += f;
      }
    });
    const remainder = Math.max(0, 1 - fixed);
    for (const pot of pots) {
      for (const d of pot.draws) {
        if (d.from !== null || (d.by !== 'parts' && d.by !== 'rest')) continue;
        fractions.set(d, parts > 0 ? (remainder * (d.by === 'rest' ? 1 : d.value)) / parts : 0);
      }
    }
    const potShare = (pot: Pot): number =>
      pot.draws.reduce((sum, d) => sum + (d.from === null ? fractions.get(d)! : 0), 0);
    const allocated = pots.reduce((sum, p) => sum + potShare(p), 0);
    // A pot that draws from other pots alone has no lye of its own, whatever it says: it stands on its donor's.
    const done = new Map<string, PotFlow>();
    const given = new Map<Draw, number>();
    for (const pot of pots) if (pot.ownLye && potShare(pot) > 1e-9) shares.set(pot.id, potShare(pot));
    const groupOf = (pot: Pot): string | null => {
      if (shares.has(pot.id)) return pot.id;
      if (potShare(pot) > 1e-9) return null;
      // The first that has oils, whatever the masses: those move from pass to pass, and a tie would never settle.
      const main = pot.draws.find((d) => d.from !== null && (done.get(d.from)?.oils ?? 0) > 0);
      return main ? done.get(main.from!)!.group : null;
    };
    const own = [...shares.values()].reduce((a, b) => a + b, 0);
    shares.set(null, Math.max(0, 1 - own));
    this.shareGuess = shares;

    // Down the graph: contents, then what others draw of them.
    const flows: PotFlow[] = [];
    const asked = new Map<string, { pot: Pot; draw: Draw }[]>();
    for (const pot of pots)
      for (const draw of pot.draws)
        if (draw.from !== null) asked.set(draw.from, [...(asked.get(draw.from) ?? []), { pot, draw }]);
    const newHeld = new Map<string | null, Held>([...shares.keys()].map((g) => [g, { oil: 0, water: 0 }]));

    for (const i of this.order.order) {
      const pot = pots[i]!;
      const contents = new Float64Array(ledger.size);
      const tint = new Float64Array(plan.materials.length);
      let oils = 0;
      const oilsBy = new Map<string | null, number>();
      const bring = (group: string | null, mass: number): void => {
        oils += mass;
        oilsBy.set(group, (oilsBy.get(group) ?? 0) + mass);
      };
      const draws = pot.draws.map((draw): DrawFlow => {
        if (draw.from === null) {
          const fraction = fractions.get(draw)!;
          const mass = this.mix.addTo(contents, units[i]!, fraction);
          this.mix.tintLate(tint, pot.taken, fraction);
          bring(this.group(pot), fraction * total);
          return { draw, fraction, mass };
        }
        const donor = done.get(draw.from);
        // A draw round a cycle gives nothing; a check says so.
        const fraction = this.order.cyclic.has(pot.id) ? 0 : (given.get(draw) ?? 0);
        if (!donor) return { draw, fraction: 0, mass: 0 };
        const mass = this.mix.addTo(contents, donor.contents, fraction);
        donor.tint.forEach((t, m) => (tint[m]! += t * fraction));
        for (const [group, brought] of donor.oilsBy) bring(group, brought * fraction);
        return { draw, fraction, mass };
      });
      const scented = this.mix.scentPot(pot, contents, oils);
      const group = groupOf(pot);
      const doses = this.mix.addDoses(pot, group, contents, tint, oils, newHeld.get(group)!);
      const evenedOil = this.mix.even(pot, group, contents, oils, doses, newHeld.get(group)!);
      const mass = sum(contents);
      const volume = this.mix.volumeOf(contents);
      const density = volume > 0 ? mass / volume : 1;
      // What others take, in the same manner: fixed amounts first.
      const takes = asked.get(pot.id) ?? [];
      let taken = 0;
      let weights = 0;
      for (const { draw: d } of takes) {
        if (d.by === 'rest' || d.by === 'parts') {
          weights += d.by === 'rest' ? 1 : d.value;
          continue;
        }
        const f = d.by === 'percent' ? d.value / 100 : mass > 0 ? this.mix.massWanted(d, density) / mass : 0;
        given.set(d, f);
        taken += f;
      }
      const rest = Math.max(0, 1 - taken);
      for (const { draw: d } of takes)
        if (d.by === 'rest' || d.by === 'parts')
          given.set(d, weights > 0 ? (rest * (d.by === 'rest' ? 1 : d.value)) / weights : 0);
      const drawnOff = taken + (weights > 0 ? rest : 0);
      const remains = Math.max(0, 1 - drawnOff) * mass;
      const loss = Math.min(remains, moulding.lossPerJug);
      const left = remains - loss;
      const toTop = pot.place === 'top' ? left : Math.min(left, pot.place === 'spare' ? 0 : pot.reserve);
      const flow: PotFlow = {
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
        evenedOil,
        left,
        loss,
        toTop,
        toMould: pot.place === 'mould' ? left - toTop : 0,
        superfat: this.mix.superfat(contents),
      };
      done.set(pot.id, flow);
      flows[i] = flow;
    }

    const leftover = new Float64Array(ledger.size);
    const unallocated = 1 - allocated;
    if (unallocated > 1e-12) {
      const v = this.mix.emulsion(null, held.get(null), shares.get(null)!);
      this.mix.addLate(v, 'additives', takers.get(null) ?? 1);
      const { scent } = base;
      if (scent && (scent.when === 'oils' || pots.length === 0)) this.mix.addScent(v, scent.dose * scale);
      this.mix.addTo(leftover, v, unallocated);
    }
    const newTakers = new Map<string | null, number>(
      [...shares].map(([g, share]) => {
        const of = pots.filter((p) => groupOf(p) === g && late(p)).reduce((s, p) => s + potShare(p), 0);
        const f = of + (g === null ? Math.max(0, unallocated) : 0);
        return [g, share > 1e-9 ? f / share : 1];
      }),
    );
    const leftoverMass = sum(leftover);
    // Pots that others draw from are counted by what remains of them.
    const kept = (p: PotFlow, what: number): number => what * Math.max(0, 1 - p.drawnOff);
    const mass = flows.reduce((s, p) => s + kept(p, p.mass), leftoverMass);
    const volume = flows.reduce((s, p) => s + kept(p, p.volume), this.mix.volumeOf(leftover));
    const worked = volume > 0 ? mass / volume : 1;
    const flow: Flow = {
      ledger,
      rate: this.mix.recipe(null).rate,
      pots: flows,
      lyes: [...shares]
        .filter(([g, share]) => g !== null || share > 1e-9 || pots.length === 0)
        .map(([g, share]) => this.lye(g, share, newHeld.get(g)!))
        .sort((a, b) => Number(a.potId !== null) - Number(b.potId !== null)),
      unallocated,
      leftover,
      leftoverMass,
      mass,
      volume: moulding.density === null ? volume : mass / moulding.density,
      density: moulding.density ?? worked,
      cyclic: this.order.cyclic,
      carrierOil: this.mix.recipe(null).carrierOil,
    };
    return { flow, held: newHeld, takers: newTakers };
  }

  private lye(potId: string | null, share: number, held: Held): LyeFlow {
    const { total, plan } = this;
    const { rate, fractions, carrierOil } = this.mix.recipe(potId);
    const scale = (total / 1000) * share;
    const later = plan.base.liquid.heldBack * share;
    const liquid = rate.liquid * scale;
    return {
      potId,
      oils: total * share,
      rows: this.mix.ledger.oils.flatMap((materialId, i) =>
        fractions[i]! > 0 ? [{ materialId, mass: fractions[i]! * total * share }] : [],
      ),
      carrierOil,
      naoh: rate.naoh * scale,
      koh: rate.koh * scale,
      liquid,
      heldOil: held.oil,
      heldForDispersions: held.water,
      heldForLater: later,
      vessel: liquid - held.water - later,
    };
  }
}
