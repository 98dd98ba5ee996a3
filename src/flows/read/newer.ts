import { findProject } from '@/data/repositories/projects'
import type { FlowContext } from '../flow-context'
import { newerDesigns, type SizeChange } from '../newer-designs'
import { loadProjects } from '../project-records'

/** A newer version of a line's design as the brief offers it. */
export interface NewerView {
  readonly lineId: string
  readonly name: string
  /** Whether its steps or words changed; else only what the engine measures. */
  readonly words: boolean
  readonly sizes: readonly SizeChange[]
  /** What it was planned with is gone: what would change cannot be told. */
  readonly lost: boolean
}

/** What newer versions a project could take. */
export async function readNewer(context: FlowContext, projectId: string): Promise<readonly NewerView[]> {
  const row = await findProject(context.db, projectId)
  const [loaded] = row ? await loadProjects(context, [row]) : []
  if (!loaded) return []
  return (await newerDesigns(context, loaded)).map(({ lineId, version, words, sizes, lost }) => ({
    lineId,
    name: version.document.name,
    words,
    sizes,
    lost,
  }))
}
