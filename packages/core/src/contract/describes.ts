import type * as v from 'valibot';

/** A type with everything in it that may be absent: two that are alike so far name the same fields. */
type Whole<T> = T extends string | number | boolean | null | undefined
  ? T
  : { -readonly [Field in keyof T]-?: Whole<T[Field]> };

type Alike<T, Parsed> = [Whole<T>] extends [Whole<Parsed>]
  ? [Whole<Parsed>] extends [Whole<T>]
    ? unknown
    : { readonly schemaLetsThroughWhatTheTypeDoesNotHave: Parsed }
  : { readonly schemaLacksSomethingOf: T };

/**
 * Ties a schema to the type it parses, both ways: a field or a kind that one has and the other lacks does not compile.
 * A schema that only fits its type would drop in silence what was added to the type later, and a teacher would lose it
 * on saving.
 */
export function describes<T>() {
  return <S extends v.GenericSchema>(schema: S & Alike<T, v.InferOutput<S>>) =>
    schema as unknown as v.GenericSchema<unknown, T>;
}
