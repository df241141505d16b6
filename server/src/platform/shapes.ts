/**
 * The words in which the shapes of requests and answers are written down, each once: for who reads the document of the HTTP
 * interface and for what judges a request. A class of such properties `implements` its shape of `core/wire`.
 */
import { applyDecorators } from '@nestjs/common';
import { ApiExtraModels, ApiProperty, getSchemaPath, type ApiResponseNoStatusOptions } from '@nestjs/swagger';
import { faultInSigns } from '@vennet/core/language';
import { plainToInstance, Transform, Type } from 'class-transformer';
import {
  ArrayMaxSize,
  Equals,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsISO8601,
  IsNumber,
  IsObject,
  IsString,
  Length,
  Matches,
  Max,
  Min,
  ValidateBy,
  ValidateIf,
  ValidateNested,
} from 'class-validator';

type Class = new () => object;

interface More {
  description?: string;
  /** It may be left out. */
  optional?: boolean;
  /** It may be `null`. */
  nullable?: boolean;
}

/** How long a list may be, where nothing else is said. */
const LONGEST_LIST = 100_000;

function property(
  { optional, nullable, description }: More,
  schema: object,
  ...judges: PropertyDecorator[]
): PropertyDecorator {
  const isGiven = (_: object, value: unknown) =>
    !(optional && value === undefined) && !(nullable && value === null);
  return applyDecorators(
    ApiProperty({
      ...schema,
      required: !optional,
      ...(nullable ? { nullable } : {}),
      ...(description ? { description } : {}),
    }),
    ...(optional || nullable ? [ValidateIf(isGiven)] : []),
    ...judges,
  );
}

/** Words. `least` and `most` count UTF-16 units; `message` is for the author when they are too few, too many or malformed. */
export function Words({
  least = 0,
  most,
  pattern,
  message,
  ...more
}: More & { least?: number; most?: number; pattern?: RegExp; message?: string } = {}): PropertyDecorator {
  const said = message ? { message } : undefined;
  return property(
    more,
    { type: String, minLength: least || undefined, maxLength: most, pattern },
    IsString(),
    IsWritable(),
    ...(least > 0 || most !== undefined ? [Length(least, most, said)] : []),
    ...(pattern ? [Matches(pattern, said)] : []),
  );
}

/** Words in signs that every file can carry. */
const IsWritable = (): PropertyDecorator =>
  ValidateBy({
    name: 'isWritable',
    validator: {
      validate: (value) => typeof value !== 'string' || faultInSigns(value) === null,
      defaultMessage: (given) => `${given?.property} ${faultInSigns(String(given?.value))}`,
    },
  });

/** A moment, as ISO 8601 in UTC. */
export const Moment = (more: More = {}): PropertyDecorator =>
  property(more, { type: String, format: 'date-time' }, IsISO8601());

export const Flag = (more: More = {}): PropertyDecorator => property(more, { type: Boolean }, IsBoolean());

/** A whole number. */
export function Whole({
  least,
  most,
  ...more
}: More & { least?: number; most?: number } = {}): PropertyDecorator {
  return property(
    more,
    { type: 'integer', minimum: least, maximum: most },
    IsInt(),
    ...(least === undefined ? [] : [Min(least)]),
    ...(most === undefined ? [] : [Max(most)]),
  );
}

/** Any number. */
export const Quantity = ({
  least,
  most,
  ...more
}: More & { least?: number; most?: number } = {}): PropertyDecorator =>
  property(
    more,
    { type: Number, minimum: least, maximum: most },
    IsNumber(),
    ...(least === undefined ? [] : [Min(least)]),
    ...(most === undefined ? [] : [Max(most)]),
  );

/** One of a few words. */
export const Choice = (
  words: readonly string[],
  { message, ...more }: More & { message?: string } = {},
): PropertyDecorator =>
  property(more, { type: String, enum: words }, IsIn(words, message ? { message } : undefined));

/** Always the same word: what tells one shape of a union from another. */
export const Always = (word: string): PropertyDecorator =>
  property({}, { type: String, enum: [word] }, Equals(word));

/** A list of words, or of a few words where `among` names them. */
export function WordList({
  among,
  most = LONGEST_LIST,
  ...more
}: More & { among?: readonly string[]; most?: number } = {}): PropertyDecorator {
  return property(
    more,
    among ? { enum: among, isArray: true } : { type: [String] },
    IsArray(),
    ArrayMaxSize(most),
    among ? IsIn(among, { each: true }) : IsString({ each: true }),
  );
}

/** Another shape inside this one. */
export const Shape = (shape: Class, more: More = {}): PropertyDecorator =>
  property(
    more,
    { type: shape },
    IsObject(),
    ValidateNested(),
    Type(() => shape),
  );

/** A list of another shape. */
export const ShapeList = (
  shape: Class,
  { most = LONGEST_LIST, ...more }: More & { most?: number } = {},
): PropertyDecorator =>
  property(
    more,
    { type: shape, isArray: true },
    IsArray(),
    ArrayMaxSize(most),
    ValidateNested({ each: true }),
    Type(() => shape),
  );

/** An object of which the HTTP interface says no more: it is judged elsewhere, by what `description` names. */
export const Open = (more: More & { description: string }): PropertyDecorator =>
  property(more, { type: 'object', additionalProperties: true }, IsObject());

/** A list of such objects. */
export const OpenList = ({
  most = LONGEST_LIST,
  ...more
}: More & { most?: number; description: string }): PropertyDecorator =>
  property(
    more,
    { type: 'array', items: { type: 'object', additionalProperties: true } },
    IsArray(),
    ArrayMaxSize(most),
    IsObject({ each: true }),
  );

/** Shapes that are told apart by the word in one of their properties. */
export interface Union {
  tells: string;
  shapes: Readonly<Record<string, Class>>;
}

/** How a union is described, where it is no property. */
export const describedUnion = ({ tells, shapes }: Union) => ({
  oneOf: Object.values(shapes).map((shape) => ({ $ref: getSchemaPath(shape) })),
  discriminator: {
    propertyName: tells,
    mapping: Object.fromEntries(Object.entries(shapes).map(([word, shape]) => [word, getSchemaPath(shape)])),
  },
});

/** One shape of a union. What is none of them is refused with the words that tell them apart. */
export function OneOf(union: Union, { list, ...more }: More & { list?: boolean } = {}): PropertyDecorator {
  const { tells, shapes } = union;
  class OfNone {}
  IsIn(Object.keys(shapes))(OfNone.prototype, tells);
  const schema = describedUnion(union);
  const shaped = (value: unknown): unknown =>
    typeof value === 'object' && value !== null && !Array.isArray(value)
      ? plainToInstance(shapes[String((value as Record<string, unknown>)[tells])] ?? OfNone, value)
      : value;
  return (target, name) => {
    ApiExtraModels(...Object.values(shapes))(target.constructor);
    property(
      more,
      list ? { type: 'array', items: schema } : schema,
      ...(list ? [IsArray(), ArrayMaxSize(LONGEST_LIST), IsObject({ each: true })] : [IsObject()]),
      ValidateNested({ each: list }),
      Transform(
        ({ value }: { value: unknown }) => (list && Array.isArray(value) ? value.map(shaped) : shaped(value)),
        {
          toClassOnly: true,
        },
      ),
    )(target, name);
  };
}

/** One of several shapes, told apart by which property it has. */
export function Either(shapes: Readonly<Record<string, Class>>, more: More = {}): PropertyDecorator {
  const classes = Object.values(shapes);
  return (target, name) => {
    ApiExtraModels(...classes)(target.constructor);
    property(
      more,
      { oneOf: classes.map((shape) => ({ $ref: getSchemaPath(shape) })) },
      IsObject(),
      ValidateNested(),
      Type((options) => {
        const given = (options?.object as Record<string | symbol, unknown> | undefined)?.[name];
        const has = Object.keys(shapes).find((own) => typeof given === 'object' && given && own in given);
        return (has ? shapes[has] : classes[0]) ?? Object;
      }),
    )(target, name);
  };
}

/** Pairs of words. Only what is sent has them. */
export const Pairs = (more: More = {}): PropertyDecorator => property(more, PAIRS);

/** How pairs of words are described, where they are no property. */
export const PAIRS = {
  type: 'array',
  items: { type: 'array', items: { type: 'string' }, minItems: 2, maxItems: 2 },
} as const;

/** A number for each of a few words, where there is one. Only what is sent has them. */
export const Counts = (words: readonly string[], more: More = {}): PropertyDecorator =>
  property(more, {
    type: 'object',
    properties: Object.fromEntries(words.map((word) => [word, { type: 'integer' }])),
    additionalProperties: false,
  });

/** How an answer is described that is a file. */
export const FILE_ANSWER = {
  content: { 'application/octet-stream': { schema: { type: 'string', format: 'binary' } } },
} satisfies ApiResponseNoStatusOptions;

/** How an answer is described that is a stream of server-sent events, each with this shape as its data. */
export const eventsOf = (shape: Class): ApiResponseNoStatusOptions => ({
  content: { 'text/event-stream': { schema: { $ref: getSchemaPath(shape) } } },
});
