import { useState } from 'react';
import { type ReadingWrite } from '@kleur/contract';
import { failureOf } from '../../../data/api.ts';
import { newId } from '../../../data/newId.ts';
import { useAddReadingsMutation } from '../../../data/record.ts';

export type NewReading = Omit<ReadingWrite, 'id'>;

/** Keeps readings, all of them or none; what the server says against one is told. `keep` answers their ids, or null. */
export function useKeepReadings(batchId: string) {
  const [add, { isLoading }] = useAddReadingsMutation();
  const [problem, setProblem] = useState('');
  const keep = async (readings: readonly NewReading[]): Promise<readonly string[] | null> => {
    const sent = readings.map((r) => ({ ...r, id: `${newId()}${newId()}` }));
    try {
      await add({ batchId, readings: sent }).unwrap();
      return sent.map((r) => r.id);
    } catch (error) {
      setProblem(failureOf(error).message);
      return null;
    }
  };
  return { keep, problem, setProblem, busy: isLoading };
}
