import type { z } from 'zod'

/** Messages by field path (`lines.0.size`); the first for each field. */
export type FieldErrors = Readonly<Record<string, string>>

export type Parsed<Value> =
  { readonly ok: true; readonly value: Value } | { readonly ok: false; readonly fields: FieldErrors }

/** What a failed parse says, by field. */
export function fieldErrors(error: z.ZodError): FieldErrors {
  const fields: Record<string, string> = {}
  for (const { path, message } of error.issues) fields[path.join('.')] ??= message
  return fields
}

/** Parses untrusted input; failures by field. */
export function parseFields<Schema extends z.ZodType>(
  schema: Schema,
  input: unknown,
): Parsed<z.output<Schema>> {
  const parsed = schema.safeParse(input)
  return parsed.success ? { ok: true, value: parsed.data } : { ok: false, fields: fieldErrors(parsed.error) }
}
