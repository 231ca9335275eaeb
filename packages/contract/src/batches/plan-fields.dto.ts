import { Num, Text } from '../fields.dto.ts';

/** Longest id of a row of a plan. */
export const ID_LENGTH = 80;

interface Span {
  readonly min: number;
  readonly max: number;
}

/** An id of a row of a plan. */
export const Id = (): PropertyDecorator => Text(ID_LENGTH, { min: 1 });

/** A number within stated limits. */
export const Within = ({ min, max }: Span, description?: string): PropertyDecorator =>
  Num(min, max, { description });
