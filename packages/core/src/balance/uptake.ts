import { liquidOfPlan } from '../plan/liquid.ts';
import { materialOf, type Plan } from '../plan/plan.ts';
import { type Ledger } from './flow.ts';
import { lyeMoles, lyeStops, molesPerGram } from './lye.ts';

/** Of the fat in milk powders, meals and cocoa, mg KOH per g: between milk fat and seed oils. */
const FAT_SAP = 200;
/** Of a carrier oil that is not known: about as sunflower, mg KOH per g. */
const LIGHT_OIL_SAP = 190;

/** What the contents of a vessel take up of lye: oils, carriers, the fat of liquids and additives; and acids, which eat it. */
export class LyeUptake {
  private readonly unknownSap: boolean;
  /** Lye that a gram of each column takes, mol. */
  private readonly takes: Float64Array;
  /** Acids by their column, g NaOH per g. */
  private readonly acids: readonly { readonly at: number; readonly demand: number }[];

  /** @param carrierOil the oil that extra carriers are counted as, unless the plan names one. */
  constructor(
    private readonly plan: Plan,
    private readonly ledger: Ledger,
    carrierOil: string | null,
  ) {
    this.unknownSap = lyeStops(plan).includes('lye-missing-value');
    const { fat, fatSap } = liquidOfPlan(plan);
    const sapOf = (id: string): number | null => materialOf(plan, id).oil?.sapKoh ?? null;
    const carrier = plan.work.carrierOil ?? carrierOil;
    this.takes = new Float64Array(ledger.size);
    ledger.oils.forEach((id, i) => (this.takes[i] = molesPerGram(sapOf(id) ?? 0)));
    this.takes[ledger.at('carrier-oil')] = molesPerGram(
      (carrier === null ? null : sapOf(carrier)) ?? LIGHT_OIL_SAP,
    );
    this.takes[ledger.at('liquid')] = fat * molesPerGram(fatSap);
    for (const m of plan.materials)
      if (m.fat > 0 && !m.oil) this.takes[ledger.material(m.id)] = (m.fat / 100) * molesPerGram(FAT_SAP);
    this.acids = plan.materials.flatMap((m) =>
      m.lyeDemand > 0 ? [{ at: ledger.material(m.id), demand: m.lyeDemand }] : [],
    );
  }

  /** Part of what could take lye that finds none, 0–1 and below 0 where lye is left; null where an oil's value is missing. */
  superfat(contents: Float64Array): number | null {
    const { ledger, plan } = this;
    if (this.unknownSap) return null;
    let takes = 0;
    for (let i = 0; i < contents.length; i++) takes += contents[i]! * this.takes[i]!;
    if (!(takes > 0)) return null;
    // An acid takes lye wherever it is, from the batch or as a dose of the pot.
    const acids = this.acids.reduce((sum, a) => sum + contents[a.at]! * a.demand, 0);
    return 1 - lyeMoles(plan.base, contents[ledger.at('naoh')]!, contents[ledger.at('koh')]!, acids) / takes;
  }
}
