import { useCallback } from 'react';
import { useStore } from 'react-redux';
import { type Plan } from '@kleur/core/plan';
import { useAppDispatch } from '../../app/hooks.ts';
import { type RootState } from '../../app/store.ts';
import { bench } from './benchSlice.ts';

/** Applies an edit of core to the open plan. With a key, quick edits of the same thing are one step of undo. */
export function useEdit(): (change: (plan: Plan) => Plan, key?: string | null) => void {
  const dispatch = useAppDispatch();
  const store = useStore<RootState>();
  return useCallback(
    (change, key = null) => {
      const { present } = store.getState().bench;
      if (present) dispatch(bench.planChanged({ plan: change(present.plan), key }));
    },
    [dispatch, store],
  );
}
