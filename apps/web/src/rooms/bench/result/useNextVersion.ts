import { useState } from 'react';
import { useNavigate } from 'react-router';
import { type LineBatch } from '@kleur/contract';
import { settle } from '@kleur/core/balance';
import { type NextTime } from '@kleur/core/causes';
import { type Actuals } from '@kleur/core/day';
import { type Plan } from '@kleur/core/plan';
import { asMade } from '@kleur/core/record';
import { failureOf } from '../../../data/api.ts';
import { batchesApi } from '../../../data/batches.ts';
import { useAgainMutation, useLineQuery } from '../../../data/record.ts';
import { useAppDispatch } from '../../../data/store.ts';
import { useNotices } from '../../../shared/hooks/useNotices.ts';
import { useHead } from '../state/useDerived.ts';

const VERSION = /, version (\d+)$/;

/** The name of the next version in a line: the first one’s, and a number. */
export function nextName(name: string, line: readonly Pick<LineBatch, 'name'>[]): string {
  const first = name.replace(VERSION, '');
  const numbers = line.map((v) => Number(VERSION.exec(v.name)?.[1] ?? 1));
  const suffix = `, version ${Math.max(line.length, ...numbers) + 1}`;
  return `${first.slice(0, 80 - suffix.length)}${suffix}`;
}

/** Puts changes into the version that comes after a batch: the one that is still being planned, or a new one. */
export function useNextVersion(batchId: string, made: Pick<Actuals, 'plan' | 'weighed'>) {
  const { name } = useHead();
  const { data: line = [] } = useLineQuery(batchId);
  const [again] = useAgainMutation();
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const { message } = useNotices();
  const [busy, setBusy] = useState(false);

  /** Makes a version of a plan and opens it. */
  const start = async (plan: Plan, called = nextName(name, line)): Promise<void> => {
    setBusy(true);
    try {
      const batch = await again({ batchId, name: called, plan: settle(plan) }).unwrap();
      await navigate(`/batches/${batch.id}/pots`);
    } catch (error) {
      message.error(failureOf(error).message);
    } finally {
      setBusy(false);
    }
  };

  const intoNext = async ({ text, apply }: NextTime): Promise<void> => {
    if (!apply) return;
    const next = line.find((v) => v.parentId === batchId && (v.state === 'planned' || v.state === 'idea'));
    setBusy(true);
    try {
      if (next) {
        const question = batchesApi.endpoints.batch.initiate(next.id, {
          forceRefetch: true,
          subscribe: false,
        });
        const { version, plan, state, madeOn } = await dispatch(question).unwrap();
        const batch = { name: next.name, state, madeOn, plan: settle(apply(plan)) };
        await dispatch(batchesApi.endpoints.saveBatch.initiate({ id: next.id, version, batch })).unwrap();
        message.success(`Into “${next.name}”: ${text}`);
      } else {
        const called = nextName(name, line);
        await again({ batchId, name: called, plan: settle(apply(asMade(made))) }).unwrap();
        message.success(`“${called}” is in the list, with: ${text}`);
      }
    } catch (error) {
      message.error(failureOf(error).message);
    } finally {
      setBusy(false);
    }
  };
  return { start, intoNext, busy, line, nextName: nextName(name, line) };
}
