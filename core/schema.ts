/**
 * How the shape of a file is said: a schema (TypeBox) stands beside every part of the project file, its type is inferred
 * from it, and the JSON Schema, the checker and the page on files are generated from it. The application imports the types
 * alone.
 */
import {
  Type,
  type SchemaOptions,
  type Static,
  type TArray,
  type TInteger,
  type TNumber,
  type TObject,
  type TProperties,
  type TSchema,
  type TString,
  type TUnsafe,
} from '@sinclair/typebox';

/** A value that nobody changes. */
type Frozen<T> = T extends readonly (infer U)[]
  ? readonly Frozen<U>[]
  : T extends object
    ? { readonly [K in keyof T]: Frozen<T[K]> }
    : T;

/** The type that a schema describes. */
export type Of<S extends TSchema> = Frozen<Static<S>>;

/** Entries that must all be there, and no others. */
export const record = <P extends TProperties>(properties: P): TObject<P> =>
  Type.Object(properties, { additionalProperties: false });

/** One of several values. */
export const oneOf = <const V extends string | number | null>(...values: readonly V[]): TUnsafe<V> =>
  Type.Unsafe<V>({ enum: [...values] });

export const whole = (minimum: number, maximum: number): TInteger => Type.Integer({ minimum, maximum });

export const between = (minimum: number, maximum: number): TNumber => Type.Number({ minimum, maximum });

export const above = (exclusiveMinimum: number, maximum: number): TNumber =>
  Type.Number({ exclusiveMinimum, maximum });

export const text = (maxLength: number, minLength = 1): TString =>
  Type.String(minLength > 0 ? { minLength, maxLength } : { maxLength });

export const list = <S extends TSchema>(items: S, maxItems: number, minItems = 0): TArray<S> =>
  Type.Array(items, minItems > 0 ? { minItems, maxItems } : { maxItems });

/** A value, or null where nothing was said. */
export const orNull = <S extends TSchema>(schema: S): TUnsafe<Static<S> | null> =>
  Type.Unsafe<Static<S> | null>({
    ...(schema as SchemaOptions),
    ...(schema.$id !== undefined && { $id: `${schema.$id}OrNull` }),
    type: [schema.type as string, 'null'],
  });

/** One of several records that are told apart by an entry of theirs. */
const by =
  (key: string) =>
  <S extends readonly TObject[]>(...kinds: S): TUnsafe<Static<S[number]>> =>
    Type.Unsafe<Static<S[number]>>({
      type: 'object',
      required: [key],
      discriminator: { propertyName: key },
      properties: { [key]: { type: 'string' } },
      oneOf: kinds,
    });

export const byKind = by('kind');
/** Of events: told apart by what was done. */
export const byDid = by('did');

/** Values by a whole number from 0, written out as JSON has it. */
export const byNumber = <S extends TSchema>(items: S): TUnsafe<Record<string, Static<S>>> =>
  Type.Unsafe<Record<string, Static<S>>>({
    type: 'object',
    propertyNames: { type: 'string', pattern: '^[0-9]+$' },
    additionalProperties: items,
  });

/** Values by a short name. */
export const byName = <S extends TSchema>(items: S): TUnsafe<Record<string, Static<S>>> =>
  Type.Unsafe<Record<string, Static<S>>>({
    type: 'object',
    propertyNames: { type: 'string', minLength: 1, maxLength: 12 },
    maxProperties: 64,
    additionalProperties: items,
  });

/** With a line of its own on the page on files. */
export const said = <S extends TSchema>(description: string, schema: S): S => ({ ...schema, description });

/** Told once in the JSON Schema, by a name, however often it is used. */
export const named = <S extends TSchema>(name: string, schema: S): S => ({ ...schema, $id: name });

export const id = named('id', text(64));
export const colour = named('colour', Type.String({ pattern: '^#[0-9a-fA-F]{6}$' }));
/** 0 to 20 m. */
export const lengthCm = named('lengthCm', above(0, 2000));
/** Stitches of a side. */
export const stitches = named('count', whole(1, 20_000));
