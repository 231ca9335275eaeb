import { Column } from 'typeorm';

/** What stands in an entity for a document that cannot be read: a row must not hide the others of its table. */
const UNREADABLE = Object.freeze({});

export const isUnreadable = (value: unknown): boolean => value === UNREADABLE;

/** A document as JSON text. */
export const JsonColumn = (): PropertyDecorator =>
  Column('text', {
    transformer: {
      to: (value: unknown) => JSON.stringify(value),
      from: (text: unknown): unknown => {
        try {
          const value: unknown = typeof text === 'string' ? JSON.parse(text) : null;
          return value !== null && typeof value === 'object' ? value : UNREADABLE;
        } catch {
          return UNREADABLE;
        }
      },
    },
  });
