import { Injectable } from '@nestjs/common';
import { type FitAnswer, type FitColourant, type FitReadingWrite, type FitRequest } from '@kleur/contract';
import { type LabD65 } from '@kleur/core/colour';
import { colourantToFit } from '@kleur/core/evidence';
import { type FitMaterial, type FitReading } from '@kleur/core/fit';
import { defaultOptics, noLooks } from '@kleur/core/material';
import { referenceCanvas } from '@kleur/core/pigment';
import { HeavyService } from '../heavy/heavy.service.ts';
import { ProblemError } from '../problems/problem.ts';

/** Of a Lab reading that says nothing of it, ± ΔE00. */
const USUAL_DOUBT = 1;
/** A ceiling only says where flocculation begins: so many typical doses. */
const CEILING_IN_TYPICAL = 4;

/** Fits what a program sends, with nothing of the workspace in it. */
@Injectable()
export class FitService {
  constructor(private readonly heavy: HeavyService) {}

  /** @throws ProblemError `invalid-input` with the path of what cannot be fitted. */
  async fit({ materials, readings }: FitRequest): Promise<FitAnswer> {
    const ids = materials.map((m) => m.id);
    const fields = [
      ...repeated(ids).map((i) => ({ path: `materials.${i}.id`, message: 'used twice' })),
      ...repeated(readings.map((r) => r.id)).map((i) => ({
        path: `readings.${i}.id`,
        message: 'used twice',
      })),
      ...readings.flatMap((r, i) => [
        ...((r.spectrum === undefined) === (r.lab === undefined)
          ? [{ path: `readings.${i}`, message: 'give exactly one of spectrum, lab' }]
          : []),
        ...r.doses.flatMap((d, n) =>
          ids.includes(d.materialId)
            ? []
            : [{ path: `readings.${i}.doses.${n}.materialId`, message: `unknown id "${d.materialId}"` }],
        ),
      ]),
    ];
    if (fields.length > 0)
      throw new ProblemError(
        'invalid-input',
        `Some of the input cannot be fitted: ${fields[0]!.message}.`,
        fields,
      );
    const colourants = materials.map((m, i) => asMaterial(m, i));
    const {
      steps: _steps,
      known: _known,
      ...answer
    } = await this.heavy.fit({
      materials: colourants,
      readings: readings.map(asReading),
    });
    return answer;
  }
}

/** Places of what stands there a second time. */
const repeated = (ids: readonly string[]): number[] =>
  ids.flatMap((id, i) => (ids.indexOf(id) < i ? [i] : []));

function asMaterial(m: FitColourant, at: number): FitMaterial {
  const optics =
    m.optics ??
    defaultOptics({
      kind: m.kind,
      colourIndex: m.colourIndex ?? '',
      colour: m.colour,
      window: { faint: null, typical: m.typical, ceiling: m.typical * CEILING_IN_TYPICAL },
      looks: noLooks,
    });
  if (!optics)
    throw new ProblemError('invalid-input', `A ${m.kind} has no colour that could be fitted.`, [
      { path: `materials.${at}.kind`, message: 'has no colour' },
    ]);
  return colourantToFit(m.id, m.kind, optics, m.typical);
}

const asReading = (r: FitReadingWrite): FitReading => ({
  id: r.id,
  parts: merged(r.doses),
  canvas: {
    ...referenceCanvas,
    scent: r.vanillin ? { vanillin: r.vanillin, tan: 0, stabilised: 0 } : null,
  },
  stage: { hours: r.hours, gel: r.gel, light: r.light ?? false },
  instrument: r.instrument ?? '',
  seen: r.spectrum
    ? { spectrum: Float64Array.from(r.spectrum) }
    : { lab: r.lab as unknown as LabD65, doubt: r.doubt ?? USUAL_DOUBT },
});

/** What stands in several rows is one dose, which saturates as one. */
function merged(doses: FitReadingWrite['doses']): FitReading['parts'] {
  const found = new Map<string, number>();
  for (const d of doses) found.set(d.materialId, (found.get(d.materialId) ?? 0) + d.dose);
  return [...found].map(([id, dose]) => ({ id, dose }));
}
