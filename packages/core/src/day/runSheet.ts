import { type Plan } from '../plan/plan.ts';
import { line, type Sheet, type SheetGroup, type SheetSection } from '../sheet/sheet.ts';
import { DRY_MINUTES } from '../work/finish.ts';
import { type Sitting, sittingAt, sittingsOf } from '../work/sittings.ts';
import { changedDay } from './dayOrder.ts';
import { plainStep, type RunStep, type Wait } from './step.ts';
import { GROUP_FACTS, SAFETY, SECTION_FACTS, type StepFacts } from './stepFacts.ts';

/** Groups that say by themselves what they are of. */
const NAMED_ALONE = /^(cups|after)\/|\/(holds|carries|mist|scrapes)/;
/** Sections whose work is done for each pour anew. */
const PER_SITTING = ['lye', 'oils', 'combine', 'split', 'colour', 'decide', 'pour'];
/** Sections whose groups are of one batter each. */
const OF_A_BATTER = ['lye', 'oils', 'combine', 'split'];

/** Days after the pour at which a bar is read. */
const READ_DAYS = [1, 7, 28, 42];
/** Bars take a stamp so long after they were cut, min. */
const STAMP_AFTER = 60;

/**
 * The work of a plan step by step, from its sheet: nothing that the sheet says is left out. A pour over several days is
 * cut into sittings, each with its own checklist and lye. The maker’s own changes of the day come last.
 * @param sheet of the same plan
 */
export function runSheetOf(plan: Plan, sheet: Sheet): RunStep[] {
  if (plan.base.oils.length === 0) return [];
  const sittings = sittingsOf(plan);
  const work = sheet.sections.flatMap((s) => s.groups.map((g) => stepOf(plan, sittings, s, g)));
  const common = work.filter((s) => s.sitting === null);
  const isAfter = (s: RunStep): boolean => s.id.startsWith('after/');
  const label = plainStep('label', 'Label the cups and jugs', '', {
    lines: sheet.sections
      .filter((s) => s.id === 'cups')
      .flatMap((s) => s.groups.map((g) => line(`label:${g.id}`, '', g.title))),
    tools: 'Tape and a pen that bears oil',
    reason: 'Wet hands and closed lids tell no colours apart.',
    minutes: 2,
  });
  const cautions = sheet.sections.find((s) => s.id === 'lye')?.cautions ?? [];
  const pours = Math.max(1, sittings.length);
  const eachSitting = Array.from({ length: pours }).flatMap((_, at): RunStep[] => {
    const own = heldLast(
      plan,
      work.filter((s) => s.sitting === at),
    );
    const isLyed = own.some((s) => s.id.startsWith('lye/'));
    return isLyed ? [safetyStep(plan, at, pours, cautions), ...own] : own;
  });
  const before = common.filter((s) => !isAfter(s));
  const [unmould, ...later] = afterwards(plan);
  const after = common.filter(isAfter);
  // What is cut must be out of its mould.
  const cut = after.findIndex((s) => s.id === CUT);
  const at = cut < 0 ? after.length : cut;
  const steps = [
    ...before,
    ...(label.lines.length > 0 ? [label] : []),
    ...eachSitting,
    ...after.slice(0, at),
    unmould!,
    ...after.slice(at),
    ...later,
  ];
  return changedDay(withNeeds(plan, steps), plan.work.day);
}

const safetyStep = (plan: Plan, at: number, pours: number, cautions: readonly string[]): RunStep =>
  plainStep(safetyId(at), pours > 1 ? `Before the lye of pour ${at + 1}` : 'Before the lye', '', {
    kind: 'safety',
    lines: [...SAFETY, ...cansOf(plan)].map((text, i) => line(`${safetyId(at)}:${i}`, '', text)),
    cautions: at === 0 ? cautions : [],
    minutes: 3,
    sitting: at,
  });
/** What the cans must say: one lye weighed by the figure of the other is wrong by a third. */
const cansOf = ({ base: { lye } }: Plan): string[] => [
  ...(lye.kohShare < 100 ? [`The can says sodium hydroxide (NaOH), ${lye.naohPurity} % pure`] : []),
  ...(lye.kohShare > 0 ? [`The can says potassium hydroxide (KOH), ${lye.kohPurity} % pure`] : []),
];

const safetyId = (at: number): string => (at === 0 ? 'safety' : `safety-${at}`);

function stepOf(plan: Plan, sittings: readonly Sitting[], section: SheetSection, group: SheetGroup): RunStep {
  const id = `${section.id}/${group.id}`;
  const own = Object.entries(GROUP_FACTS).find(([start]) => group.id.startsWith(start))?.[1] ?? {};
  const all: StepFacts = {
    ...(SECTION_FACTS[section.id] ?? { ...SECTION_FACTS.after!, verb: section.title, needs: [] }),
    ...own,
  };
  // Numbers say the order on paper; here the steps come in it.
  const of = group.title.replace(/^\d+\. /, '');
  const sitting = PER_SITTING.includes(section.id) ? sittingOf(sittings, section.id, group) : null;
  const poured = sittings[sitting ?? 0]?.pots.filter((p) => p.place === 'mould').length ?? 0;
  const isHeld = section.id === 'colour' && plan.work.day.held.includes(group.potId ?? '');
  // Without pots the batter is one, and nothing is taken off it.
  const verb = section.id === 'split' && plan.pots.length === 0 ? section.title : all.verb;
  return plainStep(id, of === '' ? verb : NAMED_ALONE.test(id) ? of : `${verb}: ${of}`, '', {
    kind: section.id === 'decide' ? 'decide' : 'work',
    potId: group.potId,
    lines: isHeld
      ? [
          line(`held:${group.potId!}`, '', 'Held at emulsion until now: blend it, then colour and scent'),
          ...group.lines,
        ]
      : group.lines,
    // Told once, at the first step of the section.
    cautions: section.groups[0] === group ? section.cautions : [],
    tools: all.tools,
    reason: all.reason,
    sign: all.sign,
    waits: waitsOf(plan, section.id, group),
    minutes: minutesOf(plan, all, section.id, group, poured),
    sitting,
    needs: all.needs,
  });
}

/** What concerns the whole day’s design is decided, and its top laid, with the last pour. */
function sittingOf(sittings: readonly Sitting[], section: string, group: SheetGroup): number {
  const last = Math.max(0, sittings.length - 1);
  if (section === 'decide' || (section === 'pour' && group.potId === null)) return last;
  return sittingAt(sittings, group.potId);
}

function minutesOf(
  plan: Plan,
  { minutes }: StepFacts,
  section: string,
  group: SheetGroup,
  poured: number,
): number {
  if (typeof minutes === 'number') return minutes;
  const each = plan.work.minutes[minutes];
  const counted = (start: string): number => group.lines.filter((l) => l.id.startsWith(start)).length;
  if (section === 'split') return each * Math.max(1, counted('draw:'));
  // However many pours a pot comes in.
  if (minutes === 'pour') return each * Math.max(1, poured);
  const scents = section === 'colour' && group.lines.some((l) => l.id.startsWith('scent:'));
  return each + (scents ? plan.work.minutes.scent : 0);
}

function waitsOf(plan: Plan, section: string, group: SheetGroup): Wait[] {
  if (group.id.startsWith('holds')) return [{ label: 'Does the emulsion hold?', minutes: 1 }];
  if (section === 'lye') return [{ label: 'The lye has cooled', minutes: 30 }];
  if (section !== 'after') return [];
  const mist = plan.work.finish.includes('mist') && group.lines.some((l) => l.id.includes('mist'));
  const cut = group.id === 'cut' && stamps(plan);
  return [
    ...(mist ? [{ label: 'Mist is dry', minutes: DRY_MINUTES }] : []),
    ...(cut ? [{ label: 'Bars take the stamp', minutes: STAMP_AFTER }] : []),
  ];
}

/** Pots that are held at emulsion are coloured right before the pour. */
function heldLast({ work }: Plan, steps: readonly RunStep[]): RunStep[] {
  const isHeld = (s: RunStep): boolean =>
    s.id.startsWith('colour/') && s.potId !== null && work.day.held.includes(s.potId);
  const pour = steps.findIndex((s) => s.id.startsWith('pour/pour'));
  if (pour < 0 || !steps.some(isHeld)) return [...steps];
  const rest = (part: readonly RunStep[]): RunStep[] => part.filter((s) => !isHeld(s));
  return [...rest(steps.slice(0, pour)), ...steps.filter(isHeld), ...rest(steps.slice(pour))];
}

const stamps = ({ idea }: Plan): boolean => idea.design.body.includes('stamped');

/** The step in which the sheet has the block cut. */
const CUT = 'after/cut';

/** What the sheet leaves open once the soap lies in the mould: the unmoulding first. */
function afterwards(plan: Plan): RunStep[] {
  const needs = ['unmould'];
  return [
    plainStep('unmould', 'Unmould', 'Gloves: it may still be caustic. Firm, and no longer sticky.', {
      needs: ['pour'],
      tools: 'Gloves, a thin blade for the walls',
    }),
    ...(stamps(plan)
      ? [
          plainStep(
            'stamp',
            'Stamp the bars',
            'Note the hour, what was dusted on, and how many grams of it.',
            {
              needs,
              tools: 'Stamp, soft brush, mallet',
              sign: 'The stamp comes away clean.',
              minutes: 15,
            },
          ),
        ]
      : []),
    plainStep('rack', 'Set the bars on the rack', 'Apart, with air all round; write the day on the rack.', {
      needs,
    }),
    ...READ_DAYS.map((days) =>
      plainStep(
        `read-${days}`,
        days === 1 ? 'Read the bars after a day' : `Read the bars after ${days} days`,
        'A photo with a white card, or a reading; the cut face, not the skin.',
        { needs },
      ),
    ),
    plainStep('finish', 'Finish the bars', 'Trim, bevel and wipe; shave off ash. Weigh what it takes away.', {
      needs: ['rack'],
      tools: 'Plane, cloth',
      minutes: 20,
    }),
  ];
}

/** Sections that a step needs, as the steps of them that there are. */
function withNeeds(plan: Plan, steps: readonly RunStep[]): RunStep[] {
  return steps.map((step) => ({
    ...step,
    needs: step.needs.flatMap((need) =>
      need === 'safety'
        ? [safetyId(step.sitting ?? 0)]
        : steps
            .filter((s) => s.id === need || (s.id.startsWith(`${need}/`) && isFor(plan, step, s, need)))
            .map((s) => s.id),
    ),
  }));
}

/** Whether a step of a section that is needed concerns the step that needs it. */
function isFor(plan: Plan, step: RunStep, needed: RunStep, section: string): boolean {
  if (step.id.startsWith('pour/')) return needed.sitting === step.sitting;
  if (!OF_A_BATTER.includes(section)) return step.potId === null || needed.potId === step.potId;
  const pot = plan.pots.find((p) => p.id === step.potId);
  return needed.potId === (pot?.ownLye ? pot.id : null);
}
