import { Button } from 'antd';
import { useEffect, useRef, useState } from 'react';
// Loaded with the first photo.
import type * as media from '../../../data/media.ts';
import type { WaitingFile } from '../../../data/outbox.ts';
import { CameraOutlined } from '../../../shared/ui/icons.tsx';
import { FileButton } from '../../../shared/ui/FileButton.tsx';
import styles from './make.module.css';
import type { BenchLogOfBatch } from './useBenchLog.ts';

/** Longest voice note, s. */
const LONGEST = 60;

/** A photo and a voice note, of a step or of a pot. */
export function MediaActs(props: {
  /** The step, or empty. */
  readonly step?: string;
  readonly potId?: string;
  readonly log: Pick<BenchLogOfBatch, 'sayWith'>;
}) {
  const { step = '', potId = '', log } = props;
  const [problem, setProblem] = useState('');
  const [busy, setBusy] = useState(false);
  const keep = async (
    kind: 'pictured' | 'spoken',
    make: (m: typeof media) => Promise<WaitingFile>,
  ): Promise<void> => {
    setBusy(true);
    setProblem('');
    try {
      await log.sayWith(await make(await import('../../../data/media.ts')), { kind, target: step, potId });
    } catch (error) {
      setProblem(
        error instanceof Error && error.name === 'MediaError'
          ? error.message
          : 'This device has no room for it, or keeps no files.',
      );
    } finally {
      setBusy(false);
    }
  };
  return (
    <div className={styles.taps}>
      <FileButton
        label="Photo"
        icon={<CameraOutlined />}
        text="Photo"
        accept="image/jpeg,image/png,image/webp"
        capture="environment"
        onFile={(file) => void keep('pictured', (m) => m.pictureFile(file))}
      />
      <VoiceButton onClip={(clip) => void keep('spoken', (m) => m.named(clip))} onProblem={setProblem} />
      {busy && <span role="status">Keeping it…</span>}
      {problem !== '' && <span role="alert">{problem}</span>}
    </div>
  );
}

function VoiceButton(props: {
  readonly onClip: (clip: Blob) => void;
  readonly onProblem: (message: string) => void;
}) {
  const { onClip, onProblem } = props;
  const recorder = useRef<MediaRecorder | null>(null);
  const [recording, setRecording] = useState(false);
  // A step that is left ends its recording, which is kept.
  useEffect(
    () => () => {
      if (recorder.current?.state === 'recording') recorder.current.stop();
    },
    [],
  );
  if (!('mediaDevices' in navigator) || !('MediaRecorder' in window)) return null;
  const start = async (): Promise<void> => {
    try {
      const stream = await navigator.mediaDevices.getUserMedia({ audio: true });
      const made = new MediaRecorder(stream);
      const parts: Blob[] = [];
      const limit = setTimeout(() => {
        made.stop();
      }, LONGEST * 1000);
      made.ondataavailable = (e) => parts.push(e.data);
      made.onstop = () => {
        clearTimeout(limit);
        for (const track of stream.getTracks()) track.stop();
        setRecording(false);
        onClip(new Blob(parts, { type: made.mimeType }));
      };
      made.start();
      recorder.current = made;
      setRecording(true);
    } catch {
      onProblem('The microphone cannot be used: allow it in the browser, or write a note.');
    }
  };
  return (
    <Button
      aria-pressed={recording}
      onClick={() => {
        if (recording) recorder.current?.stop();
        else void start();
      }}
    >
      {recording ? `Stop (up to ${LONGEST} s)` : 'Voice note'}
    </Button>
  );
}
