import { existsSync, readFileSync } from 'node:fs'
import { readFile } from 'node:fs/promises'
import { join } from 'node:path'
import { z } from 'zod'
import { FORM_ENGINE_VERSION, VIEWS } from '@/core/shape'
import type { KeptForms } from './kept-forms'

/** Where a build leaves the painted pieces of the library: a folder of pictures, and what each shows. */
export const shippedFormsFolder = (root: string): string => join(root, '.next', 'library-forms')
export const FORMS_FILE = 'forms.json'

const box = z.object({ left: z.number(), right: z.number(), bottom: z.number(), top: z.number() })
const view = z.object({
  file: z.string(),
  width: z.number(),
  height: z.number(),
  frame: box,
  piece: box,
})
const forms = z.object({
  shaped: z.boolean(),
  best: z.enum(VIEWS),
  faceOn: z.enum(VIEWS),
  views: z.partialRecord(z.enum(VIEWS), view),
  shapings: z.array(z.object({ step: z.string(), before: view, after: view })),
})
const file = z.object({ engine: z.literal(FORM_ENGINE_VERSION), forms: z.record(z.string(), forms) })

/** What came with the build, by name; nothing where there is no build, or it is of another engine. */
export function readShippedForms(root: string): ReadonlyMap<string, KeptForms> {
  const path = join(shippedFormsFolder(root), FORMS_FILE)
  if (!existsSync(path)) return new Map()
  const parsed = file.safeParse(JSON.parse(readFileSync(path, 'utf8')))
  return new Map(parsed.success ? Object.entries(parsed.data.forms) : [])
}

/** How often it is looked whether painting has come to its end, ms. */
const LOOK_EVERY_MS = 2000

/** The same while it may still be painted beside: none until all are there, then those. */
export function paintedForms(root: string, nowMs: () => number): () => ReadonlyMap<string, KeptForms> {
  let known = readShippedForms(root)
  let lookedMs = nowMs()
  return () => {
    if (known.size === 0 && nowMs() - lookedMs >= LOOK_EVERY_MS) {
      known = readShippedForms(root)
      lookedMs = nowMs()
    }
    return known
  }
}

const PICTURE_NAME = /^[0-9a-f]{32}\.png$/

/** A painted picture by its name; `null` for what is none. */
export async function readShippedPicture(root: string, name: string): Promise<Buffer | null> {
  if (!PICTURE_NAME.test(name)) return null
  try {
    return await readFile(join(shippedFormsFolder(root), name))
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOENT') return null
    throw error
  }
}
