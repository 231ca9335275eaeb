import { Button, Popconfirm } from 'antd';
import { useState } from 'react';
import { type Copy, type CopyReason } from '@kleur/contract';
import { failureOf } from '../../data/api.ts';
import { useCopiesQuery, useDeleteCopyMutation, useMakeCopyMutation } from '../../data/copies.ts';
import { useDays } from '../../shared/hooks/useDays.ts';
import { usePrinter } from '../../shared/hooks/useSettings.ts';
import { ActsCell, FigureCell, PlainTable } from '../../shared/ui/PlainTable.tsx';
import { CopyDialog } from './CopyDialog.tsx';
import styles from './SettingsRoom.module.css';
import { useNotices } from '../../shared/hooks/useNotices.ts';

const REASONS: Readonly<Record<CopyReason, string>> = {
  'before-migration': 'before a new version',
  'before-reset': 'before the demo',
  'before-restore': 'before a copy was restored',
  daily: 'daily',
  'by-hand': 'by hand',
};

/** Copies of everything in the workspace: made daily, looked into, put back. */
export function CopiesSection() {
  const { data: copies = [], error } = useCopiesQuery();
  const [make, { isLoading }] = useMakeCopyMutation();
  const [remove] = useDeleteCopyMutation();
  const [open, setOpen] = useState<Copy | null>(null);
  const { message } = useNotices();
  const days = useDays();
  const print = usePrinter();
  const run = async (act: Promise<unknown>, done: string): Promise<void> => {
    try {
      await act;
      message.success(done);
    } catch (e) {
      message.error(failureOf(e).message);
    }
  };
  return (
    <section>
      <h2>Copies</h2>
      <p className="soft">
        Copies of the whole workspace, made daily and before anything replaces it. Kept: 7 daily and 4 weekly
        ones, those of the last 30 days, and yours until you delete them.
      </p>
      <div className={styles.acts}>
        <Button loading={isLoading} onClick={() => void run(make().unwrap(), 'A copy is made.')}>
          Make a copy now
        </Button>
      </div>
      {error && <p role="alert">{failureOf(error).message}</p>}
      {copies.length > 0 && (
        <PlainTable
          label="Copies"
          heads={[{ text: 'Made' }, { text: 'Why' }, { text: 'Size', isFigure: true }, { text: '' }]}
        >
          {copies.map((c) => (
            <tr key={c.name}>
              <td>{days.moment(c.at)}</td>
              <td>{REASONS[c.reason]}</td>
              <FigureCell>{print.fixed(c.bytes / 1e6, 1)} MB</FigureCell>
              <ActsCell>
                <Button
                  size="small"
                  aria-label={`Look into the copy of ${days.moment(c.at)}`}
                  onClick={() => {
                    setOpen(c);
                  }}
                >
                  Look inside…
                </Button>
                <Popconfirm
                  title="Delete this copy?"
                  description="It cannot be brought back."
                  okText="Delete copy"
                  onConfirm={() => void run(remove(c.name).unwrap(), 'The copy is deleted.')}
                >
                  <Button size="small" aria-label={`Delete the copy of ${days.moment(c.at)}`}>
                    Delete
                  </Button>
                </Popconfirm>
              </ActsCell>
            </tr>
          ))}
        </PlainTable>
      )}
      {open && (
        <CopyDialog
          copy={open}
          onClose={() => {
            setOpen(null);
          }}
        />
      )}
    </section>
  );
}
