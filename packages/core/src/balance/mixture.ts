import { isWeighedCarrier } from '../material/material.ts';
import { carrierOilOf } from './carrierOil.ts';
import { DENSITY, lyeDensity } from './density.ts';
import { AFTER_OILS, type DoseFlow, type Ledger, type LyeFlow } from './flow.ts';
import { concentrationOf, type LyeRate, lyeRate } from './lye.ts';
import { LyeUptake } from './uptake.ts';
import { scentRate } from './scentRate.ts';
import { layerVolume, sectionVolume } from './mould.ts';
import { lateWater } from '../plan/late.ts';
import { liquidOfPlan } from '../plan/liquid.ts';
import {
  type AdditiveRow,
  blendsOf,
  type DoseRow,
  type Draw,
  materialOf,
  type OilRow,
  type Plan,
  type Pot,
  type Stock,
} from '../plan/plan.ts';
import { COMMON_LYE, type Weighed, type WeighedLye } from './weighed.ts';

/** Oil and liquid that a lye keeps back for carriers, and liquid that wet doses of pots replace, g. */
export interface Held {
  oil: number;
  water: number;
  replaced: number;
}
export const nothingHeld = (): Held => ({ oil: 0, water: 0, replaced: 0 });

/** Sum of the components of a mixture, g. */
export const sum = (v: Float64Array): number => {
  let total = 0;
  for (const g of v) total += g;
  return total;
};

/** The oils of a lye and what they take. */
interface Recipe {
  /** By the columns of the ledger, 0–1. */
  readonly fractions: Float64Array;
  readonly rate: LyeRate;
  readonly carrierOil: string | null;
}

/** What goes into batter and pots, and what it weighs, fills and takes up. Contents are vectors by the ledger. */
export class Mixture {
  readonly ledger: Ledger;
  private readonly recipes: ReadonlyMap<string | null, Recipe>;
  private readonly total: number;
  private readonly densities: Float64Array;
  readonly uptake: LyeUptake;
  private readonly early: readonly AdditiveRow[];
  private readonly inWater: readonly AdditiveRow[];
  private readonly atTrace: readonly AdditiveRow[];
  private readonly stocks: ReadonlyMap<string, Stock>;
  private readonly liquid: ReturnType<typeof liquidOfPlan>;

  constructor(
    readonly plan: Plan,
    private readonly weighed: Weighed,
  ) {
    const { base, work } = plan;
    this.total = base.totalOils;
    const blends = blendsOf(plan);
    const oils = base.oils.map((o) => o.materialId);
    for (const b of blends) for (const o of b.oils) if (!oils.includes(o.materialId)) oils.push(o.materialId);
    const count = oils.length;
    const first = count + AFTER_OILS.length;
    const places = new Map<string, number>(AFTER_OILS.map((what, i) => [what, count + i]));
    const materials = new Map(plan.materials.map((m, i) => [m.id, i]));
    this.ledger = {
      oils,
      size: first + plan.materials.length,
      at: (what) => places.get(what)!,
      material: (id) => first + materials.get(id)!,
      tint: (id) => materials.get(id)!,
    };
    this.recipes = new Map(blends.map(({ potId, oils: rows }) => [potId, this.recipeOf(rows)]));
    this.early = base.additives.filter((a) => a.moment === 'lye-water' || a.moment === 'oils');
    this.inWater = base.additives.filter((a) => a.moment === 'water');
    this.atTrace = base.additives.filter((a) => a.moment === 'trace');
    this.stocks = new Map(work.dispersions.flatMap((d) => (d.stock ? [[d.materialId, d.stock]] : [])));
    this.liquid = liquidOfPlan(plan);
    this.uptake = new LyeUptake(plan, this.ledger, this.recipe(null).carrierOil);
    this.densities = this.densitiesOf();
  }

  private recipeOf(rows: readonly OilRow[]): Recipe {
    const fractions = new Float64Array(this.ledger.oils.length);
    for (const o of rows) fractions[this.ledger.oils.indexOf(o.materialId)]! += o.percent / 100;
    return { fractions, rate: lyeRate(this.plan, rows), carrierOil: carrierOilOf(this.plan, rows) };
  }

  /** Of a lye: the common one, or that of a mini-batch, which has the recipe's oils unless it has its own. */
  recipe(group: string | null): Recipe {
    return this.recipes.get(group) ?? this.recipes.get(null)!;
  }

  /** Emulsion as if the whole batch were the group's, less what it keeps back, spread over the group's share. */
  emulsion(group: string | null, held: Held | undefined, share: number, takers: number): Float64Array {
    const { ledger, total } = this;
    const { fractions, rate, carrierOil } = this.recipe(group);
    const { oils, naoh, koh, liquid } = this.weighedLye(group);
    const v = new Float64Array(ledger.size);
    const scale = total / 1000;
    const over = share > 1e-9 ? 1 / share : 0;
    fractions.forEach((f, i) => {
      const mass = oils?.[ledger.oils[i]!];
      v[i] = mass === undefined ? f * total : mass * over;
    });
    if (carrierOil !== null) v[ledger.oils.indexOf(carrierOil)]! -= (held?.oil ?? 0) * over;
    v[ledger.at('naoh')] = naoh === undefined ? rate.naoh * scale : naoh * over;
    v[ledger.at('koh')] = koh === undefined ? rate.koh * scale : koh * over;
    const wet =
      liquid === undefined
        ? rate.liquid * scale - (held?.replaced ?? 0) * over - this.replacedBy(takers)
        : liquid * over;
    v[ledger.at('liquid')] = wet - (held?.water ?? 0) * over - this.laterOf(takers);
    for (const a of this.early) v[ledger.material(a.materialId)]! += a.dose * scale;
    return v;
  }

  /** Liquid of a whole recipe that is stirred in late: what the plan holds back, and what additives are wetted with. */
  private laterOf(takers: number): number {
    return this.plan.base.liquid.heldBack + this.wetting() * takers;
  }

  /** Water that the late additives of a whole recipe are stirred into, g. */
  private wetting(): number {
    return this.inWater.reduce(
      (sum, a) => sum + (a.dose * this.total * lateWater(a, materialOf(this.plan, a.materialId))) / 1000,
      0,
    );
  }

  /** Liquid of a whole recipe that the water of its wet additives replaces, g. */
  private replacedBy(takers: number): number {
    const water = (rows: readonly AdditiveRow[]): number =>
      rows.reduce((sum, a) => sum + a.dose * materialOf(this.plan, a.materialId).water, 0);
    return ((water(this.early) + takers * water([...this.inWater, ...this.atTrace])) / 100_000) * this.total;
  }

  private weighedLye(group: string | null): WeighedLye {
    return this.weighed.lyes?.[group ?? COMMON_LYE] ?? {};
  }

  /** Batter that was really drawn into a pot, g; undefined where it went as planned. */
  weighedDraw(pot: Pot, draw: Draw): number | undefined {
    return this.weighed.pots?.[pot.id]?.draws?.[draw.id];
  }

  /** The same for a draw whose pot is not at hand. */
  weighedDrawOf(draw: Draw): number | undefined {
    if (!this.weighed.pots) return undefined;
    const pot = this.plan.pots.find((p) => p.draws.includes(draw));
    return pot && this.weighedDraw(pot, draw);
  }

  /** Oils in the unit batter of a lye (see `emulsion`), before any are kept back, g. */
  oilsOfUnit(group: string | null, shares: ReadonlyMap<string | null, number>): number {
    const { oils } = this.weighedLye(group);
    if (!oils) return this.total;
    const share = shares.get(group) ?? 1;
    const { fractions } = this.recipe(group);
    let sum = 0;
    fractions.forEach((f, i) => {
      const mass = oils[this.ledger.oils[i]!];
      sum += mass === undefined ? f * this.total : share > 1e-9 ? mass / share : 0;
    });
    return sum;
  }

  /** One lye solution with its oils, for a share of the recipe. */
  lye(potId: string | null, share: number, held: Held, takers: number): LyeFlow {
    const { total } = this;
    const { rate, fractions, carrierOil } = this.recipe(potId);
    const weighed = this.weighedLye(potId);
    const scale = (total / 1000) * share;
    const later = this.laterOf(takers) * share;
    const replaced = held.replaced + this.replacedBy(takers) * share;
    const liquid = weighed.liquid ?? rate.liquid * scale - replaced;
    const rows = this.ledger.oils.flatMap((materialId, i) => {
      const mass = weighed.oils?.[materialId] ?? fractions[i]! * total * share;
      return fractions[i]! > 0 ? [{ materialId, mass }] : [];
    });
    return {
      potId,
      oils: weighed.oils ? rows.reduce((sum, r) => sum + r.mass, 0) : total * share,
      rows,
      carrierOil,
      naoh: weighed.naoh ?? rate.naoh * scale,
      koh: weighed.koh ?? rate.koh * scale,
      liquid,
      replaced: weighed.liquid === undefined ? replaced : 0,
      heldOil: held.oil,
      heldForDispersions: held.water,
      heldForLater: later,
      vessel: liquid - held.water - later,
      vesselWater: (liquid - held.water - later) * this.liquid.water,
    };
  }

  /** Late liquid and late additives of a whole recipe. `takers` is the fraction of the group that takes them. */
  addLate(v: Float64Array, taken: Pot['taken'], takers: number): void {
    const { ledger, total, plan } = this;
    const scale = total / 1000;
    if (taken === 'emulsion') return;
    v[ledger.at('liquid')]! += (takers > 0 ? plan.base.liquid.heldBack / takers : 0) + this.wetting();
    for (const a of this.inWater) v[ledger.material(a.materialId)]! += a.dose * scale;
    if (taken !== 'additives') return;
    for (const a of this.atTrace) v[ledger.material(a.materialId)]! += a.dose * scale;
  }

  tintLate(tint: Float64Array, taken: Pot['taken'], fraction: number): void {
    const scale = (this.total / 1000) * fraction;
    const rows = [
      ...this.early,
      ...(taken === 'emulsion' ? [] : this.inWater),
      ...(taken === 'additives' ? this.atTrace : []),
    ];
    for (const a of rows) tint[this.ledger.tint(a.materialId)]! += a.dose * scale;
  }

  addScent(v: Float64Array, mass: number): number {
    const { scent } = this.plan.base;
    v[this.ledger.at('scent')]! += mass;
    const stabiliser = mass * (scent?.stabiliser ?? 0);
    v[this.ledger.at('stabiliser')]! += stabiliser;
    return stabiliser;
  }

  /** Brings a scented pot to its dose, counting what its donors brought. */
  scentPot(pot: Pot, contents: Float64Array, oils: number): { scent: number; stabiliser: number } {
    const { scent } = this.plan.base;
    if (!scent || (!pot.scented && scent.when !== 'oils')) return { scent: 0, stabiliser: 0 };
    const missing =
      this.weighed.pots?.[pot.id]?.scent ??
      Math.max(0, (scentRate(scent, pot) * oils) / 1000 - contents[this.ledger.at('scent')]!);
    return { scent: missing, stabiliser: this.addScent(contents, missing) };
  }

  addDoses(
    pot: Pot,
    group: string | null,
    contents: Float64Array,
    tint: Float64Array,
    oils: number,
    held: Held,
  ): DoseFlow[] {
    const { ledger } = this;
    const { carrierOil } = this.recipe(group);
    return pot.doses.map((row): DoseFlow => {
      const weighed = this.weighed.pots?.[pot.id]?.doses?.[row.id];
      const powder = weighed?.powder ?? (row.dose * oils) / 1000;
      const at = ledger.material(row.materialId);
      const stock = this.stocks.get(row.materialId) ?? null;
      const { carrier } = row;
      const wet = carrier !== null && isWeighedCarrier(carrier.medium);
      const ratio = wet ? (stock ? 100 / stock.powderPercent - 1 : carrier.ratio) : 0;
      const liquid = wet ? (weighed?.liquid ?? powder * ratio) : 0;
      const oily = carrier?.medium === 'oil' || carrier?.medium === 'infusion';
      const fromBatch =
        wet &&
        stock === null &&
        row.source === 'batch' &&
        (oily ? carrierOil !== null : carrier.medium === 'water');
      // What is infused is strained off again.
      if (carrier?.medium !== 'infusion') contents[at]! += powder;
      if (row.source === 'batch')
        held.replaced += (powder * materialOf(this.plan, row.materialId).water) / 100;
      tint[ledger.tint(row.materialId)]! += powder;
      this.addCarrier(contents, held, liquid, carrier?.medium ?? null, group, fromBatch);
      return { row, powder, liquid, fromBatch, stock };
    });
  }

  private addCarrier(
    contents: Float64Array,
    held: Held,
    liquid: number,
    medium: string | null,
    group: string | null,
    fromBatch: boolean,
  ): void {
    const { ledger } = this;
    if (medium === 'glycerin') contents[ledger.at('glycerin')]! += liquid;
    else if (medium === 'water') {
      contents[ledger.at(fromBatch ? 'liquid' : 'carrier-water')]! += liquid;
      if (fromBatch) held.water += liquid;
    } else if (medium === 'oil' || medium === 'infusion') {
      const { carrierOil } = this.recipe(group);
      const own = fromBatch && carrierOil !== null;
      contents[own ? ledger.oils.indexOf(carrierOil) : ledger.at('carrier-oil')]! += liquid;
      if (fromBatch) held.oil += liquid;
    }
  }

  /** Tops a pot up to the oil carrier of the pot that has most, for its oils. */
  even(
    pot: Pot,
    group: string | null,
    contents: Float64Array,
    oils: number,
    doses: readonly DoseFlow[],
    held: Held,
  ): { readonly evenedOil: number; readonly evenedFromBatch: boolean } {
    if (!this.plan.work.equalise || pot.draws.some((d) => d.from !== null))
      return { evenedOil: 0, evenedFromBatch: false };
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
    const { carrierOil } = this.recipe(group);
    const fromBatch =
      carrierOil !== null &&
      this.plan.pots.some((p) => p.doses.some((d) => isOil(d) && d.source === 'batch'));
    this.addCarrier(contents, held, more, 'oil', group, fromBatch);
    return { evenedOil: more, evenedFromBatch: fromBatch };
  }

  addTo(into: Float64Array, from: Float64Array, fraction: number): number {
    let mass = 0;
    for (let i = 0; i < from.length; i++) {
      into[i]! += from[i]! * fraction;
      mass += from[i]! * fraction;
    }
    return mass;
  }

  fixedFraction(d: Draw, pot: Pot, unit: Float64Array, first: boolean): number {
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
    const tint = new Float64Array(this.plan.materials.length);
    this.addDoses(pot, pot.ownLye ? pot.id : null, full, tint, oils, nothingHeld());
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

  massWanted(d: Draw, density: number): number {
    if (d.by === 'grams') return d.value;
    return (d.by === 'millilitres' ? d.value : this.geometry(d)) * density;
  }

  /** ml per g of each ingredient; lye and its liquid are one solution. */
  private densitiesOf(): Float64Array {
    const { ledger, plan } = this;
    const { rate } = this.recipe(null);
    const d = new Float64Array(ledger.size).fill(DENSITY.oil);
    const solution = lyeDensity(concentrationOf(rate.naoh + rate.koh, rate.liquid) / 100);
    d[ledger.at('naoh')] = solution;
    d[ledger.at('koh')] = solution;
    d[ledger.at('liquid')] = solution;
    d[ledger.at('carrier-water')] = DENSITY.water;
    d[ledger.at('glycerin')] = DENSITY.glycerin;
    d[ledger.at('scent')] = DENSITY.scent;
    d[ledger.at('stabiliser')] = DENSITY.scent;
    for (const m of plan.materials) d[ledger.material(m.id)] = m.density;
    return d;
  }

  volumeOf(contents: Float64Array): number {
    let volume = 0;
    for (let i = 0; i < contents.length; i++) volume += contents[i]! / this.densities[i]!;
    const { density } = this.plan.moulding;
    return density === null ? volume : sum(contents) / density;
  }
}
