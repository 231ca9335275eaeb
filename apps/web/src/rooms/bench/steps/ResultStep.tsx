import { Button } from 'antd';
import { lazy, Suspense } from 'react';
import { useParams } from 'react-router';
import { isMade } from '@kleur/contract';
import { useAppDispatch } from '../../../data/store.ts';
import { useAtRest } from '../../../shared/hooks/useAtRest.ts';
import { usePart } from '../../../shared/hooks/usePart.ts';
import { EmptyState } from '../../../shared/ui/EmptyState.tsx';
import { PartTabs } from '../../../shared/ui/PartTabs.tsx';
import { ColoursPart } from '../result/ColoursPart.tsx';
import { useResult } from '../result/useResult.ts';
import { edits } from '../state/edits.ts';
import { useHead } from '../state/useDerived.ts';
import { useDays } from '../../../shared/hooks/useDays.ts';

// What tells it brings the whole of the making day along: once the page is at rest.
const HoldLine = lazy(() => import('../result/HoldLine.tsx').then((m) => ({ default: m.HoldLine })));
const FaultsPart = lazy(() => import('../result/FaultsPart.tsx').then((m) => ({ default: m.FaultsPart })));

const VersionsPart = lazy(() =>
  import('../result/VersionsPart.tsx').then((m) => ({ default: m.VersionsPart })),
);

const CutPart = lazy(() => import('../result/CutPart.tsx').then((m) => ({ default: m.CutPart })));
const NotesPart = lazy(() => import('../result/NotesPart.tsx').then((m) => ({ default: m.NotesPart })));

const StoryPart = lazy(() => import('../result/StoryPart.tsx').then((m) => ({ default: m.StoryPart })));

const PARTS = [
  { key: 'colours', label: 'Colours' },
  { key: 'faults', label: 'Faults and causes' },
  { key: 'cut', label: 'Cut and weights' },
  { key: 'notes', label: 'Verdicts and notes' },
  { key: 'versions', label: 'Make again' },
  { key: 'story', label: 'Whole story' },
] as const;
const KEYS = PARTS.map((p) => p.key);

/** What became of the batch: how it looked, what went wrong, how it was cut, and how it is made again. */
export function ResultStep() {
  const days = useDays();
  const { id = '' } = useParams();
  const { state, madeOn } = useHead();
  const dispatch = useAppDispatch();
  if (!isMade(state) || madeOn === null)
    return (
      <EmptyState
        title={isMade(state) ? 'No day of pour yet' : 'Nothing was poured yet'}
        action={
          <Button
            type="primary"
            onClick={() => {
              dispatch(
                edits.headChanged({
                  state: isMade(state) ? state : 'poured',
                  madeOn: madeOn ?? days.today(),
                }),
              );
            }}
          >
            {madeOn === null ? 'It was poured today' : 'It was poured'}
          </Button>
        }
      >
        Once it is poured, what was foretold is kept here, and what you see is set beside it.
      </EmptyState>
    );
  return <AfterThePour batchId={id} />;
}

function AfterThePour({ batchId }: { readonly batchId: string }) {
  const state = useResult(batchId);
  const part = usePart(KEYS);
  const atRest = useAtRest();
  if (state.status === 'loading') return <p className="loading">Opening…</p>;
  if (state.status === 'failed')
    return (
      <EmptyState
        role="alert"
        title="The result could not be loaded"
        action={<Button onClick={state.retry}>Try again</Button>}
      >
        {state.failure.message}
      </EmptyState>
    );
  return (
    <PartTabs label="Parts of the result" parts={PARTS} current={part}>
      {atRest && part !== 'faults' && (
        <Suspense fallback={null}>
          <HoldLine result={state.result} />
        </Suspense>
      )}
      {part === 'colours' && <ColoursPart result={state.result} />}
      <Suspense fallback={<p role="status">Opening…</p>}>
        {part === 'faults' && <FaultsPart result={state.result} />}
        {part === 'cut' && <CutPart result={state.result} />}
        {part === 'notes' && <NotesPart result={state.result} />}
        {part === 'story' && <StoryPart result={state.result} />}
        {part === 'versions' && <VersionsPart result={state.result} />}
      </Suspense>
    </PartTabs>
  );
}
