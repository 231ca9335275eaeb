import { useCallback } from 'react';
import { type Plan } from '@kleur/core/plan';
import { useAppDispatch } from '../../../data/store.ts';
import { editPlan } from './edits.ts';

/** Applies an edit of core to the open plan. With a key, quick edits of the same thing are one step of undo. */
export function useEdit(): (change: (plan: Plan) => Plan, key?: string | null) => void {
  const dispatch = useAppDispatch();
  return useCallback(
    (change, key = null) => {
      dispatch(editPlan(change, key));
    },
    [dispatch],
  );
}
