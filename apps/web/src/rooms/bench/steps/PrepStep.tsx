import { LockOutlined, UnlockOutlined } from '../../../shared/ui/icons.tsx';
import { Button } from 'antd';
import { lazy, Suspense } from 'react';
import { EmptyState } from '../../../shared/ui/EmptyState.tsx';
import { usePart } from '../../../shared/hooks/usePart.ts';
import { PartTabs } from '../../../shared/ui/PartTabs.tsx';
import { usePrep } from '../state/useDerived.ts';
import { useLock } from '../useLock.ts';
import { SheetPart } from './prep/SheetPart.tsx';

// The sheet comes first; what is beside it comes when it is asked for.
const DispersionsPart = lazy(() =>
  import('./prep/DispersionsPart.tsx').then((m) => ({ default: m.DispersionsPart })),
);
const OrderPart = lazy(() => import('./prep/OrderPart.tsx').then((m) => ({ default: m.OrderPart })));
const PourPart = lazy(() => import('./prep/PourPart.tsx').then((m) => ({ default: m.PourPart })));
const LabelsPart = lazy(() => import('./prep/LabelsPart.tsx').then((m) => ({ default: m.LabelsPart })));

const PARTS = [
  { key: 'sheet', label: 'Weigh sheet' },
  { key: 'dispersions', label: 'Dispersions' },
  { key: 'order', label: 'Order and pace' },
  { key: 'pour', label: 'Pour' },
  { key: 'labels', label: 'Cup labels' },
] as const;
const KEYS = PARTS.map((p) => p.key);

/** Everything to have ready before lye meets oil. */
export function PrepStep() {
  const prep = usePrep();
  const part = usePart(KEYS);
  const { locked } = useLock();
  if (prep.pots.length === 0 && prep.oils.length === 0) {
    return (
      <EmptyState title="Nothing to weigh yet">
        Add oils in Base and colours in Pots; the sheet follows.
      </EmptyState>
    );
  }
  return (
    <PartTabs label="Parts of the preparation" parts={PARTS} current={part} acts={<LockButton />}>
      <Suspense fallback={<p role="status">Opening…</p>}>
        {part === 'sheet' && <SheetPart />}
        <div inert={locked}>
          {part === 'dispersions' && <DispersionsPart />}
          {part === 'order' && <OrderPart />}
          {part === 'pour' && <PourPart />}
          {part === 'labels' && <LabelsPart />}
        </div>
      </Suspense>
    </PartTabs>
  );
}

/** Keeps a wet hand from changing the plan while it is worked from. */
function LockButton() {
  const { locked, setLocked } = useLock();
  return (
    <Button
      className="lock"
      icon={locked ? <LockOutlined /> : <UnlockOutlined />}
      aria-pressed={locked}
      title="While it is locked only pots can be looked at and lines ticked"
      onClick={() => {
        setLocked(!locked);
      }}
    >
      {locked ? 'Locked: tap to change' : 'Lock'}
    </Button>
  );
}
