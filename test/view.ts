import { briefMark } from '../src/flows/brief-mark'
import type { FlowContext } from '../src/flows/flow-context'
import { readProject, type ProjectView } from '../src/flows/read/project'

/** A project as its pages see it; it is known to be there. */
export async function projectView(context: FlowContext, id: string): Promise<ProjectView> {
  const project = await readProject(context, id)
  if (!project) throw new Error('no project')
  return project
}

/** What a brief says, as the form that is opened now has it; empty for a new one. */
export const markOf = async (context: FlowContext, id: string | null): Promise<string> =>
  id === null ? '' : ((await briefMark(context, id)) ?? '')
