import type { FlowContext } from '../src/flows/flow-context'
import { readProject, type ProjectView } from '../src/flows/read/project'

/** A project as its pages see it; it is known to be there. */
export async function projectView(context: FlowContext, id: string): Promise<ProjectView> {
  const project = await readProject(context, id)
  if (!project) throw new Error('no project')
  return project
}
