import type { z } from 'zod'

/** Reads fields one by one and says what is wrong at each. */
export class Complaints {
  readonly #context: Pick<z.RefinementCtx, 'addIssue'>
  #any = false

  constructor(context: Pick<z.RefinementCtx, 'addIssue'>) {
    this.#context = context
  }

  get any(): boolean {
    return this.#any
  }

  say(path: readonly (string | number)[], message: string): void {
    this.#any = true
    this.#context.addIssue({ code: 'custom', path: [...path], message })
  }

  read<Output>(
    path: readonly (string | number)[],
    schema: z.ZodType<Output>,
    input: unknown,
  ): Output | undefined {
    const parsed = schema.safeParse(input)
    if (parsed.success) return parsed.data
    this.say(path, parsed.error.issues[0]?.message ?? 'Check this.')
    return undefined
  }
}
