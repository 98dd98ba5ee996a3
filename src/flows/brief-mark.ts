import { findProject, linePartPapers, lineParts, linesOf } from '@/data/repositories/projects'
import { contentHash } from './content-hash'
import type { FlowContext } from './flow-context'

/**
 * What a project's brief says, as a hash: a form that was opened before somebody else saved it is told apart by that.
 * `null` where there is no such project.
 */
export async function briefMark({ db }: FlowContext, projectId: string): Promise<string | null> {
  const row = await findProject(db, projectId)
  if (!row) return null
  const { name, due_on, note, certainty_permille, yearly, shopping_days } = row
  return contentHash({
    said: { name, due_on, note, certainty_permille, yearly, shopping_days },
    lines: await linesOf(db, [projectId]),
    parts: await lineParts(db, [projectId]),
    papers: await linePartPapers(db, [projectId]),
  }).hash
}
