import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { z } from 'zod'
import { defaultGauges, LIBRARY, shownSheetMm, type DesignSource } from '@/core/design'
import { BASES, FOLD_ENGINE_VERSION } from '@/core/fold'
import { contentHash } from './content-hash'
import { measuredDesign, drawnBase, drawnDesign } from './figures'
import type { FlowContext } from './flow-context'

/** Where a build leaves the figures of the library: beside what it was built into. */
export const shippedFiguresPath = (root: string): string => join(root, '.next', 'library-figures.json')

const file = z.object({ engine: z.literal(FOLD_ENGINE_VERSION), figures: z.record(z.string(), z.string()) })

/** Figures that came with the build, as text by name; none where there is no build, or it is of another engine. */
export function readShippedFigures(path: string): ReadonlyMap<string, string> {
  if (!existsSync(path)) return new Map()
  const parsed = file.safeParse(JSON.parse(readFileSync(path, 'utf8')))
  return new Map(parsed.success ? Object.entries(parsed.data.figures) : [])
}

/** What a design's pages ask for first: its sizes, and the pictures of every variant as it is shown. */
async function figuresOf(
  context: FlowContext,
  design: DesignSource,
  pause: () => Promise<void>,
): Promise<void> {
  const { hash } = contentHash(design)
  await measuredDesign(context, hash, design)
  for (const { key } of design.variants) {
    await pause()
    await drawnDesign(context, hash, design, {
      variantKey: key,
      sheetMm: shownSheetMm(design),
      gauges: defaultGauges(design),
    })
  }
}

/**
 * Works out the figures and pictures of all that ships, those that are not known yet; `pause` is awaited between two,
 * so that requests are answered meanwhile.
 */
export async function makeLibraryFigures(
  context: FlowContext,
  pause: () => Promise<void>,
  designs: readonly DesignSource[] = LIBRARY,
): Promise<void> {
  for (const design of designs) await figuresOf(context, design, pause)
  for (const base of BASES) {
    await pause()
    await drawnBase(context, base)
  }
}
