/** A value from outside, never regenerated from our own output. */
export interface Reference<Input, Value> {
  readonly what: string
  readonly source: string
  readonly locator: string
  readonly conditions: string
  readonly tolerance: number
  readonly input: Input
  readonly value: Value
}
