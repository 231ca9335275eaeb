import { barsOf } from '../balance/mould.ts';
import { cutsOf } from '../balance/cuts.ts';
import { designText, techniqueById } from '../palette/technique.ts';
import { fallbackDesign } from '../work/design.ts';
import { type Finish, type Plan } from '../plan/plan.ts';
import { bondedPots, DRY_MINUTES, keptCold, keptWarm } from '../work/finish.ts';
import { ALCOHOL, FRESH_BATTER, HOT_MOULD, OWN_RULES } from './cautions.ts';
import { inSentence, type SheetContext } from './context.ts';
import { group, line, section, type SheetLine, type SheetSection } from './sheet.ts';

/** The choice that is made after the scent, in seconds. */
export function decideSection({ plan }: SheetContext): SheetSection | null {
  const fallback = techniqueById(plan.work.fallback);
  const design = designText(plan.idea.design);
  if (!fallback) return null;
  const simpler = designText(fallbackDesign(plan) ?? plan.idea.design);
  return section('decide', 'Decide', [
    group('decide', '', [
      // Where the simpler design is the plan's own there is nothing else to choose.
      ...(simpler === design
        ? []
        : [line('decide:full', '', `It holds: ${inSentence(design) || 'the full design'}`)]),
      line('decide:fallback', '', `It races: ${fallback.name.toLowerCase()} instead`),
    ]),
  ]);
}

const FINISH_TEXT: Readonly<Record<Exclude<Finish, 'oven'>, string>> = {
  mist: 'Mist the top with alcohol, against soda ash',
  insulate: 'Cover and wrap the mould, so that it keeps its warmth',
  fridge: 'Into the fridge or freezer, so that it does not gel',
};

/** Heat or cold and mist in their order, unmoulding and the cut. */
export function afterSection(ctx: SheetContext): SheetSection | null {
  const { plan, print } = ctx;
  const { finish } = plan.work;
  const lines = finish.map((f): SheetLine => {
    const note =
      f === 'mist' && finish.includes('oven')
        ? 'only when the oven is cold and the mould out of it: alcohol vapour in a warm oven can catch fire, so it comes after the heat'
        : '';
    return f === 'oven'
      ? line(
          'finish:oven',
          print.temperature(plan.work.ovenTemperature),
          'oven, switched off before the mould goes in',
          {
            note: 'left in it until it is cold; watched for the first hour',
          },
        )
      : line(`finish:${f}`, '', FINISH_TEXT[f], { note });
  });
  if (finish.includes('oven') && bondedPots(plan).length > 0)
    lines.unshift(
      line('finish:dry', `${DRY_MINUTES} min`, 'uncovered, away from the oven', {
        note: 'so that the mist between the layers dries before any heat',
      }),
    );
  const { from, to } = unmouldHours(plan);
  return section(
    'after',
    'After the pour',
    [
      group('finish', '', [
        ...lines,
        line(
          'unmould',
          `${print.number(from, 0)} to ${print.number(to, 0)} h`,
          'until it is unmoulded and cut',
          {
            note: 'when it is firm and no longer sticks; gloves',
          },
        ),
      ]),
      cutGroup(ctx),
    ],
    [
      FRESH_BATTER,
      ...(keptWarm(plan) ? [HOT_MOULD] : []),
      ...(plan.work.finish.includes('mist') ? [ALCOHOL] : []),
      OWN_RULES,
    ],
  );
}

/** Hours until a block is firm enough: sooner where it gels, later where it is kept cold. */
function unmouldHours(plan: Plan): { readonly from: number; readonly to: number } {
  if (keptWarm(plan)) return { from: 12, to: 24 };
  return keptCold(plan) ? { from: 36, to: 72 } : { from: 24, to: 48 };
}

function cutGroup({ plan, print }: SheetContext): ReturnType<typeof group> {
  const rows = barsOf(plan.moulding).rows.filter((r) => r.bars.count > 0);
  return group(
    'cut',
    'Cut',
    rows.flatMap(({ row, bars }): SheetLine[] => {
      const cuts = cutsOf(row.mould, plan.moulding.bars);
      const many = `${row.count > 1 ? `${row.count} × ` : ''}${row.mould.name}`;
      if (!cuts)
        return [line(`cut:${row.id}`, print.number(bars.count * row.count, 0), `bars out of ${many}`)];
      const at = (list: readonly number[]): string =>
        list
          .map((mm) =>
            print.number(mm / (print.units.length === 'in' ? 25.4 : 1), print.units.length === 'in' ? 2 : 1),
          )
          .join(' · ');
      return [
        line(`cut:${row.id}`, print.number(bars.count * row.count, 0), `bars out of ${many}`, {
          note: `each ${print.length(bars.thickness)} thick${cuts.across.length > 0 ? `; cut along at ${at(cuts.across)} ${print.units.length} from one side` : ''}`,
        }),
        line(`cut:${row.id}:at`, '', `Cuts at ${at(cuts.cuts)} ${print.units.length} from one end`, {
          note: `middles of the bars at ${at(cuts.centres)}`,
        }),
      ];
    }),
  );
}
