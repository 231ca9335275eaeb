import { BAND_COUNT } from '@kleur/core/colour';
import { ApiProperty } from '@nestjs/swagger';
import { Transform, Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsNumber,
  IsObject,
  IsOptional,
  IsString,
  Matches,
  Max,
  MaxLength,
  Min,
  MinLength,
  ValidateIf,
  ValidateNested,
} from 'class-validator';

import { noteField, type Shape } from './shape.dto.ts';

const STRING: Shape = { kind: 'plain', of: 'string' };
const NUMBER: Shape = { kind: 'plain', of: 'number' };

/** One decorator a field: the check and its line in the OpenAPI document, which so cannot disagree. */
interface Common {
  readonly nullable?: boolean;
  readonly optional?: boolean;
  readonly description?: string;
}

type Constructor = new () => object;

/** Swagger takes a function for a late reference only under the name "type". */
const lazy = (reference: () => Constructor): (() => Constructor) => {
  const type = (): Constructor => reference();
  return type;
};

function all(common: Common, shape: Shape, api: object, ...checks: PropertyDecorator[]): PropertyDecorator {
  const { nullable = false, optional = false, description } = common;
  return (target, key) => {
    noteField(target, String(key), { shape, isNeeded: !optional });
    ApiProperty({ ...api, nullable, required: !optional, description })(target, key);
    if (nullable) ValidateIf((_, value) => value !== null)(target, key);
    if (optional) IsOptional()(target, key);
    for (const check of checks) check(target, key);
  };
}

// Line breaks and tabs are text; the other control characters are not.
// oxlint-disable-next-line no-control-regex
const PRINTABLE = /^[^\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f]*$/;

export const Text = (
  max: number,
  { min = 0, ...common }: Common & { readonly min?: number } = {},
): PropertyDecorator =>
  all(
    common,
    STRING,
    { type: String, minLength: min, maxLength: max },
    IsString(),
    MinLength(min, { message: min === 1 ? '$property may not be empty' : undefined }),
    MaxLength(max),
    Matches(PRINTABLE, { message: '$property holds control characters' }),
  );

export const Pattern = (pattern: RegExp, example: string, common: Common = {}): PropertyDecorator =>
  all(
    common,
    STRING,
    { type: String, pattern: pattern.source, example },
    IsString(),
    Matches(pattern, { message: `$property is written like ${example}` }),
  );

export const Num = (min: number, max: number, common: Common = {}): PropertyDecorator =>
  all(
    common,
    NUMBER,
    { type: Number, minimum: min, maximum: max },
    IsNumber({ allowNaN: false, allowInfinity: false }),
    Min(min),
    Max(max),
  );

export const Int = (min: number, max: number, common: Common = {}): PropertyDecorator =>
  all(common, NUMBER, { type: 'integer', minimum: min, maximum: max }, IsInt(), Min(min), Max(max));

/** A whole number in an address, where everything is text: digits alone. */
export const QueryInt = (min: number, max: number, common: Common = {}): PropertyDecorator =>
  all(
    common,
    { kind: 'query' },
    { type: 'integer', minimum: min, maximum: max },
    Transform(({ value }: { value: unknown }) =>
      typeof value === 'string' && /^\d{1,15}$/.test(value) ? Number(value) : value,
    ),
    IsInt(),
    Min(min),
    Max(max),
  );

export const Flag = (common: Common = {}): PropertyDecorator =>
  all(common, { kind: 'plain', of: 'boolean' }, { type: Boolean }, IsBoolean());

export const Flags = (most: number, common: Common = {}): PropertyDecorator =>
  all(
    common,
    { kind: 'list', most },
    { type: [Boolean], minItems: 1, maxItems: most },
    IsArray(),
    ArrayMinSize(1),
    ArrayMaxSize(most),
    IsBoolean({ each: true }),
  );

export const OneOf = (values: readonly (string | number)[], common: Common = {}): PropertyDecorator =>
  all(
    common,
    { kind: 'plain', of: null },
    { enum: [...values] },
    IsIn([...values], { message: `$property is one of ${values.join(', ')}` }),
  );

export const SomeOf = (values: readonly string[], common: Common = {}): PropertyDecorator =>
  all(
    common,
    { kind: 'list', most: values.length },
    { enum: [...values], isArray: true },
    IsArray(),
    ArrayMaxSize(values.length),
    IsIn([...values], { each: true, message: `each of $property is one of ${values.join(', ')}` }),
  );

export const One = (type: () => Constructor, common: Common = {}): PropertyDecorator =>
  all(common, { kind: 'one', type }, { type: lazy(type) }, IsObject(), ValidateNested(), Type(type));

export const Many = (
  type: () => Constructor,
  max: number,
  { min = 0, ...common }: Common & { readonly min?: number } = {},
): PropertyDecorator =>
  all(
    common,
    { kind: 'many', type, most: max },
    { type: lazy(type), isArray: true, minItems: min, maxItems: max },
    IsArray(),
    ArrayMinSize(min),
    ArrayMaxSize(max),
    // An array in the place of an object would pass as one without fields.
    IsObject({ each: true, message: 'each of $property is an object' }),
    ValidateNested({ each: true }),
    Type(type),
  );

/** The version of a document that an update grew from. */
export const Version = (): PropertyDecorator => Int(1, Number.MAX_SAFE_INTEGER);

/** Moments, ISO 8601 in UTC. */
export const Moment = (): PropertyDecorator => Text(30, { description: 'ISO 8601, UTC' });

/** Some short texts. */
export const Texts = (most: number, max: number, common: Common = {}): PropertyDecorator =>
  all(
    common,
    { kind: 'list', most },
    { type: [String], maxItems: most },
    IsArray(),
    ArrayMaxSize(most),
    IsString({ each: true }),
    MaxLength(max, { each: true }),
  );

/** Exactly `count` numbers between min and max. */
export const Numbers = (count: number, min: number, max: number, common: Common = {}): PropertyDecorator =>
  all(
    common,
    { kind: 'list', most: count },
    { type: [Number], minItems: count, maxItems: count },
    IsArray(),
    ArrayMinSize(count),
    ArrayMaxSize(count),
    IsNumber({ allowNaN: false, allowInfinity: false }, { each: true }),
    Min(min, { each: true }),
    Max(max, { each: true }),
  );

/** At most so many numbers between min and max. */
export const NumberList = (most: number, min: number, max: number, common: Common = {}): PropertyDecorator =>
  all(
    common,
    { kind: 'list', most },
    { type: [Number], maxItems: most },
    IsArray(),
    ArrayMaxSize(most),
    IsNumber({ allowNaN: false, allowInfinity: false }, { each: true }),
    Min(min, { each: true }),
    Max(max, { each: true }),
  );

/** A spectrum: 36 numbers between 0 and max. */
export const Bands = (max: number, common: Common = {}): PropertyDecorator =>
  Numbers(BAND_COUNT, 0, max, common);
