import { CloudOutlined, PlusOutlined } from '@ant-design/icons';
import { type KeyboardEvent, useRef } from 'react';
import { type Check, type CheckLevel } from '@kleur/core/checks';
import { PLAN_LIMITS } from '@kleur/core/plan';
import { LevelMark } from '../../shared/ui/Levels.tsx';
import { usePrinter } from '../../shared/hooks/useSettings.ts';
import { useBench } from './BenchContext.ts';
import { PotSwatch } from './PotSwatch.tsx';
import { isOfPot, useChecks, usePrep } from './useDerived.ts';

/** The gravest level among some checks, and how many share it. Tips do not show on the strip. */
function gravest(checks: readonly Check[]): { level: CheckLevel; count: number } | null {
  for (const level of ['stop', 'warn'] as const) {
    const count = checks.filter((c) => c.level === level).length;
    if (count > 0) return { level, count };
  }
  return null;
}

/** The batch as a row of pots, each as wide as its share and filled with its colour at the time strip. */
export function BenchStrip({ onAdd }: { readonly onAdd: () => void }) {
  const { selectedId, select } = useBench();
  const { pots } = usePrep();
  const checks = useChecks();
  const print = usePrinter();
  const row = useRef<HTMLDivElement>(null);

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
            <PotSwatch potId={null} stage="now" label="Bare base" className="pot-fill" />
            <span className="pot-plate">
              <b>Bare base</b>
              <span className="soft">no pots yet</span>
            </span>
          </div>
        )}
        {pots.map(({ pot, fraction, batter, oils, flow }) => {
          const mark = gravest(checks.filter((c) => isOfPot(c, pot.id)));
          const mass =
            batter === null
              ? `${print.mass(oils, true)} oils`
              : print.mass(flow.mass * Math.max(0, 1 - flow.drawnOff), true);
          return (
            <button
              type="button"
              key={pot.id}
              role="radio"
              aria-checked={pot.id === selectedId}
              tabIndex={pot.id === selectedId ? 0 : -1}
              className="pot"
              style={{ flexGrow: Math.max(fraction, 0.001) }}
              title={`${pot.name}: ${mass}`}
              onClick={() => {
                select(pot.id);
              }}
            >
              <PotSwatch potId={pot.id} stage="now" label={pot.name} className="pot-fill" />
              <span className="pot-plate">
                <b>{pot.name}</b>
                <span className="pot-facts figure">
                  {mass}
                  {pot.scented && <CloudOutlined aria-label="scented" title="Scented" />}
                  {mark && <LevelMark {...mark} />}
                </span>
              </span>
            </button>
          );
        })}
      </div>
      <button
        type="button"
        className="pot-add"
        onClick={onAdd}
        disabled={pots.length >= PLAN_LIMITS.pots}
        title={pots.length >= PLAN_LIMITS.pots ? `At most ${PLAN_LIMITS.pots} pots` : 'New pot (P)'}
      >
        <PlusOutlined />
        <span>Pot</span>
      </button>
    </section>
  );
}
