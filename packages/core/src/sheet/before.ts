import { type Material } from '../material/material.ts';
import { type Embed, EMBED_BASE_NAMES, EMBED_SHAPE_NAMES } from '../plan/embed.ts';
import { isMilk } from '../plan/liquid.ts';
import { materialOf } from '../plan/plan.ts';
import { dispersionHint, liquidName } from '../work/dispersion.ts';
import { powderCaution } from './cautions.ts';
import { bottleName, listOf, manyOf, type SheetContext } from './context.ts';
import { group, line, section, type SheetGroup, type SheetLine, type SheetSection } from './sheet.ts';

/** What must be ready before the day: embeds, infusions, stock bottles, frozen milk, spoons weighed. */
export function beforeSection(ctx: SheetContext): SheetSection | null {
  return section(
    'before',
    'The day before',
    [...embedGroups(ctx), infusions(ctx), ...bottles(ctx), frozen(ctx), spoons(ctx)],
    ctx.plan.embeds.length > 0 || ctx.plan.work.dispersions.length > 0 ? powderCaution(ctx) : [],
  );
}

function embedGroups(ctx: SheetContext): (SheetGroup | null)[] {
  const { prep, plan, print } = ctx;
  return prep.embeds.map((f): SheetGroup | null => {
    const { embed: e } = f;
    if (!(f.count > 0)) return null;
    const size = (
      e.shape === 'ball'
        ? [e.width]
        : [e.width, e.shape === 'rod' || e.shape === 'block' ? e.height : 0, f.length]
    )
      .filter((mm) => mm > 0)
      .map((mm) => print.length(mm))
      .join(' × ');
    const key = `embed:${e.id}`;
    const several = f.colours.length > 1;
    const lines: SheetLine[] = [
      ...f.colours.flatMap((c, i): SheetLine[] => [
        line(`${key}:${c.part.id}`, print.mass(c.mass), EMBED_BASE_NAMES[e.base], {
          note: `melted or kneaded${several ? `; colour ${i + 1} of ${f.colours.length}` : ''}`,
        }),
        ...c.powders
          .filter((p) => p.mass > 0)
          .map((p) => {
            const m = materialOf(plan, p.materialId);
            const note = melts(e) ? 'wetted with a few drops of alcohol or glycerin' : wettedAs(m);
            return line(`${key}:${c.part.id}:${p.materialId}`, `${print.number(p.mass, 2)} g`, m.name, {
              note,
            });
          }),
      ]),
      line(
        `${key}:pieces`,
        print.number(f.count, 0),
        `${EMBED_SHAPE_NAMES[e.shape]}${f.count === 1 ? '' : 's'}`,
        {
          note: [
            size,
            `${print.mass(f.mass / f.count)} each`,
            f.ofBar === null ? '' : `${print.percent(f.ofBar * 100, 0)} of a bar’s thickness`,
            `label: ${e.name}`,
          ]
            .filter(Boolean)
            .join('; '),
        },
      ),
      ...(f.dusting && f.dusting.mass > 0
        ? [
            line(
              `${key}:dust`,
              `${print.number(f.dusting.mass, 2)} g`,
              materialOf(plan, f.dusting.materialId).name,
              { note: 'to roll them in, for an outline; tap off what does not stick' },
            ),
          ]
        : []),
      line(`${key}:place`, '', `${e.onTop ? 'On the top' : 'Inside the bar'}, ${manyOf(ctx, f)}`, {
        note: f.perBarMass > 0 ? `${print.mass(f.perBarMass)} of its soap a bar` : '',
      }),
    ];
    return group(key, `Embed: ${e.name}`, lines);
  });
}

const melts = ({ base }: Embed): boolean => base === 'melt-clear' || base === 'melt-white';

const wettedAs = (material: Material): string =>
  dispersionHint(
    material,
    material.carriers.find((c) => c.medium === 'glycerin' || c.medium === 'oil')?.medium ?? null,
  );

/** Oil that a plant keeps when it is strained, g per g of dry plant. */
const PLANT_KEEPS = 1.2;

function infusions(ctx: SheetContext): SheetGroup | null {
  const { plan, prep, print } = ctx;
  const lines = prep.dispersions
    .filter((d) => d.carrier.medium === 'infusion')
    .flatMap((d) => {
      const key = `infusion:${d.uses.map((u) => `${u.pot.id}:${u.rowId}`).join('+')}`;
      const name = liquidName(plan, 'oil', d.fromBatch, d.uses[0]?.pot.id);
      return [
        line(key, `${print.weighed(d.measured.mass)} g`, d.material.name, {
          note: `in ${print.mass(d.liquid + PLANT_KEEPS * d.measured.mass)} ${name}, in a warm water bath for 2 h or in the cold for weeks; strain through cloth; ${print.mass(d.liquid)} of the strained oil is wanted${d.fromBatch ? ', and counts as oil of the recipe' : ''}`,
        }),
      ];
    });
  return group('infusions', 'Infusions', lines);
}

/** A bottle holds a fifth more than is drawn, and at least this, g. */
const LEAST_BOTTLE = 10;

function bottles(ctx: SheetContext): (SheetGroup | null)[] {
  const { plan, prep, print } = ctx;
  return prep.dispersions.flatMap((d): (SheetGroup | null)[] => {
    if (!d.stock) return [];
    const drawn = d.uses.reduce((sum, u) => sum + u.mass, 0);
    const bottle = Math.max(LEAST_BOTTLE, Math.ceil((drawn * 1.2) / 5) * 5);
    const powder = (bottle * d.stock.powderPercent) / 100;
    const key = `bottle:${d.material.id}:${d.carrier.medium}`;
    return [
      group(
        key,
        `${bottleName(ctx, d.material, d.carrier.medium)}, ${print.percent(d.stock.powderPercent)}`,
        [
          line(`${key}:powder`, `${print.number(powder, 2)} g`, d.material.name),
          line(
            `${key}:liquid`,
            `${print.number(bottle - powder, 2)} g`,
            liquidName(plan, d.carrier.medium, false),
            {
              note: `${print.grams(drawn)} of it will be drawn; ${print.number(d.stock.gramsPerDrop, 3)} g a drop; shake it before each use`,
            },
          ),
        ],
      ),
    ];
  });
}

function frozen({ plan, prep, print }: SheetContext): SheetGroup | null {
  const milk = plan.base.liquid.parts.filter((p) => isMilk(p.kind) && p.percent > 0);
  return group(
    'frozen',
    'Freeze',
    milk.map((p) =>
      line(`freeze:${p.id}`, print.mass(sumOf(prep.lyes.map((l) => (l.vessel * p.percent) / 100))), p.name, {
        note: 'in small cubes, for the lye',
      }),
    ),
  );
}

const sumOf = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0);

/** Spoons of one powder differ from those of another by a third: weighed once, they can be dosed by. */
function spoons({ prep, measuring }: SheetContext): SheetGroup | null {
  if (measuring.by !== 'spoons') return null;
  const names = [...new Set(prep.pots.flatMap((p) => p.rows.map((r) => r.material.name)))];
  if (names.length === 0) return null;
  return group('spoons', 'Spoons', [
    line('spoons', '', 'Weigh ten level spoons of each powder, where that was not done yet', {
      note: `${listOf(names)}; from it comes the bulk density on the shelf, grams by millilitres`,
    }),
  ]);
}
