import { TEST_BAR_LIMITS } from '@kleur/core/evidence';
import {
  barsOfTable,
  type BarTable,
  decodeText,
  FormatError,
  guessRoles,
  readBarTable,
} from '@kleur/core/formats';
import { expose } from 'comlink';
import { type FileFailure, type FilesWorker } from './files.protocol.ts';

const MOST_BYTES = 4_000_000;
const SHOWN_CELLS = 3;

let table: BarTable | null = null;

const failureOf = (error: unknown): FileFailure => {
  if (error instanceof FormatError) return { failure: error.message };
  throw error;
};

const worker: FilesWorker = {
  open: async (file) => {
    table = null;
    if (file.size > MOST_BYTES)
      return {
        failure: `The file has ${Math.ceil(file.size / 1e6)} MB; at most ${MOST_BYTES / 1e6} MB can be read.`,
      };
    try {
      const read = readBarTable(decodeText(new Uint8Array(await file.arrayBuffer())));
      if (read.rows.length > TEST_BAR_LIMITS.sent)
        return {
          failure: `The file holds ${read.rows.length} bars; at most ${TEST_BAR_LIMITS.sent} can be read at once. Split it.`,
        };
      table = read;
      return {
        kind: read.kind,
        columns: read.columns.map((name, at) => ({
          name,
          cells: read.rows
            .map((r) => r.cells[at]!.trim())
            .filter((c) => c !== '')
            .slice(0, SHOWN_CELLS),
        })),
        roles: guessRoles(read),
        white: read.white,
        rows: read.rows.length,
      };
    } catch (error) {
      return failureOf(error);
    }
  },
  read: (reading) => {
    if (!table) return { failure: 'No file is open.' };
    try {
      return barsOfTable(table, reading);
    } catch (error) {
      return failureOf(error);
    }
  },
};

expose(worker);
