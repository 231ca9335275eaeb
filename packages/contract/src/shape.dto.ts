import { type ProblemField } from './problems.ts';

type Constructor = new () => object;

/** What a field holds, so far as it says how much work a body is. */
export type Shape =
  | { readonly kind: 'one'; readonly type: () => Constructor }
  | { readonly kind: 'many'; readonly type: () => Constructor; readonly most: number }
  | { readonly kind: 'list'; readonly most: number }
  /** `of` as `typeof` tells it; null for several. */
  | { readonly kind: 'plain'; readonly of: string | null }
  /** Text in an address that becomes something else. */
  | { readonly kind: 'query' };

interface Field {
  readonly shape: Shape;
  readonly isNeeded: boolean;
}

const FIELDS = new WeakMap<object, Map<string, Field>>();

/** Notes a field of a DTO class. */
export function noteField(prototype: object, key: string, field: Field): void {
  const fields = FIELDS.get(prototype) ?? new Map<string, Field>();
  FIELDS.set(prototype, fields.set(key, field));
}

/** The fields of a class, inherited ones too. */
function fieldsOf(type: Constructor): ReadonlyMap<string, Field> {
  let all = ALL.get(type);
  if (!all) {
    all = new Map();
    for (
      let at: object | null = type.prototype as object;
      at;
      at = Object.getPrototypeOf(at) as object | null
    )
      for (const [key, field] of FIELDS.get(at) ?? []) if (!all.has(key)) all.set(key, field);
    ALL.set(type, all);
  }
  return all;
}
const ALL = new WeakMap<Constructor, Map<string, Field>>();

/** Whether bodies of a class can be taken in by `dtoFrom`: its fields are noted, and none is text out of an address. */
export const isBodyDto = (type: unknown): type is Constructor =>
  typeof type === 'function' &&
  fieldsOf(type as Constructor).size > 0 &&
  ![...fieldsOf(type as Constructor).values()].some((f) => f.shape.kind === 'query');

/** Most faults that are looked for: what has more is no near miss. */
export const MOST_FAULTS = 50;

/**
 * Makes the DTO of a parsed body. Bodies that are built wrongly are refused here, before each of their parts is checked
 * and answered for: lists where objects belong or the other way round, lists that are too long, or more faults than
 * anybody would mend.
 * @param refuse throws, with the faults.
 */
export function dtoFrom<T extends object>(
  type: new () => T,
  body: unknown,
  refuse: (faults: readonly ProblemField[]) => never,
): T {
  const faults: ProblemField[] = [];
  /** Notes what the checks of the field will tell better, unless there is too much of it. */
  const minor = (path: string, message: string): void => {
    faults.push({ path, message });
    if (faults.length >= MOST_FAULTS) refuse(faults);
  };
  const wrong = (path: string, message: string): never => refuse([{ path, message }]);

  const object = (of: Constructor, value: unknown, path: string): object => {
    const key = path.split('.').at(-1)!;
    if (!isObject(value)) return wrong(path, `${key || 'the request'} must be an object`);
    const made = new of() as Record<string, unknown>;
    const fields = fieldsOf(of);
    for (const name of Object.keys(value)) {
      const at = path === '' ? name : `${path}.${name}`;
      // Names that would make the object another one than its class.
      if (name === '__proto__' || name === 'constructor') wrong(at, `property ${name} should not exist`);
      const field = fields.get(name);
      if (!field) minor(at, `property ${name} should not exist`);
      made[name] = field ? part(field.shape, value[name], at, name) : value[name];
    }
    for (const [name, { isNeeded }] of fields)
      if (isNeeded && value[name] === undefined)
        minor(path === '' ? name : `${path}.${name}`, `${name} is missing`);
    return made;
  };

  const part = (shape: Shape, value: unknown, path: string, key: string): unknown => {
    // Whether it may be missing or null is the field's own check.
    if (value === undefined || value === null) return value;
    switch (shape.kind) {
      case 'one':
        return object(shape.type(), value, path);
      case 'many':
        return list(value, shape.most, path, key).map((v, i) => object(shape.type(), v, `${path}.${i}`));
      case 'list':
        return list(value, shape.most, path, key);
      default:
        if (shape.kind === 'plain' && shape.of !== null && typeof value !== shape.of)
          minor(path, `${key} must be a ${shape.of}`);
        return value;
    }
  };

  const list = (value: unknown, most: number, path: string, key: string): readonly unknown[] => {
    if (!Array.isArray(value)) return wrong(path, `${key} must be an array`);
    if (value.length > most) return wrong(path, `${key} must contain no more than ${most} elements`);
    return value as unknown[];
  };

  return object(type, body, '') as T;
}

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
