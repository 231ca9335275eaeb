import { READ_AFTER, type TestCup } from '@kleur/core/day';
import { addDays } from '@kleur/core/units';
import { useDays } from '../../shared/hooks/useDays.ts';

/** What to write on a test cup, and the days on which it is read. */
export function TestCupWords({ cup }: { readonly cup: TestCup }) {
  const days = useDays();
  const taken = days.dayOf(cup.at);
  const due = READ_AFTER.map((after) => days.text(addDays(taken, after)));
  return (
    <>
      Write on it <b>{cup.label}</b>, {days.text(taken)}. Read it on {due.slice(0, -1).join(', ')} and{' '}
      {due.at(-1)}, under Result.
    </>
  );
}
