import { Checkbox, Segmented } from 'antd';
import { useState } from 'react';
import { deltaE00, type LabD65, screenColourFromLabD65 } from '@kleur/core/colour';
import { REACH_SLICES, type Relation, relationOf, turnBetween, turned } from '@kleur/core/palette';
import { useAppDispatch } from '../../../data/store.ts';
import { edits } from '../state/edits.ts';
import { usePlan } from '../state/useDerived.ts';
import { useShelf } from '../useMatching.ts';
import { FieldDrop } from './FieldDrop.tsx';
import { FieldGround } from './FieldGround.tsx';
import { FIELD, placeOf } from './fieldScale.ts';
import { RelatedColours } from './RelatedColours.tsx';
import { SoftenBar } from './SoftenBar.tsx';
import { type MatchedColour } from './usePaletteMatches.ts';
import { useReach } from './useReach.ts';

const SAYS: Readonly<Record<Relation, string>> = {
  brighter: 'make each other brighter',
  melt: 'melt together',
  family: 'belong to one family',
  grey: 'grey each other where they mix',
  apart: 'keep apart',
};
/** ΔE00 from which the nearest that can be made is told beside a drop. */
const MOVED = 2;
const RADIUS = { least: 9, most: 22 };

const nearestSlice = (L: number): number =>
  REACH_SLICES.reduce((best, s) => (Math.abs(s - L) < Math.abs(best - L) ? s : best));

/** The palette on the ground of what this shelf can make on this base, cured: hue and chroma at one lightness. */
export function ReachField({ colours }: { readonly colours: readonly MatchedColour[] }) {
  const { pots } = usePlan();
  const shelf = useShelf();
  const slices = useReach();
  const dispatch = useAppDispatch();
  const [selectedId, setSelected] = useState<string | null>(null);
  const [L, setL] = useState<number>(() => nearestSlice(colours[0]?.colour.lab[0] ?? 60));
  /** Pairs whose relation is held while one of them moves, by their ids. */
  const [held, setHeld] = useState<ReadonlySet<string>>(new Set());

  const [open, gelled] = (slices ?? []).map((list) => list.find((s) => s.L === L));
  const partsOf = (id: string): number =>
    pots.find((p) => p.follows === id)?.draws.reduce((sum, d) => sum + (d.by === 'parts' ? d.value : 1), 0) ??
    1;
  const all = colours.reduce((sum, c) => sum + partsOf(c.colour.id), 0);
  const radiusOf = (id: string): number =>
    Math.min(RADIUS.most, RADIUS.least + 13 * Math.sqrt(partsOf(id) / Math.max(1, all)));
  // Around the circle each colour has a neighbour on either side: those are the pairs that are told.
  const round = colours.toSorted((x, y) => hueAngle(x.colour.lab) - hueAngle(y.colour.lab));
  const pairs = round.flatMap((c, i) => {
    const next = round[(i + 1) % round.length]!;
    return next === c || (round.length === 2 && i === 1) ? [] : [[c, next] as const];
  });
  const select = (id: string): void => {
    setSelected(id);
    const colour = colours.find((c) => c.colour.id === id)?.colour;
    if (colour) setL(nearestSlice(colour.lab[0]));
  };
  const move = (id: string, lab: LabD65): void => {
    const before = colours.find((c) => c.colour.id === id)!.colour.lab;
    const turn = turnBetween(before, lab);
    const companions = new Set(
      [...held].flatMap((key) => {
        const ids = key.split(' ');
        return ids.includes(id) ? ids.filter((x) => x !== id) : [];
      }),
    );
    if (companions.size === 0) dispatch(edits.paletteColourSet({ id, change: { lab } }));
    else
      dispatch(
        edits.paletteMoved(
          colours.map(({ colour }) => ({
            ...colour,
            lab: colour.id === id ? lab : companions.has(colour.id) ? turned(colour.lab, turn) : colour.lab,
          })),
          id,
        ),
      );
    setL(nearestSlice(lab[0]));
  };
  const carriers = [...new Set((open?.edge ?? []).flatMap((p) => p.ids))];
  const selected = colours.find((c) => c.colour.id === selectedId) ?? colours[0];
  return (
    <section aria-label="Reach" className="reach">
      <div className="section-head">
        <h2>What this shelf can make</h2>
        <Segmented
          aria-label="Lightness of the field"
          value={L}
          onChange={setL}
          options={REACH_SLICES.map((v) => ({ value: v, label: `L* ${v}` }))}
        />
      </div>
      <div className="reach-body">
        <svg
          className="field-svg"
          viewBox={`0 0 ${FIELD} ${FIELD}`}
          role="group"
          aria-label={`Hue and chroma within reach near L* ${L}`}
        >
          <rect width={FIELD} height={FIELD} className="field-ground" />
          <FieldGround L={L} open={open} gelled={gelled} />
          {pairs.map(([one, two]) => {
            const [x1, y1] = placeOf(one.colour.lab[1], one.colour.lab[2]);
            const [x2, y2] = placeOf(two.colour.lab[1], two.colour.lab[2]);
            return (
              <line
                key={`${one.colour.id} ${two.colour.id}`}
                className={`field-pair is-${relationOf(one.colour.lab, two.colour.lab)}`}
                x1={x1}
                y1={y1}
                x2={x2}
                y2={y2}
              />
            );
          })}
          {colours.map(({ colour, match }) => {
            const reached = match?.recipes[0]?.lab ?? null;
            return (
              <FieldDrop
                key={colour.id}
                name={colour.name}
                lab={colour.lab}
                reached={reached && deltaE00(reached, colour.lab) > MOVED ? reached : null}
                radius={radiusOf(colour.id)}
                selected={colour.id === selectedId}
                onSelect={() => {
                  if (colour.id !== selectedId) select(colour.id);
                }}
                onMove={(lab) => {
                  move(colour.id, lab);
                }}
              />
            );
          })}
        </svg>
        <div className="field-light" aria-label="The palette in grey, light above dark" role="img">
          {colours.map(({ colour }) => (
            <i
              key={colour.id}
              style={{
                top: `${100 - colour.lab[0]}%`,
                background: screenColourFromLabD65([colour.lab[0], 0, 0]).hex,
              }}
            />
          ))}
        </div>
        <div className="field-side">
          {!slices && <p role="status">Working out the reach…</p>}
          {slices && !open?.edge.length && <p>Nothing that is allowed reaches this lightness.</p>}
          <ul aria-label="What the colours do to each other" className="field-pairs">
            {pairs.map(([one, two]) => {
              const key = [one.colour.id, two.colour.id].toSorted().join(' ');
              return (
                <li key={key}>
                  <span>
                    {one.colour.name} and {two.colour.name}{' '}
                    <b>{SAYS[relationOf(one.colour.lab, two.colour.lab)]}</b>
                  </span>
                  <Checkbox
                    checked={held.has(key)}
                    onChange={(e) => {
                      const next = new Set(held);
                      if (e.target.checked) next.add(key);
                      else next.delete(key);
                      setHeld(next);
                    }}
                  >
                    Hold this
                  </Checkbox>
                </li>
              );
            })}
          </ul>
          {carriers.length > 0 && (
            <p className="soft small">
              The most vivid colours here are made with{' '}
              {carriers
                .slice(0, 6)
                .map((id) => shelf.get(id)?.name ?? id)
                .join(', ')}
              .
            </p>
          )}
          <p className="soft small">
            Painted: within reach, not gelled; dashed: gelled. A line leads to the nearest colour that can be
            made.
          </p>
        </div>
      </div>
      {colours.length > 0 && <SoftenBar colours={colours} selectedId={selectedId} />}
      <RelatedColours lead={selected?.colour.lab ?? null} name={selected?.colour.name ?? null} />
    </section>
  );
}

const hueAngle = ([, a, b]: LabD65): number => Math.atan2(b, a);
