import { finishedSizes, variantOf, type DesignDocument } from '@/core/design'
import { CoreError } from '@/core/errors'
import { sheetFor, versionOf, type BriefLine, type SheetFor } from '@/core/plan'
import type { SizeUm } from '@/core/sheet'
import { mmFromUm, type RulerKey } from '@/core/units'
import { readOffered, type PinnedDesign } from './designs'
import { figuresThere } from './figures'
import type { FlowContext } from './flow-context'
import type { LoadedProject } from './project-records'

/** A finished size as it was planned and as the newer version gives it; `null` where one of them has it not. */
export interface SizeChange {
  readonly label: string
  readonly wasMm: number | null
  readonly isMm: number | null
}

/** A newer version of a line's design, or the same one measured by a newer engine, and what it would change. */
export interface NewerDesign {
  readonly lineId: string
  readonly version: PinnedDesign
  readonly words: boolean
  readonly sizes: readonly SizeChange[]
  /** What it was planned with is gone (a backup's figures are not believed): what would change cannot be told. */
  readonly lost: boolean
}

function sizesOf(design: DesignDocument, line: BriefLine): ReadonlyMap<string, number> {
  const [part] = line.parts
  const sheetMm = mmFromUm(part?.sheetUm.widthUm ?? 0)
  try {
    const sizes = finishedSizes(design, variantOf(design, line.variantKey), sheetMm, line.gauges)
    return new Map(sizes.map(({ label, sizeMm }) => [label, sizeMm]))
  } catch (error) {
    // A variant or a gauge that is no more: then it has no sizes to compare.
    if (error instanceof CoreError) return new Map()
    throw error
  }
}

/** Sizes that differ by what a ruler can tell. */
const RULER_MM = 0.05

/** What newer versions of its designs a project could take, line by line. Nothing is taken by itself. */
export async function newerDesigns(
  context: FlowContext,
  { brief, designs }: Pick<LoadedProject, 'brief' | 'designs'>,
): Promise<readonly NewerDesign[]> {
  const offered = await readOffered(context)
  const newer: NewerDesign[] = []
  for (const line of brief.lines) {
    const now = designs.get(versionOf(line))
    const version = offered.find(({ document }) => document.id === now?.id)
    if (!now || !version || (version.hash === line.designHash && version.engine === line.engine)) continue
    const lost = !(await figuresThere(context, { hash: line.designHash, engine: line.engine }))
    newer.push({
      lineId: line.id,
      version,
      words: version.hash !== line.designHash,
      sizes: changes(sizesOf(now, line), sizesOf(version.document, line)),
      lost,
    })
  }
  return newer
}

/** Sizes that a ruler tells apart, by what is measured. */
function changes(was: ReadonlyMap<string, number>, is: ReadonlyMap<string, number>): readonly SizeChange[] {
  return [...new Set([...was.keys(), ...is.keys()])].flatMap((label): SizeChange[] => {
    const [wasMm, isMm] = [was.get(label) ?? null, is.get(label) ?? null]
    return wasMm !== null && isMm !== null && Math.abs(wasMm - isMm) < RULER_MM
      ? []
      : [{ label, wasMm, isMm }]
  })
}

/** A line's sheet by another version of its design, its size asked as before. *Throws* what `sheetFor` throws. */
export const sheetByVersion = (
  line: BriefLine,
  { document }: PinnedDesign,
  world: { readonly ruler: RulerKey; readonly sheets: readonly SizeUm[] },
): SheetFor =>
  sheetFor(
    document,
    {
      variantKey: line.variantKey,
      sizing: line.sizing,
      axis: line.axis ?? '',
      mm: line.askedMm,
      gauges: line.gauges,
    },
    world,
  )
