import { CheckOutlined, CloudSyncOutlined, DisconnectOutlined, EditOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { useAppDispatch, useAppSelector } from '../../data/store.ts';
import { bench, selectBench } from './state/benchSlice.ts';

/** The quiet sign of how the batch stands with the server. */
export function SaveSign() {
  const saving = useAppSelector((s) => selectBench(s).saving);
  const dispatch = useAppDispatch();
  const sign = {
    saved: [<CheckOutlined key="i" />, 'Saved'],
    unsaved: [<EditOutlined key="i" />, 'Unsaved'],
    saving: [<CloudSyncOutlined key="i" />, 'Saving'],
    failed: [<DisconnectOutlined key="i" />, 'Not saved'],
    conflict: [<DisconnectOutlined key="i" />, 'Changed elsewhere'],
  }[saving.status];
  return (
    <span className={`save-sign save-${saving.status}`} role="status">
      {sign}
      {saving.status === 'failed' && (
        <>
          <span className="soft" title={saving.message}>
            {saving.message}{' '}
            {saving.retrying
              ? 'Your work is kept here and will be sent again.'
              : 'Your work is kept here and is sent again with your next change.'}
          </span>
          <Button
            size="small"
            onClick={() => {
              dispatch(bench.saveRetried());
            }}
          >
            Try now
          </Button>
        </>
      )}
    </span>
  );
}
