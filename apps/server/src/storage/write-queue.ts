import { Injectable } from '@nestjs/common';
import { DataSource, type EntityManager } from 'typeorm';

/**
 * All writes, one after another, each in a transaction of its own. The SQLite driver shares one connection:
 * without the queue an await inside one transaction would let another request's writes slip into it.
 */
@Injectable()
export class WriteQueue {
  private last: Promise<unknown> = Promise.resolve();

  constructor(private readonly source: DataSource) {}

  run<T>(write: (manager: EntityManager) => Promise<T>): Promise<T> {
    const next = this.last.then(() => this.source.transaction(write));
    this.last = next.catch(() => undefined);
    return next;
  }
}
