import { amendEdit, type History, recordEdit, redo, startHistory, undo } from './history.ts';

const record = (h: History<string>, next: string, key: string | null = null, at = 0): History<string> =>
  recordEdit(h, next, { key, at });

it('undoes and redoes in order, and an edit drops what was undone', () => {
  let h = record(record(startHistory('a'), 'b'), 'c');
  h = undo(h);
  expect(h).toMatchObject({ past: ['a'], present: 'b', future: ['c'] });
  expect(redo(h)).toMatchObject({ past: ['a', 'b'], present: 'c', future: [] });
  expect(record(h, 'd')).toMatchObject({ past: ['a', 'b'], present: 'd', future: [] });
  const start = undo(undo(h));
  expect(undo(start)).toBe(start);
  expect(redo(record(start, 'x'))).toMatchObject({ present: 'x' });
});

it('joins edits of the same thing below a second, on either side of it', () => {
  const first = record(startHistory('a'), 'b', 'k', 1000);
  expect(record(first, 'c', 'k', 1999).past).toEqual(['a']);
  expect(record(first, 'c', 'k', 2000).past).toEqual(['a', 'b']);
  expect(record(first, 'c', 'other', 1001).past).toEqual(['a', 'b']);
  expect(record(record(startHistory('a'), 'b', null, 0), 'c', null, 1).past).toEqual(['a', 'b']);
  // Nor when the clock was put back: that says nothing about how quick an edit was.
  expect(record(first, 'c', 'k', 999).past).toEqual(['a', 'b']);
  expect(record(first, 'c', 'k', 1000).past).toEqual(['a']);
  // After an undo nothing is joined: the step before it stays a step.
  expect(record(undo(first), 'c', 'k', 1001).past).toEqual(['a']);
});

it('keeps two hundred steps', () => {
  let h = startHistory('0');
  for (let i = 1; i <= 205; i++) h = record(h, String(i));
  expect(h.past).toHaveLength(200);
  expect(h.past[0]).toBe('5');
});

it('amends the last edit alone, without a step, and drops what is late', () => {
  const h = record(startHistory('a'), 'b', 'k', 0);
  const amended = amendEdit(h, 'b+', h.revision);
  expect(amended).toMatchObject({ past: ['a'], present: 'b+', future: [] });
  expect(amendEdit(undo(h), 'b+', h.revision).present).toBe('a');
  const later = record(h, 'c', 'k', 10);
  expect(amendEdit(later, 'b+', h.revision)).toBe(later);
  // Undo and redo lead through the amended document.
  expect(redo(undo(amended)).present).toBe('b+');
});

it('an edit that changes nothing is none', () => {
  const h = startHistory('a');
  expect(record(h, 'a')).toBe(h);
});
