import { Button } from 'antd';
import { lazy, Suspense, useState } from 'react';
import { type LabD65 } from '@kleur/core/colour';
import { usePlan, usePlanGel } from '../../state/useDerived.ts';
import { looksOfPots } from '../../useSameLook.ts';

const SameLookDrawer = lazy(() =>
  import('../../SameLookDrawer.tsx').then((m) => ({ default: m.SameLookDrawer })),
);

/** All pots as they look now, from another shelf or after a change of the base elsewhere. */
export function SameLookAgain() {
  const plan = usePlan();
  const gel = usePlanGel();
  const [wanted, setWanted] = useState<ReadonlyMap<string, LabD65> | null>(null);
  return (
    <>
      <Button
        title="Every pot as it looks now, from what the shelf allows"
        onClick={() => {
          setWanted(looksOfPots(plan, gel));
        }}
      >
        Same look again…
      </Button>
      {wanted && (
        <Suspense>
          <SameLookDrawer
            wanted={wanted}
            gel={gel}
            onClose={() => {
              setWanted(null);
            }}
          />
        </Suspense>
      )}
    </>
  );
}
