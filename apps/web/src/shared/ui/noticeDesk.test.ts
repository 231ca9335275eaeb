import { NoticeDesk } from './noticeDesk.ts';

it('keeps what is told before anything can show it, in its order, and hands on what comes later', () => {
  const desk = new NoticeDesk();
  const heard = jest.fn();
  desk.subscribe(heard);
  expect(desk.isWanted()).toBe(false);
  desk.apis.message.error('first');
  desk.apis.notification.open({ title: 'second' });
  expect([desk.isWanted(), heard.mock.calls.length]).toEqual([true, 2]);
  const shown: unknown[] = [];
  const show = (what: unknown): void => void shown.push(what);
  desk.show({
    message: { success: show, info: show, warning: show, error: show },
    notification: { open: ({ title }) => void shown.push(title), destroy: show },
  });
  expect(shown).toEqual(['first', 'second']);
  desk.apis.message.success('third');
  desk.apis.notification.destroy('second');
  expect(shown).toEqual(['first', 'second', 'third', 'second']);
});
