import { useMemo } from 'react'

/**
 * Plain data as one text. Tens of thousands of numbers of a drawing go from a page to its client code several times
 * faster as a text than each by itself.
 */
export type Packed<Value> = string & { readonly __packed?: Value }

// A server shows the same pictures again and again: packed once, and not unpacked for its own drawing.
const texts = new WeakMap<object, string>()
const values = new Map<string, unknown>()
const MOST_VALUES = 40

function remember(text: string, value: unknown): void {
  values.delete(text)
  values.set(text, value)
  const [oldest] = values.keys()
  if (values.size > MOST_VALUES && oldest !== undefined) values.delete(oldest)
}

export function pack<Value extends object>(value: Value): Packed<Value> {
  const text = texts.get(value) ?? JSON.stringify(value)
  texts.set(value, text)
  remember(text, value)
  return text
}

/** What was packed, or nothing; to be read, not changed. */
export function useUnpacked<Value>(packed: Packed<Value>): Value
export function useUnpacked<Value>(packed: Packed<Value> | null): Value | null
export function useUnpacked<Value>(packed: Packed<Value> | null): Value | null {
  return useMemo(
    // Only `pack` makes this type.
    () => (packed === null ? null : ((values.get(packed) ?? JSON.parse(packed)) as Value)),
    [packed],
  )
}
