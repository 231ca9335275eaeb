import { isWeighedCarrier } from '../material/material.ts';
import { DENSITY, lyeDensity, solidDensity } from './density.ts';
import {
  AFTER_OILS,
  type DoseFlow,
  type DrawFlow,
  type Flow,
  type Ledger,
  type LyeFlow,
  type PotFlow,
} from './flow.ts';
import { potOrder } from './graph.ts';
import { concentrationOf, lyeMoles, type LyeRate, lyeRate, lyeStops, molesPerGram } from './lye.ts';
import { layerVolume, sectionVolume } from './mould.ts';
import {
  type AdditiveRow,
  type DoseRow,
  type Draw,
  materialOf,
  type Plan,
  type Pot,
  type Stock,
} from './plan.ts';

const late = (pot: Pot): boolean => pot.taken !== 'emulsion';

/** Row of the oil that carriers come from: the one chosen, or the recipe's lightest. -1 for none. */
export function carrierOilRow(plan: Plan): number {
  const { oils } = plan.base;
  const chosen = plan.work.carrierOil;
  if (chosen !== null) return oils.findIndex((o) => o.materialId === chosen);
  const saturated = (i: number): number => materialOf(plan, oils[i]!.materialId).oil?.saturated ?? 100;
  const heavy = (i: number): boolean => materialOf(plan, oils[i]!.materialId).id.includes('castor');
  return oils.reduce((best, _, i) => {
    if (saturated(i) > 25 || heavy(i)) return best;
    return best < 0 || oils[i]!.percent > oils[best]!.percent ? i : best;
  }, -1);
}

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

interface Held {
  oil: number;
  water: number;
}

/** The sums of one plan. Carriers out of the batch thin what is weighed, so amounts in grams need some passes. */
class Balance {
  private readonly total: number;
  private readonly rate: LyeRate;
  private readonly ledger: Ledger;
  private readonly percents: readonly number[];
  /** Lye that a gram of each oil takes, mol. */
  private readonly moles: readonly number[];
  private readonly carrierOil: number;
  private readonly densities: Float64Array;
  private readonly early: readonly AdditiveRow[];
  private readonly inWater: readonly AdditiveRow[];
  private readonly atTrace: readonly AdditiveRow[];
  private readonly order;
  private readonly stocks: ReadonlyMap<string, Stock>;
  private readonly unknownSap: boolean;
  /** Share of the recipe that each lye makes, from the pass before. */
  private shareGuess: ReadonlyMap<string | null, number> = new Map();

  constructor(private readonly plan: Plan) {
    const { base, work } = plan;
    this.total = base.totalOils;
    this.rate = lyeRate(plan);
    const count = base.oils.length;
    const first = count + AFTER_OILS.length;
    const places = new Map<string, number>(AFTER_OILS.map((what, i) => [what, count + i]));
    const materials = new Map(plan.materials.map((m, i) => [m.id, i]));
    this.ledger = {
      oils: count,
      size: first + plan.materials.length,
      at: (what) => places.get(what)!,
      material: (id) => first + materials.get(id)!,
      tint: (id) => materials.get(id)!,
    };
    this.percents = base.oils.map((o) => o.percent / 100);
    this.moles = base.oils.map((o) => molesPerGram(materialOf(plan, o.materialId).oil?.sapKoh ?? 0));
    this.carrierOil = carrierOilRow(plan);
    this.early = base.additives.filter((a) => a.moment === 'lye-water' || a.moment === 'oils');
    this.inWater = base.additives.filter((a) => a.moment === 'water');
    this.atTrace = base.additives.filter((a) => a.moment === 'trace');
    this.order = potOrder(plan);
    this.stocks = new Map(work.dispersions.flatMap((d) => (d.stock ? [[d.materialId, d.stock]] : [])));
    this.unknownSap = lyeStops(plan).includes('lye-missing-value');
    this.densities = this.densitiesOf();
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
    const { plan, total, ledger, rate } = this;
    const { pots, base, moulding } = plan;
    const scale = total / 1000;
    const shares = new Map<string | null, number>();

    /** Base batter per whole recipe, of a group, for a pot taken at its moment; scented only where it is by then. */
    const unit = (pot: Pot, share: number): Float64Array => {
      const v = this.emulsion(held.get(this.group(pot)), share);
      this.addLate(v, pot.taken, takers.get(this.group(pot)) ?? 1);
      const { scent } = base;
      if (scent && (scent.when === 'oils' || (scent.when === 'batter' && pot.scented)))
        this.addScent(v, scent.dose * scale);
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
        const f = this.fixedFraction(d, pot, units[i]!, first);
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
      const from = pot.draws.filter((d) => d.from !== null && done.has(d.from));
      const gives = (d: Draw): number => (given.get(d) ?? 0) * done.get(d.from!)!.mass;
      const main = from.reduce<Draw | null>((a, d) => (a && gives(a) >= gives(d) ? a : d), null);
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
      const draws = pot.draws.map((draw): DrawFlow => {
        if (draw.from === null) {
          const fraction = fractions.get(draw)!;
          const mass = this.addTo(contents, units[i]!, fraction);
          this.tintLate(tint, pot.taken, fraction);
          oils += fraction * total;
          return { draw, fraction, mass };
        }
        const donor = done.get(draw.from);
        // A draw round a cycle gives nothing; a check says so.
        const fraction = this.order.cyclic.has(pot.id) ? 0 : (given.get(draw) ?? 0);
        if (!donor) return { draw, fraction: 0, mass: 0 };
        const mass = this.addTo(contents, donor.contents, fraction);
        donor.tint.forEach((t, m) => (tint[m]! += t * fraction));
        oils += donor.oils * fraction;
        return { draw, fraction, mass };
      });
      const scented = this.scentPot(pot, contents, oils);
      const doses = this.addDoses(pot, contents, tint, oils, newHeld.get(groupOf(pot))!);
      const evenedOil = this.even(pot, contents, oils, doses, newHeld.get(groupOf(pot))!);
      const mass = sum(contents);
      const volume = this.volumeOf(contents);
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
        const f = d.by === 'percent' ? d.value / 100 : mass > 0 ? this.massWanted(d, density) / mass : 0;
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
        group: groupOf(pot),
        draws,
        doses,
        oils,
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
        superfat: this.superfat(contents),
      };
      done.set(pot.id, flow);
      flows[i] = flow;
    }

    const leftover = new Float64Array(ledger.size);
    const unallocated = 1 - allocated;
    if (unallocated > 1e-12) {
      const v = this.emulsion(held.get(null), shares.get(null)!);
      this.addLate(v, 'additives', takers.get(null) ?? 1);
      const { scent } = base;
      if (scent && (scent.when === 'oils' || pots.length === 0)) this.addScent(v, scent.dose * scale);
      this.addTo(leftover, v, unallocated);
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
    const volume = flows.reduce((s, p) => s + kept(p, p.volume), this.volumeOf(leftover));
    const worked = volume > 0 ? mass / volume : 1;
    const flow: Flow = {
      ledger,
      rate,
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
      carrierOil: this.carrierOil,
    };
    return { flow, held: newHeld, takers: newTakers };
  }

  /** Emulsion of a whole recipe, less what its group keeps back, spread over the group's share. */
  private emulsion(held: Held | undefined, share: number): Float64Array {
    const { ledger, total, rate, plan } = this;
    const v = new Float64Array(ledger.size);
    const scale = total / 1000;
    const over = share > 1e-9 ? 1 / share : 0;
    this.percents.forEach((p, i) => (v[i] = p * total));
    if (this.carrierOil >= 0) v[this.carrierOil]! -= (held?.oil ?? 0) * over;
    v[ledger.at('naoh')] = rate.naoh * scale;
    v[ledger.at('koh')] = rate.koh * scale;
    v[ledger.at('liquid')] = rate.liquid * scale - (held?.water ?? 0) * over - plan.base.liquid.heldBack;
    for (const a of this.early) v[ledger.material(a.materialId)]! += a.dose * scale;
    return v;
  }

  /** Late liquid and late additives of a whole recipe. `takers` is the fraction of the group that takes them. */
  private addLate(v: Float64Array, taken: Pot['taken'], takers: number): void {
    const { ledger, total, plan } = this;
    const scale = total / 1000;
    if (taken === 'emulsion') return;
    v[ledger.at('liquid')]! += takers > 0 ? plan.base.liquid.heldBack / takers : 0;
    for (const a of this.inWater) v[ledger.material(a.materialId)]! += a.dose * scale;
    if (taken !== 'additives') return;
    for (const a of this.atTrace) v[ledger.material(a.materialId)]! += a.dose * scale;
  }

  private tintLate(tint: Float64Array, taken: Pot['taken'], fraction: number): void {
    const scale = (this.total / 1000) * fraction;
    const rows = [
      ...this.early,
      ...(taken === 'emulsion' ? [] : this.inWater),
      ...(taken === 'additives' ? this.atTrace : []),
    ];
    for (const a of rows) tint[this.ledger.tint(a.materialId)]! += a.dose * scale;
  }

  private addScent(v: Float64Array, mass: number): number {
    const { scent } = this.plan.base;
    v[this.ledger.at('scent')]! += mass;
    const stabiliser = mass * (scent?.stabiliser ?? 0);
    v[this.ledger.at('stabiliser')]! += stabiliser;
    return stabiliser;
  }

  /** Brings a scented pot to its dose, counting what its donors brought. */
  private scentPot(pot: Pot, contents: Float64Array, oils: number): { scent: number; stabiliser: number } {
    const { scent } = this.plan.base;
    if (!scent || (!pot.scented && scent.when !== 'oils')) return { scent: 0, stabiliser: 0 };
    const missing = Math.max(0, (scent.dose * oils) / 1000 - contents[this.ledger.at('scent')]!);
    return { scent: missing, stabiliser: this.addScent(contents, missing) };
  }

  private addDoses(
    pot: Pot,
    contents: Float64Array,
    tint: Float64Array,
    oils: number,
    held: Held,
  ): DoseFlow[] {
    const { ledger } = this;
    return pot.doses.map((row): DoseFlow => {
      const powder = (row.dose * oils) / 1000;
      const at = ledger.material(row.materialId);
      const stock = this.stocks.get(row.materialId) ?? null;
      const { carrier } = row;
      const weighed = carrier !== null && isWeighedCarrier(carrier.medium);
      const ratio = weighed ? (stock ? 100 / stock.powderPercent - 1 : carrier.ratio) : 0;
      const liquid = powder * ratio;
      const oily = carrier?.medium === 'oil' || carrier?.medium === 'infusion';
      const fromBatch =
        weighed &&
        stock === null &&
        row.source === 'batch' &&
        (oily ? this.carrierOil >= 0 : carrier.medium === 'water');
      // What is infused is strained off again.
      if (carrier?.medium !== 'infusion') contents[at]! += powder;
      tint[ledger.tint(row.materialId)]! += powder;
      this.addCarrier(contents, held, liquid, carrier?.medium ?? null, fromBatch);
      return { row, powder, liquid, fromBatch, stock };
    });
  }

  private addCarrier(
    contents: Float64Array,
    held: Held,
    liquid: number,
    medium: string | null,
    fromBatch: boolean,
  ): void {
    const { ledger } = this;
    if (medium === 'glycerin') contents[ledger.at('glycerin')]! += liquid;
    else if (medium === 'water') {
      contents[ledger.at(fromBatch ? 'liquid' : 'carrier-water')]! += liquid;
      if (fromBatch) held.water += liquid;
    } else if (medium === 'oil' || medium === 'infusion') {
      contents[fromBatch ? this.carrierOil : ledger.at('carrier-oil')]! += liquid;
      if (fromBatch) held.oil += liquid;
    }
  }

  /** Tops a pot up to the oil carrier of the pot that has most, for its oils. */
  private even(
    pot: Pot,
    contents: Float64Array,
    oils: number,
    doses: readonly DoseFlow[],
    held: Held,
  ): number {
    if (!this.plan.work.equalise || pot.draws.some((d) => d.from !== null)) return 0;
    const isOil = (row: DoseRow): boolean =>
      row.carrier?.medium === 'oil' || row.carrier?.medium === 'infusion';
    const most = Math.max(
      0,
      ...this.plan.pots.map((p) =>
        p.doses.reduce((sum, d) => sum + (isOil(d) ? d.dose * (d.carrier?.ratio ?? 0) : 0), 0),
      ),
    );
    const has = doses.reduce((sum, d) => sum + (isOil(d.row) ? d.liquid : 0), 0);
    const more = Math.max(0, (most * oils) / 1000 - has);
    const fromBatch =
      this.carrierOil >= 0 &&
      this.plan.pots.some((p) => p.doses.some((d) => isOil(d) && d.source === 'batch'));
    this.addCarrier(contents, held, more, 'oil', fromBatch);
    return more;
  }

  private addTo(into: Float64Array, from: Float64Array, fraction: number): number {
    let mass = 0;
    for (let i = 0; i < from.length; i++) {
      into[i]! += from[i]! * fraction;
      mass += from[i]! * fraction;
    }
    return mass;
  }

  private fixedFraction(d: Draw, pot: Pot, unit: Float64Array, first: boolean): number {
    if (d.by === 'percent') return d.value / 100;
    const mass = sum(unit);
    if (!(mass > 0)) return 0;
    const volume = this.volumeOf(unit);
    if (d.by === 'grams') return d.value / mass;
    if (d.by === 'millilitres') return (d.value * (mass / volume)) / mass;
    // A place in the mould is filled with the finished pot: what it gets later takes room too, and its jug keeps some.
    const full = Float64Array.from(unit);
    const oils = this.total;
    this.scentPot(pot, full, oils);
    this.addDoses(pot, full, new Float64Array(this.plan.materials.length), oils, { oil: 0, water: 0 });
    const finished = this.volumeOf(full);
    const density = sum(full) / finished;
    const beside = first ? (this.plan.moulding.lossPerJug + pot.reserve) / density : 0;
    return (this.geometry(d) + beside) / finished;
  }

  private geometry(d: Draw): number {
    const { moulding } = this.plan;
    switch (d.by) {
      case 'layer':
        return layerVolume(moulding, d.value);
      case 'slant':
        return layerVolume(moulding, d.value, d.second);
      case 'section':
        return sectionVolume(moulding, Math.round(d.value));
      default:
        return 0;
    }
  }

  private massWanted(d: Draw, density: number): number {
    if (d.by === 'grams') return d.value;
    return (d.by === 'millilitres' ? d.value : this.geometry(d)) * density;
  }

  /** ml per g of each ingredient; lye and its liquid are one solution. */
  private densitiesOf(): Float64Array {
    const { ledger, rate, plan } = this;
    const d = new Float64Array(ledger.size).fill(DENSITY.oil);
    const solution = lyeDensity(concentrationOf(rate.naoh + rate.koh, rate.liquid) / 100);
    d[ledger.at('naoh')] = solution;
    d[ledger.at('koh')] = solution;
    d[ledger.at('liquid')] = solution;
    d[ledger.at('carrier-water')] = DENSITY.water;
    d[ledger.at('glycerin')] = DENSITY.glycerin;
    d[ledger.at('scent')] = DENSITY.scent;
    d[ledger.at('stabiliser')] = DENSITY.scent;
    for (const m of plan.materials) d[ledger.material(m.id)] = solidDensity(m);
    return d;
  }

  private volumeOf(contents: Float64Array): number {
    let volume = 0;
    for (let i = 0; i < contents.length; i++) volume += contents[i]! / this.densities[i]!;
    const { density } = this.plan.moulding;
    return density === null ? volume : sum(contents) / density;
  }

  private superfat(contents: Float64Array): number | null {
    const { ledger, plan } = this;
    if (this.unknownSap) return null;
    let takes = 0;
    this.moles.forEach((perGram, i) => (takes += contents[i]! * perGram));
    const extra = contents[ledger.at('carrier-oil')]!;
    if (extra > 0) takes += extra * this.carrierSap();
    if (!(takes > 0)) return null;
    const acids = plan.base.additives.reduce((sum, a) => {
      const { lyeDemand } = materialOf(plan, a.materialId);
      return lyeDemand > 0 ? sum + contents[ledger.material(a.materialId)]! * lyeDemand : sum;
    }, 0);
    return 1 - lyeMoles(plan.base, contents[ledger.at('naoh')]!, contents[ledger.at('koh')]!, acids) / takes;
  }

  private carrierSap(): number {
    const { plan } = this;
    const id = plan.work.carrierOil ?? plan.base.oils[this.carrierOil]?.materialId ?? null;
    // An unknown light oil: sunflower's value.
    return molesPerGram((id === null ? null : materialOf(plan, id).oil?.sapKoh) ?? 190);
  }

  private lye(potId: string | null, share: number, held: Held): LyeFlow {
    const { rate, total, plan } = this;
    const scale = (total / 1000) * share;
    const later = plan.base.liquid.heldBack * share;
    const liquid = rate.liquid * scale;
    return {
      potId,
      oils: total * share,
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

const sum = (v: Float64Array): number => {
  let total = 0;
  for (const g of v) total += g;
  return total;
};
