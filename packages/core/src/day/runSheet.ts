import { type Plan } from '../plan/plan.ts';
import { line, type Sheet, type SheetGroup, type SheetLine, type SheetSection } from '../sheet/sheet.ts';
import { DRY_MINUTES } from '../work/finish.ts';

/** A wait that a step asks for, in minutes. */
export interface Wait {
  readonly label: string;
  readonly minutes: number;
}

/** One thing at a time: what is done at one vessel, cup, pot or mould. */
export interface RunStep {
  /** The same for as long as the plan holds what the step is of. */
  readonly id: string;
  readonly kind: StepKind;
  readonly title: string;
  readonly potId: string | null;
  readonly lines: readonly SheetLine[];
  readonly cautions: readonly string[];
  /** What it should look like when it is right; empty for nothing in particular. */
  readonly sign: string;
  readonly waits: readonly Wait[];
  /** Ids of the steps that must come before. */
  readonly needs: readonly string[];
}

/** `safety` asks for each of its lines before anything that needs it is shown; `decide` for one of two answers. */
export type StepKind = 'work' | 'safety' | 'decide';

/** Section of the sheet → what its steps begin with, what is right, and which sections must be behind. */
const SECTIONS: Readonly<
  Record<string, { readonly verb: string; readonly sign: string; readonly needs: readonly string[] }>
> = {
  gather: { verb: 'Gather', sign: '', needs: [] },
  before: { verb: 'The day before', sign: '', needs: [] },
  cups: { verb: 'Measure and wet', sign: 'No specks and no streaks on white paper.', needs: [] },
  lye: { verb: 'Lye', sign: 'Clear, nothing left on the bottom.', needs: ['safety'] },
  oils: { verb: 'Oils', sign: 'Melted and clear; no lumps of what is blended in.', needs: [] },
  combine: { verb: 'Bring them together', sign: 'No grain, no oil at the edge.', needs: ['lye', 'oils'] },
  split: { verb: 'Take the pots off', sign: 'Still fluid: it levels by itself.', needs: ['combine'] },
  colour: {
    verb: 'Colour',
    sign: 'One colour to the wall of the jug, without streaks.',
    needs: ['split', 'cups'],
  },
  decide: { verb: 'Full design or simpler one?', sign: '', needs: [] },
  pour: { verb: 'Pour', sign: '', needs: ['colour', 'split'] },
  after: { verb: 'After the pour', sign: '', needs: ['pour'] },
};

/** Sections whose groups say by themselves what they are of. */
const NAMED_ALONE: ReadonlySet<string> = new Set(['cups', 'after']);

/** Ticked one by one before the lye step shows its amounts. */
const SAFETY = [
  'Goggles, gloves, long sleeves and closed shoes are on',
  'Window open; children and pets out of the room',
  'Heat-safe vessel of polypropylene or stainless steel, labelled; no aluminium or zinc',
  'Running water within reach',
  'The lye figure was checked with a second calculation',
];

/** Days after the pour at which a bar is read. */
const READ_DAYS = [1, 7, 28, 42];

/**
 * The work of a plan step by step, from its sheet: nothing that the sheet says is left out.
 * @param sheet of the same plan
 */
export function runSheetOf(plan: Plan, sheet: Sheet): RunStep[] {
  if (plan.base.oils.length === 0) return [];
  const work = sheet.sections.flatMap((s) => s.groups.map((g) => stepOf(plan, s, g)));
  const firstLye = work.findIndex((s) => s.needs.includes('safety'));
  const safety: RunStep = {
    id: 'safety',
    kind: 'safety',
    title: 'Before the lye',
    potId: null,
    lines: SAFETY.map((text, i) => line(`safety:${i}`, '', text)),
    cautions: sheet.sections.find((s) => s.id === 'lye')?.cautions ?? [],
    sign: '',
    waits: [],
    needs: [],
  };
  const all = firstLye < 0 ? work : [...work.slice(0, firstLye), safety, ...work.slice(firstLye)];
  const [unmould, ...later] = afterwards();
  // What is cut must be out of its mould.
  const cut = all.findIndex((s) => s.id === CUT);
  const at = cut < 0 ? all.length : cut;
  return withNeeds([...all.slice(0, at), unmould!, ...all.slice(at), ...later]);
}

function stepOf(plan: Plan, section: SheetSection, group: SheetGroup): RunStep {
  const { verb, sign, needs } = SECTIONS[section.id] ?? { verb: section.title, sign: '', needs: [] };
  // Numbers say the order on paper; here the steps come in it.
  const of = group.title.replace(/^\d+\. /, '');
  return {
    id: `${section.id}/${group.id}`,
    kind: section.id === 'decide' ? 'decide' : 'work',
    title: of === '' ? verb : NAMED_ALONE.has(section.id) ? of : `${verb}: ${of}`,
    potId: group.potId,
    lines: group.lines,
    // Told once, at the first step of the section.
    cautions: section.groups[0] === group ? section.cautions : [],
    sign,
    waits: waitsOf(plan, section.id, group),
    needs,
  };
}

function waitsOf(plan: Plan, section: string, group: SheetGroup): Wait[] {
  if (section === 'combine') return [{ label: 'Does the emulsion hold?', minutes: 1 }];
  if (section !== 'after') return [];
  const mist = plan.work.finish.includes('mist') && group.lines.some((l) => l.id.includes('mist'));
  return mist ? [{ label: 'Mist is dry', minutes: DRY_MINUTES }] : [];
}

/** The step in which the sheet has the block cut. */
const CUT = 'after/cut';

/** What the sheet leaves open once the soap lies in the mould: the unmoulding first. */
function afterwards(): RunStep[] {
  const plain = (id: string, title: string, text: string, needs: readonly string[]): RunStep => ({
    id,
    kind: 'work',
    title,
    potId: null,
    lines: text === '' ? [] : [line(`${id}:what`, '', text)],
    cautions: [],
    sign: '',
    waits: [],
    needs,
  });
  return [
    plain('unmould', 'Unmould', 'Gloves: it may still be caustic. Firm, and no longer sticky.', ['pour']),
    plain('rack', 'Set the bars on the rack', 'Apart, with air all round; write the day on the rack.', [
      'unmould',
    ]),
    ...READ_DAYS.map((days) =>
      plain(
        `read-${days}`,
        days === 1 ? 'Read the bars after a day' : `Read the bars after ${days} days`,
        'A photo with a white card, or a reading; the cut face, not the skin.',
        ['unmould'],
      ),
    ),
  ];
}

/** Sections that a step needs, as the steps of them that there are. */
function withNeeds(steps: readonly RunStep[]): RunStep[] {
  return steps.map((step) => ({
    ...step,
    needs: step.needs.flatMap((need) =>
      steps
        .filter((s) => s.id === need || (s.id.startsWith(`${need}/`) && isOfSame(step, s)))
        .map((s) => s.id),
    ),
  }));
}

/** Of the cups a pot needs its own alone; of everything else what there is. */
const isOfSame = (step: RunStep, needed: RunStep): boolean =>
  step.potId === null || needed.potId === null || step.potId === needed.potId;
