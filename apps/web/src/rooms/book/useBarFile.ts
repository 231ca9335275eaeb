import { useEffect, useRef, useState } from 'react';
import { type BarRole, type BarTableReading } from '@kleur/core/formats';
import { type OpenedTable, type ReadBars } from '../../workers/files.protocol.ts';
import { filesWorker } from '../../workers/client.ts';

export interface BarFile {
  readonly name: string;
  readonly table: OpenedTable | null;
  readonly reading: BarTableReading;
  /** Null while it is read, or cannot be. */
  readonly read: ReadBars | null;
  /** Empty for none. */
  readonly failure: string;
  readonly open: (file: File) => Promise<void>;
  readonly change: (change: Partial<BarTableReading>) => void;
  readonly setRole: (column: number, role: BarRole) => void;
}

const NOTHING: BarTableReading = { roles: [], white: 'D65', perDose: 1 };

/** A file of bars, opened and read in a worker, again with every change of what its columns are. */
export function useBarFile(): BarFile {
  const [name, setName] = useState('');
  const [table, setTable] = useState<OpenedTable | null>(null);
  const [reading, setReading] = useState(NOTHING);
  const [read, setRead] = useState<ReadBars | null>(null);
  const [failure, setFailure] = useState('');
  const asked = useRef(0);

  useEffect(() => {
    if (!table) return;
    const number = ++asked.current;
    void filesWorker()
      .read(reading)
      .then((answer) => {
        // An answer to an older question is dropped.
        if (number !== asked.current) return;
        setFailure('failure' in answer ? answer.failure : '');
        setRead('failure' in answer ? null : answer);
      });
  }, [table, reading]);

  return {
    name,
    table,
    reading,
    read,
    failure,
    open: async (file) => {
      setName(file.name);
      setTable(null);
      setRead(null);
      const opened = await filesWorker().open(file);
      if ('failure' in opened) {
        setFailure(opened.failure);
        return;
      }
      setFailure('');
      setReading({ roles: opened.roles, white: opened.white, perDose: 1 });
      setTable(opened);
    },
    change: (change) => {
      setReading({ ...reading, ...change });
    },
    setRole: (column, role) => {
      setReading({ ...reading, roles: reading.roles.with(column, role) });
    },
  };
}
