import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MediaActs } from './MediaActs.tsx';

// Pictures are made smaller by the browser itself: that is tried in one.
jest.mock('../../../data/media.ts', () => ({
  named: (clip: Blob) =>
    Promise.resolve({ name: `of ${clip.size} bytes.webm`, type: clip.type, bytes: new ArrayBuffer(0) }),
  pictureFile: () => Promise.reject(Object.assign(new Error('This is no picture.'), { name: 'MediaError' })),
}));

/** A recorder in little: it has heard five bytes when it is stopped. */
class Recorder {
  state = 'inactive';
  mimeType = 'audio/webm';
  ondataavailable: (e: { data: Blob }) => void = () => undefined;
  onstop: () => void = () => undefined;
  start(): void {
    this.state = 'recording';
  }
  stop(): void {
    this.state = 'inactive';
    this.ondataavailable({ data: new Blob(['12345']) });
    this.onstop();
  }
}
const stopTrack = jest.fn();
const allow = (getUserMedia: () => Promise<unknown>): void => {
  Object.defineProperty(navigator, 'mediaDevices', { value: { getUserMedia }, configurable: true });
  Object.assign(window, { MediaRecorder: Recorder });
};
afterEach(() => {
  Reflect.deleteProperty(navigator, 'mediaDevices');
  Reflect.deleteProperty(window, 'MediaRecorder');
});

it('a voice note is kept with its step when it is stopped, and the microphone is let go', async () => {
  allow(() => Promise.resolve({ getTracks: () => [{ stop: stopTrack }] }));
  const sayWith = jest.fn(() => Promise.resolve());
  render(<MediaActs step="pour/pour" log={{ sayWith }} />);
  await userEvent.click(screen.getByRole('button', { name: 'Voice note' }));
  await userEvent.click(await screen.findByRole('button', { name: /^Stop/ }));
  expect(await screen.findByRole('button', { name: 'Voice note' })).toBeInTheDocument();
  expect(stopTrack).toHaveBeenCalledTimes(1);
  await screen.findByRole('button', { name: 'Voice note' });
  expect(sayWith).toHaveBeenCalledWith(expect.objectContaining({ name: 'of 5 bytes.webm' }), {
    kind: 'spoken',
    target: 'pour/pour',
    potId: '',
  });
});

it('says why where the microphone is refused, or a file is no picture; nothing is logged', async () => {
  allow(() => Promise.reject(new Error('denied')));
  const sayWith = jest.fn(() => Promise.resolve());
  render(<MediaActs potId="blue" log={{ sayWith }} />);
  await userEvent.click(screen.getByRole('button', { name: 'Voice note' }));
  expect(await screen.findByRole('alert')).toHaveTextContent('The microphone cannot be used');
  await userEvent.upload(screen.getByLabelText('Photo'), new File(['x'], 'x.jpg', { type: 'image/jpeg' }));
  expect(await screen.findByText('This is no picture.')).toBeInTheDocument();
  expect(sayWith).not.toHaveBeenCalled();
});

it('offers no voice note where the browser cannot record', () => {
  render(<MediaActs log={{ sayWith: jest.fn() }} />);
  expect(screen.queryByRole('button', { name: 'Voice note' })).toBeNull();
  expect(screen.getByLabelText('Photo')).toBeInTheDocument();
});
