import * as fc from 'fast-check';

interface Schema {
  readonly $ref?: string;
  readonly allOf?: readonly Schema[];
  readonly type?: string;
  readonly enum?: readonly unknown[];
  readonly nullable?: boolean;
  readonly properties?: Readonly<Record<string, Schema>>;
  readonly required?: readonly string[];
  readonly items?: Schema;
  readonly minimum?: number;
  readonly maximum?: number;
  readonly minLength?: number;
  readonly maxLength?: number;
  readonly minItems?: number;
  readonly maxItems?: number;
  readonly pattern?: string;
  readonly example?: unknown;
}

/** The part of an OpenAPI document that requests are made from. */
export interface OpenApi {
  readonly paths: Readonly<
    Record<
      string,
      Readonly<
        Record<
          string,
          {
            readonly requestBody?: {
              readonly content: Readonly<Record<string, { readonly schema: Schema }>>;
            };
          }
        >
      >
    >
  >;
  readonly components: { readonly schemas: Readonly<Record<string, Schema>> };
}

export interface Operation {
  readonly method: string;
  readonly path: string;
  /** Bodies as text: right ones, nearly right ones, and nonsense. */
  readonly body: fc.Arbitrary<string>;
}

/** Every operation of a document that takes a body. */
export function operationsOf(document: OpenApi): Operation[] {
  return Object.entries(document.paths).flatMap(([path, methods]) =>
    Object.entries(methods).flatMap(([method, { requestBody }]) => {
      const schema = requestBody?.content['application/json']?.schema;
      if (!schema) return [];
      const right = valueOf(schema, document);
      const nearly = fc.tuple(right, fc.nat(), JUNK).map(([value, at, junk]) => replaced(value, at, junk));
      const text = fc.oneof(
        { weight: 3, arbitrary: right.map((v) => JSON.stringify(v)) },
        { weight: 5, arbitrary: nearly.map((v) => JSON.stringify(v)) },
        { weight: 1, arbitrary: JUNK.map((v) => JSON.stringify(v)) },
        { weight: 1, arbitrary: NONSENSE },
      );
      return [{ method: method.toUpperCase(), path, body: text }];
    }),
  );
}

/** What does not belong: other types, numbers at and beyond their limits, deep and wide values, names of the language. */
const JUNK: fc.Arbitrary<unknown> = fc.oneof(
  fc.constantFrom<unknown>(
    null,
    true,
    '',
    ' 5 ',
    '0x5',
    '1e3',
    'NaN',
    -1,
    0,
    1e308,
    -1e308,
    5e-324,
    Number.MAX_SAFE_INTEGER + 1,
    [],
    [[]],
    [null],
    {},
    { length: 1e9 },
    { constructor: { prototype: { polluted: true } } },
    JSON.parse('{"__proto__":{"polluted":true},"toString":1,"hasOwnProperty":null}'),
    '\u0000',
    '\ud800',
    '<img src=x onerror=alert(1)>',
    "'; DROP TABLE batch; --",
  ),
  fc.string({ maxLength: 300 }),
  fc.double(),
  fc.integer({ min: 1, max: 400 }).map((depth) => nested(depth)),
  fc.integer({ min: 1, max: 60_000 }).map((length) => Array.from({ length }, () => ({}))),
  fc.integer({ min: 1, max: 300_000 }).map((length) => 'x'.repeat(length)),
);

/** Texts that are no JSON, or hardly. */
const NONSENSE = fc.oneof(
  fc.string({ maxLength: 200 }),
  fc.constantFrom('', '{', '[1,', '{"a":1,}', 'null', '"', '{"a":1}{"b":2}', '\ufeff{}'),
  fc.integer({ min: 1, max: 100_000 }).map((n) => '['.repeat(n)),
  fc.integer({ min: 1, max: 1000 }).map((n) => `{"n":${'9'.repeat(n)}}`),
);

const nested = (depth: number): unknown => {
  let value: unknown = 1;
  for (let i = 0; i < depth; i++) value = i % 2 === 0 ? [value] : { a: value };
  return value;
};

/** The value with one of its parts, counted from the outside in, in another's place. */
function replaced(value: unknown, at: number, junk: unknown): unknown {
  const parts: (readonly [object, string])[] = [];
  const walk = (v: unknown): void => {
    if (v === null || typeof v !== 'object') return;
    for (const key of Object.keys(v)) {
      parts.push([v, key]);
      walk((v as Record<string, unknown>)[key]);
    }
  };
  const copy = structuredClone(value);
  walk(copy);
  if (parts.length === 0) return junk;
  const [owner, key] = parts[at % parts.length]!;
  if (at % 7 === 0 && !Array.isArray(owner)) Reflect.deleteProperty(owner, key);
  else (owner as Record<string, unknown>)[key] = junk;
  return copy;
}

/** Values that a schema allows, lists short. */
function valueOf(schema: Schema, document: OpenApi): fc.Arbitrary<unknown> {
  const { $ref, allOf, nullable } = schema;
  const [only] = allOf ?? [];
  const reference = $ref ?? only?.$ref;
  if (reference !== undefined) {
    const target = document.components.schemas[reference.split('/').at(-1)!]!;
    return withNull(valueOf(target, document), nullable);
  }
  return withNull(plainValue(schema, document), nullable);
}

const withNull = (value: fc.Arbitrary<unknown>, nullable = false): fc.Arbitrary<unknown> =>
  nullable ? fc.option(value, { nil: null, freq: 2 }) : value;

function plainValue(schema: Schema, document: OpenApi): fc.Arbitrary<unknown> {
  const { type, minimum = -1e6, maximum = 1e6, minLength = 0, maxLength = 40, minItems = 0 } = schema;
  if (schema.enum && type !== 'array') return fc.constantFrom(...schema.enum);
  switch (type) {
    case 'object': {
      const fields = Object.entries(schema.properties ?? {}).map(
        ([key, s]) => [key, valueOf(s, document)] as const,
      );
      return fc.record(Object.fromEntries(fields), { requiredKeys: [...(schema.required ?? [])] });
    }
    case 'array':
      return fc.array(valueOf(schema.items ?? {}, document), {
        minLength: minItems,
        maxLength: Math.min(Math.max(minItems, 3), schema.maxItems ?? 3),
      });
    case 'number':
      return fc.oneof(
        fc.constantFrom(minimum, maximum),
        fc.double({ min: minimum, max: maximum, noNaN: true, noDefaultInfinity: true }),
      );
    case 'integer':
      return fc.integer({ min: minimum, max: Math.min(maximum, 2 ** 31 - 1) });
    case 'boolean':
      return fc.boolean();
    default:
      if (schema.example !== undefined) return fc.constant(schema.example);
      if (schema.pattern !== undefined) return fc.stringMatching(new RegExp(schema.pattern));
      return fc.string({ minLength, maxLength: Math.min(maxLength, Math.max(minLength, 40)) });
  }
}
