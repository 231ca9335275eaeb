import { Injectable } from '@nestjs/common';
import { type PredictRequest, type PredictResponse } from '@kleur/contract';
import { partsOf } from '@kleur/core/balance';
import { canvasOfOils, curveModes, scentBrowning } from '@kleur/core/material';
import { type Composition, type CurveMode, type Optics } from '@kleur/core/pigment';
import { HeavyService } from '../heavy/heavy.service.ts';
import { CatalogueService } from '../catalogue/catalogue.service.ts';
import { LearningsService } from '../catalogue/learnings.service.ts';

@Injectable()
export class ColourService {
  constructor(
    private readonly catalogue: CatalogueService,
    private readonly learnings: LearningsService,
    private readonly heavy: HeavyService,
  ) {}

  /** Colour of every pot at every stage, from the shelf's current curves and the base as it is learnt, or those that are sent along. */
  async predict(request: PredictRequest): Promise<PredictResponse> {
    const { oils, scent, pots, stages, materials = [] } = request;
    const base = request.base ?? (await this.learnings.base())?.base;
    const byValue = new Map(materials.map((m) => [m.id, m.optics]));
    const shelf = await this.catalogue.resolve([
      ...oils.map((o, i) => ({ id: o.materialId, path: `oils.${i}.materialId`, wants: 'oil' as const })),
      ...(scent ? [{ id: scent.materialId, path: 'scent.materialId', wants: 'scent' as const }] : []),
      ...pots.flatMap((p, i) =>
        p.doses.flatMap((d, j) =>
          byValue.has(d.materialId) ? [] : [{ id: d.materialId, path: `pots.${i}.doses.${j}.materialId` }],
        ),
      ),
    ]);
    const of = (id: string) => shelf.get(id)!;
    const blend = oils.map((o) => ({ material: of(o.materialId), share: o.share }));
    const doubts = new Map<Optics, readonly CurveMode[]>([
      ...[...shelf.values()].flatMap(({ optics, curve }) =>
        optics ? [[optics, curveModes(curve)] as const] : [],
      ),
      ...materials.map((m) => [m.optics, m.modes ?? []] as const),
    ]);
    const compositions = pots.map((pot) => {
      const ofShelf = scent && pot.scented ? scentBrowning(of(scent.materialId), scent.dose) : null;
      const browning = pot.vanillin ? { vanillin: pot.vanillin, tan: 0, stabilised: 0 } : ofShelf;
      const own = new Map<Optics, number>();
      for (const { materialId, dose } of pot.doses) {
        const optics = byValue.get(materialId);
        if (optics) own.set(optics, (own.get(optics) ?? 0) + dose);
      }
      const composition: Composition = {
        canvas: canvasOfOils(blend, browning, 0, base),
        parts: [
          ...partsOf(
            pot.doses
              .filter((d) => !byValue.has(d.materialId))
              .map((d) => ({ material: of(d.materialId), dose: d.dose })),
          ),
          ...[...own].map(([optics, dose]) => ({ optics, dose })),
        ],
        age: 0,
        gel: null,
      };
      return {
        name: pot.name,
        composition,
        modes: composition.parts.map((p) => doubts.get(p.optics) ?? []),
      };
    });
    return { pots: await this.heavy.predict({ pots: compositions, stages }) };
  }
}
