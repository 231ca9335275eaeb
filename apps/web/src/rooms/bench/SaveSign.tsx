import {
  CheckOutlined,
  CloudSyncOutlined,
  DisconnectOutlined,
  EditOutlined,
} from '../../shared/ui/icons.tsx';
import { Button } from 'antd';
import { lazy, Suspense } from 'react';
import { batchSaves } from '../../data/batchSaves.ts';
import { type Keeping } from '../../data/drafts.ts';
import { useAppDispatch, useAppSelector } from '../../data/store.ts';
import { selectUnsent } from '../../data/unsent.ts';
import { bench, selectBench } from './state/benchSlice.ts';

// Seldom needed: it comes when something was refused.
const UnsentActs = lazy(() =>
  import('../../shared/batches/UnsentActs.tsx').then((m) => ({ default: m.UnsentActs })),
);

/** What to know of a browser that keeps nothing. */
const KEEPING: Readonly<Record<Exclude<Keeping, 'kept'>, string>> = {
  blocked: 'This browser does not let Kleur store anything: unsaved changes are in this tab only.',
  full: 'The browser’s storage is full: unsaved changes are in this tab only.',
};

/** The quiet sign of how the batch stands with the server. */
export function SaveSign() {
  const saving = useAppSelector((s) => selectBench(s).saving);
  const id = useAppSelector((s) => selectBench(s).id);
  const keeping = useAppSelector((s) => selectUnsent(s).keeping);
  const dispatch = useAppDispatch();
  const sign = {
    saved: [<CheckOutlined key="i" />, 'Saved'],
    unsaved: [<EditOutlined key="i" />, 'Unsaved'],
    saving: [<CloudSyncOutlined key="i" />, 'Saving'],
    failed: [<DisconnectOutlined key="i" />, 'Not saved'],
    conflict: [<DisconnectOutlined key="i" />, 'Changed elsewhere'],
    gone: [<DisconnectOutlined key="i" />, 'Deleted elsewhere'],
  }[saving.status];
  const kept = keeping === 'kept' ? 'Your work is safe in this browser' : KEEPING[keeping];
  const isRefused = saving.status === 'failed' && !saving.retrying;
  return (
    <span className={`save-sign save-${saving.status}${isRefused ? ' save-refused' : ''}`} role="status">
      {sign}
      {saving.status === 'failed' ? (
        <>
          <span className="soft" title={saving.message}>
            {saving.message} {keeping === 'kept' ? `${kept}. ` : `${kept} `}
            {isRefused
              ? 'It is not sent again by itself, only with your next change.'
              : 'It will be sent again.'}
          </span>
          {id !== null && !isRefused && (
            <Button size="small" onClick={() => void batchSaves.flush(id)}>
              Try now
            </Button>
          )}
          {id !== null && isRefused && (
            <>
              <Suspense fallback={null}>
                <UnsentActs id={id} isGone={false} size="small" />
              </Suspense>
              <Button
                size="small"
                onClick={() => {
                  dispatch(bench.unsentGivenUp());
                }}
              >
                Back to what is saved
              </Button>
            </>
          )}
        </>
      ) : (
        keeping !== 'kept' && <span className="soft save-keeping">{kept}</span>
      )}
    </span>
  );
}
