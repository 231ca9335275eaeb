import { render, screen, waitFor } from '@testing-library/react';
import { useWakeLock } from './useWakeLock.ts';

function Sample() {
  return <p>{useWakeLock() ? 'awake' : 'may sleep'}</p>;
}
const lockable = (request: () => Promise<unknown>): void => {
  Object.defineProperty(navigator, 'wakeLock', { value: { request }, configurable: true });
};
afterEach(() => {
  Reflect.deleteProperty(navigator, 'wakeLock');
});

it('asks for the screen while it is shown, and again when the page comes back', async () => {
  const release = jest.fn(() => Promise.resolve());
  const request = jest.fn(() => Promise.resolve({ release }));
  lockable(request);
  const { unmount } = render(<Sample />);
  expect(await screen.findByText('awake')).toBeInTheDocument();
  document.dispatchEvent(new Event('visibilitychange'));
  await waitFor(() => {
    expect(request).toHaveBeenCalledTimes(2);
  });
  unmount();
  expect(release).toHaveBeenCalled();
});

it('says so where the browser refuses or cannot', async () => {
  render(<Sample />);
  expect(screen.getByText('may sleep')).toBeInTheDocument();
  lockable(() => Promise.reject(new Error('battery is low')));
  render(<Sample />);
  expect(await screen.findAllByText('may sleep')).toHaveLength(2);
});
