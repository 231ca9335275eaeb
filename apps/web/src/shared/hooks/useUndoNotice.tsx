import { App, Button } from 'antd';
import { useCallback } from 'react';

const SECONDS = 10;

/** Tells of a deletion in the corner, with a button that takes it back. */
export function useUndoNotice(): (notice: {
  key: string;
  title: string;
  description?: string;
  undo: () => void;
}) => void {
  const { notification } = App.useApp();
  return useCallback(
    ({ key, title, description, undo }) => {
      notification.open({
        key,
        title,
        description,
        duration: SECONDS,
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
