import { Injectable } from '@nestjs/common';
import { type MatchRequest, type MatchTarget } from '@kleur/contract';
import { potComposition } from '@kleur/core/balance';
import { labD65FromHex, type LabD65 } from '@kleur/core/colour';
import { candidatesOf, givenFrom, type MatchResult, POT_LIMITS } from '@kleur/core/match';
import { canvasOfOils, scentBrowning } from '@kleur/core/material';
import { predictColour, type Stage } from '@kleur/core/pigment';
import { grams } from '@kleur/core/units';
import { BatchesService } from '../batches/batches.service.ts';
import { CatalogueService } from '../catalogue/catalogue.service.ts';
import { LearningsService } from '../catalogue/learnings.service.ts';
import { HeavyService } from '../heavy/heavy.service.ts';
import { PalettesService } from '../palettes/palettes.service.ts';
import { ProblemError } from '../problems/problem.ts';

@Injectable()
export class MatchService {
  constructor(
    private readonly catalogue: CatalogueService,
    private readonly learnings: LearningsService,
    private readonly batches: BatchesService,
    private readonly palettes: PalettesService,
    private readonly heavy: HeavyService,
  ) {}

  /** Recipes from the present shelf. */
  async match(request: MatchRequest): Promise<MatchResult> {
    const {
      oils,
      scent,
      stage,
      given = [],
      must = [],
      filter,
      most,
      resolution,
      prefersSure = false,
    } = request;
    const target = await this.target(request.target, stage);
    const shelf = await this.catalogue.resolve([
      ...oils.map((o, i) => ({ id: o.materialId, path: `oils.${i}.materialId`, wants: 'oil' as const })),
      ...(scent ? [{ id: scent.materialId, path: 'scent.materialId', wants: 'scent' as const }] : []),
      ...given.map((g, i) => ({ id: g.materialId, path: `given.${i}.materialId` })),
    ]);
    const names = new Map([...shelf.values()].map((m) => [m.id, m.name]));
    const result = await this.heavy.match({
      target,
      stage,
      canvas: canvasOfOils(
        oils.map((o) => ({ material: shelf.get(o.materialId)!, share: o.share })),
        scent ? scentBrowning(shelf.get(scent.materialId)!, scent.dose) : null,
        0,
        (await this.learnings.base())?.base,
      ),
      candidates: candidatesOf([...shelf.values()], filter),
      most,
      ...POT_LIMITS,
      resolution: resolution ? { potOils: grams(resolution.potOils), measuring: resolution.measuring } : null,
      must,
      prefersSure,
      given: givenFrom(given.map((g) => ({ material: shelf.get(g.materialId)!, dose: g.dose }))),
    });
    return {
      ...result,
      reasons: result.reasons.map((r) => r.replace(/\{([^}]+)\}/g, (_, id: string) => names.get(id) ?? id)),
    };
  }

  private async target(target: MatchTarget, stage: Stage): Promise<LabD65> {
    const { lab, hex, swatch, pot } = target;
    if ([lab, hex, swatch, pot].filter((t) => t !== undefined).length !== 1) {
      throw new ProblemError('invalid-input', 'A match needs exactly one target: lab, hex, swatch or pot.', [
        { path: 'target', message: 'give exactly one of lab, hex, swatch, pot' },
      ]);
    }
    if (lab) return [lab[0]!, lab[1]!, lab[2]!];
    if (hex !== undefined) return labD65FromHex(hex);
    if (swatch) {
      const colour = (await this.palettes.get(swatch.paletteId)).colours[swatch.index];
      if (colour) return colour.lab;
      throw new ProblemError('not-found', 'The palette has no colour at this place.');
    }
    const { plan } = await this.batches.get(pot!.batchId);
    const found = plan.pots.find((p) => p.id === pot!.potId);
    if (!found) throw new ProblemError('not-found', 'The batch has no such pot.');
    return predictColour(potComposition(plan, found), stage).lab;
  }
}
