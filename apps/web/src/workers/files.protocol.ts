import { type BarRole, type BarTableReading, type FileBar } from '@kleur/core/formats';

/** A table of bars as it lies in a file. */
export interface OpenedTable {
  readonly kind: 'cgats' | 'csv';
  readonly columns: readonly {
    readonly name: string;
    /** Some of its cells that are not empty. */
    readonly cells: readonly string[];
  }[];
  /** What each column may be. */
  readonly roles: readonly BarRole[];
  readonly white: 'D50' | 'D65';
  readonly rows: number;
}

export interface ReadBars {
  readonly bars: readonly FileBar[];
  /** What was assumed, in sentences. */
  readonly notes: readonly string[];
}

export interface FileFailure {
  readonly failure: string;
}

/** Reads files of measured bars. It holds one table at a time. */
export interface FilesWorker {
  open(file: Blob): Promise<OpenedTable | FileFailure>;
  read(reading: BarTableReading): ReadBars | FileFailure;
}
