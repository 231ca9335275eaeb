import { createHash } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import {
  type BookAccept,
  type BookBaseFit,
  type BookEffect,
  type BookFit,
  type BookForget,
  type BookMove,
  type MaterialWire,
  type TrialAsk,
} from '@kleur/contract';
import { deltaE00 } from '@kleur/core/colour';
import {
  asFitReading,
  baseHabits,
  fitMaterial,
  isEarlierLot,
  type ProposedBar,
  shelfIdOf,
  splitLots,
  type TrialQuestion,
} from '@kleur/core/evidence';
import { type FitMaterial, type FitProblem, type FitResult, type FittedReading } from '@kleur/core/fit';
import { cured, type FittedBase, predictLab, referenceCanvas } from '@kleur/core/pigment';
import { type GelHabit, isBaseTold, type LearntBase } from '@kleur/core/plan';
import { CatalogueService } from '../catalogue/catalogue.service.ts';
import { LearningsService } from '../catalogue/learnings.service.ts';
import { HeavyService } from '../heavy/heavy.service.ts';
import { ProblemError } from '../problems/problem.ts';
import { BookReadingsService } from './book-readings.service.ts';

/** A fit with the readings of the bare base that it stands on, and when the maker's batches gel. */
interface Worked {
  readonly id: string;
  readonly result: FitResult;
  readonly bare: number;
  readonly gel: GelHabit | null;
  readonly problem: FitProblem;
}

/** What the maker's own bars say of their colourants and their base. */
@Injectable()
export class BookService {
  /** The last fit. The same bars give the same one. */
  private last: Worked | null = null;

  constructor(
    private readonly readings: BookReadingsService,
    private readonly catalogue: CatalogueService,
    private readonly learnings: LearningsService,
    private readonly heavy: HeavyService,
  ) {}

  /** What all readings together say of the shelf's curves and of the base. */
  async fit(): Promise<BookFit> {
    const worked = await this.worked();
    const { id, result, bare, gel, problem } = worked;
    const { materials, typicalMiss, base } = result;
    const { readings } = await this.besideShelf(result, problem);
    const isTold = tellsOfBase(worked, await this.learnings.base());
    return {
      fitId: id,
      materials: materials.filter((m) => m.readings > 0 && !isEarlierLot(m.id)),
      readings,
      typicalMiss,
      base: isTold ? baseFit(base, bare, gel) : null,
    };
  }

  /**
   * Takes the fitted curves of some colourants over into the shelf, and the base with them. Plans keep the copies that
   * they were made with.
   * @throws ProblemError `invalid-input` for one that no reading holds; `stale-version` where the bars are not those
   *   that were seen; `not-found`.
   */
  async accept({ fitId, materialIds }: BookAccept): Promise<MaterialWire[]> {
    const worked = await this.worked();
    const { id, result, bare, gel } = worked;
    if (id !== fitId)
      throw new ProblemError(
        'stale-version',
        'Bars or shelf have changed since they were learnt from. Learn again, and look before you take it over.',
      );
    const chosen = materialIds.map((wanted, i) => {
      const fitted = result.materials.find((m) => m.id === wanted && m.readings > 0);
      if (!fitted)
        throw new ProblemError('invalid-input', 'No bar that was read holds one of these colourants.', [
          { path: `materialIds.${i}`, message: 'no reading holds it' },
        ]);
      return fitted;
    });
    if (!tellsOfBase(worked, await this.learnings.base())) return this.learnings.accept(chosen, null);
    return this.learnings.accept(chosen, { readings: bare, base: result.base, ...(gel && { gel }) });
  }

  /** Gives fitted curves up: they follow from the entries alone again. @throws ProblemError `not-found`. */
  forget({ materialIds, base = false }: BookForget): Promise<MaterialWire[]> {
    return this.learnings.forget(materialIds, base);
  }

  /** The few bars that would teach most about some colourants. @throws ProblemError `invalid-input`. */
  async propose({ materialIds, whiteId, gelled, bare, doubt, count }: TrialAsk): Promise<ProposedBar[]> {
    const shelf = new Map((await this.catalogue.list()).map((m) => [m.id, m]));
    const asked = (id: string, path: string) => {
      const item = shelf.get(id);
      const material = item && fitMaterial(item);
      if (!material || !item.window)
        throw new ProblemError(
          'invalid-input',
          'Nothing on the shelf with this id has a colour to be learnt.',
          [{ path, message: `unknown id "${id}"` }],
        );
      return { material, now: { optics: item.optics!, curve: item.curve }, window: item.window };
    };
    const white = whiteId === null ? null : asked(whiteId, 'whiteId');
    const question: TrialQuestion = {
      materials: [...new Set(materialIds)].map((id, i) => asked(id, `materialIds.${i}`)),
      white: white && { ...white, dose: white.window.typical },
      base: (await this.learnings.base())?.base ?? null,
      gelled: [...new Set(gelled)],
      bare,
      doubt,
      count,
    };
    return this.heavy.admit(async () => this.heavy.propose({ question, known: await this.problem() }));
  }

  /**
   * What some readings alone would move: their colourants, over all bars that hold them, from where the fit to the other
   * bars ended. @throws ProblemError `invalid-input` where none of them is a reading of the book.
   */
  async effect(readingIds: readonly string[]): Promise<BookEffect> {
    const problem = await this.problem();
    const added = new Set(readingIds);
    const others = problem.readings.filter((r) => !added.has(r.id));
    if (others.length === problem.readings.length)
      throw new ProblemError('invalid-input', 'None of these is a reading of the book.', [
        { path: 'readingIds', message: 'no such reading' },
      ]);
    const result = await this.heavy.admit(async () => {
      const known = this.last && isOfOthers(this.last.problem, problem, added) ? this.last.result : null;
      const { known: from } = known ?? (await this.heavy.fit({ ...problem, readings: others }));
      return this.heavy.refit({ problem, known: from, added: readingIds });
    });
    const { readings, opticsOf } = await this.besideShelf(result, problem);
    return {
      readings: readings.filter((r) => added.has(r.id)),
      moves: result.materials
        .filter((m) => !isEarlierLot(m.id))
        .map(({ id, optics, typicalMiss }): BookMove => {
          const m = problem.materials.find((x) => x.id === id)!;
          const looks = (of: typeof optics) =>
            predictLab(referenceCanvas, [{ optics: of, dose: m.typical }], cured(1));
          const [before, after] = [looks(opticsOf(id) ?? m.optics), looks(optics)];
          return { materialId: id, before, after, deltaE: deltaE00(before, after), typicalMiss };
        }),
    };
  }

  /** Readings of a fit beside what the shelf foretells of them now: with the curves and the base that were taken over. */
  private async besideShelf({ readings }: FitResult, problem: FitProblem) {
    const [shelf, learnt] = await Promise.all([this.catalogue.list(), this.learnings.base()]);
    const curves = new Map(shelf.map((m) => [m.id, m.optics]));
    const opticsOf = (id: string) => curves.get(shelfIdOf(id)) ?? null;
    const read = new Map(problem.readings.map((r) => [r.id, r]));
    return {
      opticsOf,
      readings: readings.map((r): FittedReading => {
        const { canvas, parts, stage } = read.get(r.id)!;
        const before = predictLab(
          learnt ? { ...canvas, base: learnt.base } : canvas,
          parts.flatMap(({ id, dose }) => {
            const optics = opticsOf(id);
            return optics ? [{ optics, dose }] : [];
          }),
          stage,
        );
        return { ...r, before, missBefore: deltaE00(before, r.seen) };
      }),
    };
  }

  private async worked(): Promise<Worked> {
    const [problem, gel] = await Promise.all([this.problem(), this.readings.gelHabit()]);
    const told = JSON.stringify([problem, gel]);
    const id = createHash('sha256').update(told).digest('hex').slice(0, 32);
    if (this.last?.id !== id) {
      const result = await this.heavy.admit(() => this.heavy.fit(problem));
      this.last = { id, result, bare: problem.readings.filter(isBare).length, gel, problem };
    }
    return this.last;
  }

  private async problem(): Promise<FitProblem> {
    const [shelf, all] = await Promise.all([this.catalogue.list(), this.readings.told()]);
    const known = new Map<string, FitMaterial>();
    for (const m of shelf) {
      const material = fitMaterial(m);
      if (material) known.set(m.id, material);
    }
    // What is not on the shelf any more cannot be told apart from the rest of its pot.
    const told = all
      .map((r) => ({ reading: asFitReading(r), lot: r.reading.lot }))
      .filter(({ reading }) => reading.parts.every((p) => known.has(p.id)));
    const used = new Set(told.flatMap(({ reading }) => reading.parts.map((p) => p.id)));
    const atHand = new Map(shelf.flatMap((m) => m.lots.slice(0, 1).map((l) => [m.id, l.label] as const)));
    const { materials, readings } = splitLots(
      [...known.values()].filter((m) => used.has(m.id)),
      told,
      atHand,
    );
    return {
      materials,
      readings,
      // Without a bare bar its cured colour cannot be told from the colourants on it.
      holdsBase: !readings.some(isBare),
    };
  }
}

/** Whether bars, or cuts, say more of the base than is known of it: without a bare one, how it gels, ages and browns. */
function tellsOfBase({ bare, gel, result }: Worked, known: LearntBase | null): boolean {
  if (bare > 0) return true;
  if (isBaseTold(known)) return false;
  const { browning, fresh } = baseHabits(result.base);
  return gel !== null || browning !== null || fresh !== null;
}

/** Whether a fit to some readings is one to all but the added ones. */
function isOfOthers(last: FitProblem, { readings }: FitProblem, added: ReadonlySet<string>): boolean {
  const read = new Set(last.readings.map((r) => r.id));
  return readings.every((r) => read.has(r.id) !== added.has(r.id));
}

const isBare = ({ parts }: FitProblem['readings'][number]): boolean => parts.length === 0;

function baseFit(base: FittedBase, readings: number, gel: GelHabit | null): BookBaseFit {
  const looks = (canvas: typeof referenceCanvas) =>
    [predictLab(canvas, [], cured(0)), predictLab(canvas, [], cured(1))] as const;
  return {
    base,
    readings,
    gel,
    before: looks(referenceCanvas),
    after: looks({ ...referenceCanvas, base }),
  };
}
