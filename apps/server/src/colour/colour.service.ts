import { Injectable } from '@nestjs/common';
import { type PredictRequest, type PredictResponse } from '@kleur/contract';
import { partsOf } from '@kleur/core/balance';
import { canvasOfOils, scentBrowning } from '@kleur/core/material';
import { type Composition } from '@kleur/core/pigment';
import { HeavyService } from '../heavy/heavy.service.ts';
import { CatalogueService } from '../catalogue/catalogue.service.ts';

@Injectable()
export class ColourService {
  constructor(
    private readonly catalogue: CatalogueService,
    private readonly heavy: HeavyService,
  ) {}

  /** Colour of every pot at every stage, from the shelf's current curves. */
  async predict(request: PredictRequest): Promise<PredictResponse> {
    const { oils, scent, pots, stages } = request;
    const shelf = await this.catalogue.resolve([
      ...oils.map((o, i) => ({ id: o.materialId, path: `oils.${i}.materialId`, wants: 'oil' as const })),
      ...(scent ? [{ id: scent.materialId, path: 'scent.materialId', wants: 'scent' as const }] : []),
      ...pots.flatMap((p, i) =>
        p.doses.map((d, j) => ({ id: d.materialId, path: `pots.${i}.doses.${j}.materialId` })),
      ),
    ]);
    const of = (id: string) => shelf.get(id)!;
    const blend = oils.map((o) => ({ material: of(o.materialId), share: o.share }));
    const compositions = pots.map((pot) => {
      const browning = scent && pot.scented ? scentBrowning(of(scent.materialId), scent.dose) : null;
      const composition: Composition = {
        canvas: canvasOfOils(blend, browning),
        parts: partsOf(pot.doses.map((d) => ({ material: of(d.materialId), dose: d.dose }))),
        age: 0,
        gel: null,
      };
      return { name: pot.name, composition };
    });
    return { pots: await this.heavy.predict({ pots: compositions, stages }) };
  }
}
