import type { CutLayout } from '@/core/cut'
import type { SizeUm } from '@/core/sheet'
import { findPaper } from '@/data/repositories/papers'
import type { FlowContext } from '../flow-context'
import { findPlanned } from '../project-plan'
import { proofLayout, standInsFor } from '../proof-layout'
import { currentSettings } from '../settings'
import { paperView, type PaperView } from './papers'

/** One piece off one sheet of a paper. */
export interface ProofFrom {
  readonly paper: PaperView
  readonly layout: CutLayout
  readonly pieceUm: SizeUm
}

/** What the proof piece of a line may be cut from: its own paper, and others as thick that stand in. */
export interface ProofChoice {
  readonly own: ProofFrom | null
  readonly standIns: readonly ProofFrom[]
}

/** What proof pieces may be cut from, for lines that none was cut of. */
export async function readProofs(
  context: FlowContext,
  projectId: string,
  lineIds: readonly string[],
): Promise<ReadonlyMap<string, ProofChoice>> {
  const found = new Map<string, ProofChoice>()
  const project = lineIds.length === 0 ? null : await findPlanned(context, projectId)
  const { cutting } = await currentSettings(context)
  for (const line of project?.plan.lines ?? []) {
    const [first] = line.parts
    if (!project || !first || !lineIds.includes(line.line.id)) continue
    // The first part of which anything is still cut.
    const [own] = line.parts.flatMap((part) =>
      part.papers.flatMap(({ paperId }) => {
        const layout = proofLayout(project, line, part, paperId, cutting)
        return layout ? [{ paperId, layout, pieceUm: part.part.sheetUm }] : []
      }),
    )
    const paper = own && (await findPaper(context.db, own.paperId))
    const standIns = await standInsFor(context, line, cutting)
    found.set(line.line.id, {
      own: own && paper ? { paper: paperView(paper), layout: own.layout, pieceUm: own.pieceUm } : null,
      standIns: standIns.map((one) => ({
        paper: paperView(one.paper),
        layout: one.layout,
        pieceUm: first.part.sheetUm,
      })),
    })
  }
  return found
}

/** A paper that a proof piece was folded from in place of the line's own; `null` where it was the line's own. */
export async function standInOf(
  { db }: FlowContext,
  {
    proof,
    papers,
  }: {
    readonly proof: { readonly paperId: string | null }
    readonly papers: readonly { readonly paper: PaperView }[]
  },
): Promise<PaperView | null> {
  if (proof.paperId === null || papers.some(({ paper }) => paper.id === proof.paperId)) return null
  const row = await findPaper(db, proof.paperId)
  return row ? paperView(row) : null
}
