import { CloudOutlined, PlusOutlined } from '../../shared/ui/icons.tsx';
import { lazy, memo, type KeyboardEvent, type ReactNode, Suspense, useRef, useState } from 'react';

import { PLAN_LIMITS } from '@kleur/core/plan';
import { LevelMark } from '../../shared/ui/Levels.tsx';
import { usePrinter } from '../../shared/hooks/useSettings.ts';
import { useAtRest } from '../../shared/hooks/useAtRest.ts';
import { useBench } from './BenchContext.ts';
import { PotSwatch, type TeethByPot } from './PotSwatch.tsx';
import { useLock } from './useLock.ts';
import { BARE } from './state/liveColours.ts';
import { useSkin } from './useSkin.ts';
import { usePotMark, usePrep } from './state/useDerived.ts';

const NoTeeth = (): null => null;

/** How sure the colours are comes when everything else is there; without the server the strip does without. */
const StripTeeth = lazy(() =>
  import('./StripTeeth.tsx').then(
    (m) => ({ default: m.StripTeeth }),
    () => ({ default: NoTeeth }),
  ),
);

/** The batch as a row of pots, each as wide as its share and filled with its colour at the time strip. */
export const BenchStrip = memo(function BenchStrip({ onAdd }: { readonly onAdd: () => void }) {
  const { selectedId, select } = useBench();
  const { pots } = usePrep();
  const print = usePrinter();
  const row = useRef<HTMLDivElement>(null);
  const atRest = useAtRest();
  const [teeth, setTeeth] = useState<TeethByPot | null>(null);

  const onKeyDown = (event: KeyboardEvent): void => {
    const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    if (by === undefined) return;
    const at = pots.findIndex((p) => p.pot.id === selectedId);
    const next = pots[at + by];
    if (!next) return;
    event.preventDefault();
    select(next.pot.id);
    row.current?.querySelectorAll<HTMLElement>('[role=radio]')[at + by]?.focus();
  };

  return (
    <section className="bench-strip" aria-label="Pots of this batch">
      <div className="bench-row" role="radiogroup" aria-label="Selected pot" ref={row} onKeyDown={onKeyDown}>
        {pots.length === 0 && (
          <div className="pot pot-bare">
            <PotSwatch
              potId={null}
              stage="now"
              label="Bare base"
              className="pot-fill"
              over={teeth?.get(BARE)}
            />
            <span className="pot-plate">
              <b>Bare base</b>
              <span className="soft">no pots yet</span>
            </span>
          </div>
        )}
        {pots.map(({ pot, fraction, batter, oils, flow }) => {
          const mass =
            batter === null
              ? `${print.mass(oils, true)} oils`
              : print.mass(flow.mass * Math.max(0, 1 - flow.drawnOff), true);
          return (
            <PotTile
              key={pot.id}
              id={pot.id}
              name={pot.name}
              mass={mass}
              grow={Math.max(fraction, 0.001)}
              scented={pot.scented}
              selected={pot.id === selectedId}
              teeth={teeth?.get(pot.id)}
              onSelect={select}
            />
          );
        })}
      </div>
      {atRest && (
        <Suspense>
          <StripTeeth onTeeth={setTeeth} />
        </Suspense>
      )}
      <AddPot full={pots.length >= PLAN_LIMITS.pots} onAdd={onAdd} />
    </section>
  );
});

/** One pot on the strip, by its plain figures, so that it is rendered again only when one of them is another. */
const PotTile = memo(function PotTile(props: {
  readonly id: string;
  readonly name: string;
  readonly mass: string;
  readonly grow: number;
  readonly scented: boolean;
  readonly selected: boolean;
  readonly teeth: ReactNode;
  readonly onSelect: (potId: string) => void;
}) {
  const { id, name, mass, selected } = props;
  return (
    <button
      type="button"
      role="radio"
      aria-checked={selected}
      tabIndex={selected ? 0 : -1}
      className="pot"
      style={{ flexGrow: props.grow }}
      title={`${name}: ${mass} in the jug, with colour and scent`}
      onClick={() => {
        props.onSelect(id);
      }}
    >
      <PotSkin potId={id} name={name} />
      <PotSwatch potId={id} stage="now" label={name} className="pot-fill" over={props.teeth} />
      <span className="pot-plate">
        <b>{name}</b>
        <span className="pot-facts figure">
          {mass}
          <PotMarks potId={id} scented={props.scented} />
        </span>
      </span>
    </button>
  );
});

/** The outside of the bars above their inside, where the two can be told apart. */
const PotSkin = memo(function PotSkin({ potId, name }: { readonly potId: string; readonly name: string }) {
  return useSkin(potId) && <PotSwatch potId={potId} stage="skin" label={name} className="pot-skin" />;
});

const PotMarks = memo(function PotMarks(props: { readonly potId: string; readonly scented: boolean }) {
  const mark = usePotMark(props.potId);
  return (
    <>
      {props.scented && <CloudOutlined aria-label="scented" title="Scented" />}
      {mark && <LevelMark {...mark} />}
    </>
  );
});

const AddPot = memo(function AddPot({ full, onAdd }: { readonly full: boolean; readonly onAdd: () => void }) {
  const { locked } = useLock();
  return (
    <button
      type="button"
      className="pot-add"
      onClick={onAdd}
      disabled={full || locked}
      title={full ? `At most ${PLAN_LIMITS.pots} pots` : 'New pot (P)'}
    >
      <PlusOutlined />
      <span>Pot</span>
    </button>
  );
});
