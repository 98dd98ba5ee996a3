import { z } from 'zod'
import { LONGEST_MM } from '@/core/units'

type Query = Readonly<Record<string, string | string[] | undefined>>

const count = z.coerce.number().int().min(1).max(100_000)
const side = z.coerce.number().positive().max(LONGEST_MM)
const id = z.string().regex(/^[A-Za-z0-9_-]{1,64}$/)

/** What a project is short of, as the link to a paper carries it. Whatever cannot be read is left out. */
export interface ShortQuery {
  readonly projectId: string | null
  readonly sheets: number | null
  readonly size: { readonly widthMm: number; readonly heightMm: number } | null
  /** Whether a project was about to be started. */
  readonly thenProject: boolean
}

export function readShortQuery(query: Query): ShortQuery {
  const read = <Value>(schema: z.ZodType<Value>, key: string): Value | null => {
    const parsed = schema.safeParse(query[key])
    return query[key] !== undefined && parsed.success ? parsed.data : null
  }
  const [widthMm, heightMm] = [read(side, 'widthMm'), read(side, 'heightMm')]
  return {
    projectId: read(id, 'for'),
    sheets: read(count, 'sheets'),
    thenProject: query['then'] === 'project',
    size: widthMm === null || heightMm === null ? null : { widthMm, heightMm },
  }
}
