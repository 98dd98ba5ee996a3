import type { z } from 'zod'

type Same<A, B> = (<T>() => T extends A ? 1 : 2) extends <T>() => T extends B ? 1 : 2 ? true : false

/** Flattens intersections so that two spellings of one type compare as the same. */
type Flat<T> = T extends unknown ? { [Key in keyof T]: T[Key] } : never

/**
 * Ties a schema to a core type: `exact<Core>()(schema)` compiles only where the schema's output has exactly the
 * fields of `Core`. A missing, an extra or a mistyped field is a compile error.
 */
export const exact =
  <Core>() =>
  <Schema extends z.ZodType>(
    schema: Same<Flat<Readonly<z.output<Schema>>>, Flat<Readonly<Core>>> extends true ? Schema : never,
  ): Schema =>
    schema
