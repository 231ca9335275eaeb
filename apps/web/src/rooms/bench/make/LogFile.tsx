import { useEffect, useState } from 'react';
import { routes } from '@kleur/contract';
import { type LogEntry } from '@kleur/core/day';
import { outboxOfDevice } from '../../../data/benchLogs.ts';
import styles from './make.module.css';

/** The photo or voice note of an entry: from this device while it waits, else from the server. */
export function LogFile(props: {
  readonly batchId: string;
  readonly entry: LogEntry;
  readonly waits: boolean;
  readonly label: string;
}) {
  const { batchId, entry, waits, label } = props;
  const [own, setOwn] = useState<string | null>(null);
  useEffect(() => {
    if (!waits) return;
    let url: string | null = null;
    let left = false;
    void outboxOfDevice()
      .then((outbox) => outbox.file(entry.text))
      .then((file) => {
        if (!file || left) return;
        url = URL.createObjectURL(new Blob([file.bytes], { type: file.type }));
        setOwn(url);
      });
    return () => {
      left = true;
      setOwn(null);
      if (url !== null) URL.revokeObjectURL(url);
    };
  }, [waits, entry.text]);
  const source = own ?? (waits ? null : routes.file(batchId, entry.text));
  if (source === null) return null;
  return entry.kind === 'pictured' ? (
    <a href={source} target="_blank" rel="noreferrer">
      <img className={styles.photo} src={source} alt={label} loading="lazy" />
    </a>
  ) : (
    <audio className={styles.clip} src={source} controls aria-label={label} preload="none" />
  );
}
