import { Button } from 'antd';
import { memo, useEffect, useRef, useState } from 'react';
import { useMedia } from '../../shared/hooks/useMedia.ts';
import { useBench } from './BenchContext.ts';
import { BenchStrip } from './BenchStrip.tsx';
import { PotSwatch } from './PotSwatch.tsx';
import { usePrep } from './state/useDerived.ts';
import { TimeStrip } from './TimeStrip.tsx';

/** Windows in which the pots are folded to the slim strip until they are asked for. */
const SMALL = '(max-width: 700px), (max-height: 600px)';

/**
 * Pots and time above every step. In full at rest; as a slim strip where they have scrolled away or the window is small,
 * which takes no room of its own over the page, so that nothing jumps.
 */
export const BenchTop = memo(function BenchTop(props: {
  readonly startGel: number;
  /** Folded whatever the window: the step has the pots itself. */
  readonly quiet: boolean;
  readonly onAdd: () => void;
}) {
  const small = useMedia(SMALL) || props.quiet;
  const [opened, setOpened] = useState(false);
  const [away, setAway] = useState(false);
  const full = useRef<HTMLDivElement>(null);
  const folded = small && !opened;
  useEffect(() => {
    const observer = new IntersectionObserver(([entry]) => {
      setAway(entry?.isIntersecting === false);
    });
    observer.observe(full.current!);
    return () => {
      observer.disconnect();
    };
  }, []);
  const open = (): void => {
    setOpened(true);
    document.getElementById('room')?.scrollTo({ top: 0 });
    requestAnimationFrame(() => {
      full.current?.querySelector<HTMLElement>('[role=radio][tabindex="0"]')?.focus({ preventScroll: true });
    });
  };
  return (
    <>
      <div className={`bench-slim ${folded ? 'in-flow' : ''}`}>
        {(folded || away) && !props.quiet && <SlimRow onOpen={open} />}
      </div>
      <div className="bench-top" ref={full} hidden={folded}>
        <BenchStrip onAdd={props.onAdd} />
        <TimeStrip startGel={props.startGel} />
        {small && (
          <Button
            type="text"
            className="bench-close"
            onClick={() => {
              setOpened(false);
            }}
          >
            Fold pots and time
          </Button>
        )}
      </div>
    </>
  );
});

function SlimRow({ onOpen }: { readonly onOpen: () => void }) {
  const { pots } = usePrep();
  const { selectedId } = useBench();
  return (
    <button type="button" className="slim-row" aria-label="Show pots and time" onClick={onOpen}>
      {pots.length === 0 && (
        <span className="slim-pot">
          <PotSwatch potId={null} stage="now" label="Bare base" />
          <b>Bare base</b>
        </span>
      )}
      {pots.map(({ pot, fraction }) => (
        <span
          key={pot.id}
          className={pot.id === selectedId ? 'slim-pot is-selected' : 'slim-pot'}
          style={{ flexGrow: Math.max(fraction, 0.001) * 100 }}
        >
          <PotSwatch potId={pot.id} stage="now" label={pot.name} />
          <b>{pot.name}</b>
        </span>
      ))}
    </button>
  );
}
