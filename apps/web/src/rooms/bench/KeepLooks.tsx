import { Button } from 'antd';
import { lazy, Suspense, useState } from 'react';
import { deltaE00 } from '@kleur/core/colour';
import { usePrinter } from '../../shared/hooks/useSettings.ts';
import { useColours } from './BenchContext.ts';
import { usePlan } from './state/useDerived.ts';
import { looksOfPots, NOTICED, useWantedLooks } from './useSameLook.ts';

const SameLookDrawer = lazy(() =>
  import('./SameLookDrawer.tsx').then((m) => ({ default: m.SameLookDrawer })),
);

/**
 * The same look on another base: when a change of oils or scent has moved pots away from how they looked when the
 * step was opened, offers to match them again on the new base.
 */
export function KeepLooks() {
  const plan = usePlan();
  const { gel } = useColours().stage;
  const print = usePrinter();
  const [startGel] = useState(gel);
  const [before] = useState(() => looksOfPots(plan, gel));
  const [open, setOpen] = useState(false);
  const moved = useWantedLooks(before, startGel)
    .map(({ wanted, now }) => deltaE00(wanted, now))
    .filter((far) => far > NOTICED);
  if (moved.length === 0 && !open) return null;
  return (
    <section className="panel" aria-label="Looks on this base" role="status">
      <p className="figure">
        The new base changes {moved.length === 1 ? '1 pot' : `${moved.length} pots`}, by up to ΔE{' '}
        {print.fixed(Math.max(0, ...moved), 1)}.
      </p>
      <p>
        <Button
          onClick={() => {
            setOpen(true);
          }}
        >
          Match them again, to look as before
        </Button>
      </p>
      {open && (
        <Suspense>
          <SameLookDrawer
            wanted={before}
            gel={startGel}
            onClose={() => {
              setOpen(false);
            }}
          />
        </Suspense>
      )}
    </section>
  );
}
