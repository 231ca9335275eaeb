import { beside, MOST_BESIDE } from './beside.ts';

beforeEach(() => {
  localStorage.clear();
});

it('keeps which batches are made side by side, and tells who listens', () => {
  const heard = jest.fn();
  const stop = beside.subscribe(heard);
  beside.set(['a', 'b']);
  expect(beside.get()).toEqual(['a', 'b']);
  // The same list until it is another: what renders from it must not run in circles.
  expect(beside.get()).toBe(beside.get());
  expect(heard).toHaveBeenCalledTimes(1);
  stop();
  beside.set([]);
  expect(heard).toHaveBeenCalledTimes(1);
});

it('takes no more than fit beside each other, and what is damaged for nothing', () => {
  beside.set(Array.from({ length: MOST_BESIDE + 3 }, (_, i) => `b${i}`));
  expect(beside.get()).toHaveLength(MOST_BESIDE);
  localStorage.setItem('kleur-beside', '{"not": "a list"');
  expect(beside.get()).toEqual([]);
  localStorage.setItem('kleur-beside', '[1, "a", null]');
  expect(beside.get()).toEqual(['a']);
});
