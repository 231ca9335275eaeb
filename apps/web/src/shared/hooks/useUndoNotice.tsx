import { Button } from 'antd';
import { useCallback } from 'react';
import { useNotices } from './useNotices.ts';

const SECONDS = 10;

/** Tells of a deletion in the corner, with a button that takes it back. */
export function useUndoNotice(): (notice: {
  key: string;
  title: string;
  description?: string;
  undo: () => void;
  seconds?: number;
}) => void {
  const { notification } = useNotices();
  return useCallback(
    ({ key, title, description, undo, seconds = SECONDS }) => {
      notification.open({
        key,
        title,
        description,
        duration: seconds,
        placement: 'bottomLeft',
        actions: (
          <Button
            onClick={() => {
              notification.destroy(key);
              undo();
            }}
          >
            Undo
          </Button>
        ),
      });
    },
    [notification],
  );
}

const TOUCH_SECONDS = 6;

/** Tells what a finger has changed, from what to what, with a button that takes it back. One notice a control. */
export function useTouchNotice(): (what: string, from: string, to: string, undo: () => void) => void {
  const notice = useUndoNotice();
  return useCallback(
    (what, from, to, undo) => {
      notice({
        key: `touched-${what}`,
        title: what,
        description: `${from} → ${to}`,
        undo,
        seconds: TOUCH_SECONDS,
      });
    },
    [notice],
  );
}
