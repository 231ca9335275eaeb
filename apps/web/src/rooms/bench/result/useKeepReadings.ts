import { useState } from 'react';
import { type ReadingWrite } from '@kleur/contract';
import { failureOf } from '../../../data/api.ts';
import { newId } from '../../../data/newId.ts';
import { useAddReadingsMutation } from '../../../data/record.ts';

export type NewReading = Omit<ReadingWrite, 'id'>;

/** Keeps readings, all of them or none; what the server says against one is told. */
export function useKeepReadings(batchId: string) {
  const [add, { isLoading }] = useAddReadingsMutation();
  const [problem, setProblem] = useState('');
  const keep = async (readings: readonly NewReading[]): Promise<boolean> => {
    try {
      await add({
        batchId,
        readings: readings.map((r) => ({ ...r, id: `${newId()}${newId()}` })),
      }).unwrap();
      return true;
    } catch (error) {
      setProblem(failureOf(error).message);
      return false;
    }
  };
  return { keep, problem, setProblem, busy: isLoading };
}
