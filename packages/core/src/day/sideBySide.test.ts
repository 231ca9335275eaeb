import { fourPotLoaf, tenthGramScale } from '../testing/plans.ts';
import { plainPrinter } from '../units/printer.ts';
import { sheetOf } from '../sheet/sheetOf.ts';
import { logEntry, type LogEntry } from './entry.ts';
import { progressOf } from './progress.ts';
import { runSheetOf } from './runSheet.ts';
import { plainStep } from './step.ts';
import { alsoTicked, type DayOfBatch, nextSideBySide } from './sideBySide.ts';

const plan = fourPotLoaf();
const steps = runSheetOf(plan, sheetOf(plan, tenthGramScale, plainPrinter));
const day = (batchId: string, log: readonly LogEntry[]): DayOfBatch => ({
  batchId,
  steps,
  progress: progressOf(steps, log),
});
let made = 0;
const done = (target: string): LogEntry => logEntry({ id: `e${++made}`, at: made, kind: 'done', target });

/** Does everything that comes next, until nothing does. @returns what was done, batch by batch. */
function whole(): string[] {
  const logs = new Map<string, LogEntry[]>([
    ['a', []],
    ['b', []],
  ]);
  const order: string[] = [];
  for (let i = 0; i < 200; i++) {
    const days = [...logs].map(([id, log]) => day(id, log));
    const next = nextSideBySide(days);
    if (!next) break;
    order.push(`${next.batchId} ${next.step.id}`);
    if (next.step.kind === 'safety')
      for (const also of alsoTicked(days, next.batchId)) {
        logs.get(also.batchId)!.push(done(also.step.id));
        order.push(`(${also.batchId} ${also.step.id})`);
      }
    logs.get(next.batchId)!.push(done(next.step.id));
  }
  return order;
}

it('prepares for all batches, then brings each through by itself, and does every step once', () => {
  const order = whole();
  expect(order).toHaveLength(2 * steps.length);
  expect(new Set(order.map((o) => o.replace(/[()]/g, ''))).size).toBe(order.length);
  const at = (what: string): number => order.indexOf(what);
  // One checklist for both lyes.
  expect(order.filter((o) => o.includes('safety'))).toEqual(['a safety', '(b safety)']);
  expect(at('b lye/lye:common')).toBe(at('a lye/lye:common') + 1);
  expect(at('b oils/oils:common')).toBeLessThan(at('a combine/combine'));
  // From the emulsion to the mould nobody else’s batter stands.
  expect(at('a pour/pour')).toBeLessThan(at('b combine/combine'));
  expect(at('b pour/pour')).toBeLessThan(at('a unmould'));
});

it('a batter that stands goes before the preparation of another batch', () => {
  const upTo = steps.findIndex((s) => s.id === 'combine/combine');
  const standing = day(
    'b',
    steps.slice(0, upTo + 1).map((s) => done(s.id)),
  );
  expect(nextSideBySide([day('a', []), standing])).toMatchObject({
    batchId: 'b',
    step: { id: 'combine/holds' },
  });
  expect(nextSideBySide([])).toBeNull();
});

it('a step that the maker put in goes with the one that follows it', () => {
  const own = plainStep('own/a', 'Close the window', '');
  const first = { ...day('b', []), steps: [own, ...steps] };
  const withOwn = { ...first, progress: progressOf(first.steps, []) };
  // Nobody else's cups come before it, and it holds up nobody's oils.
  expect(nextSideBySide([withOwn, day('a', [])])).toMatchObject({ batchId: 'b', step: { id: 'own/a' } });
  const upTo = steps.findIndex((s) => s.id === 'lye/lye:common');
  const ahead = day(
    'a',
    steps.slice(0, upTo).map((s) => done(s.id)),
  );
  expect(nextSideBySide([ahead, withOwn])).toMatchObject({ batchId: 'b', step: { id: 'own/a' } });
});
