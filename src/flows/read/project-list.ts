import { countProjects, findProject, latestProjects, listProjects } from '@/data/repositories/projects'
import type { FlowContext } from '../flow-context'
import { readGlances, type ProjectGlance } from './glances'

const ON_A_PAGE = 40

export interface ProjectList {
  readonly projects: readonly ProjectGlance[]
  readonly page: number
  readonly pages: number
}

/** A page of the projects by date, those open or those put away; a page that is not there gives the nearest. */
export async function readProjectList(
  context: FlowContext,
  archived: boolean,
  asked: number,
): Promise<ProjectList> {
  const pages = Math.max(1, Math.ceil((await countProjects(context.db, archived)) / ON_A_PAGE))
  const page = Number.isInteger(asked) ? Math.min(Math.max(asked, 1), pages) : 1
  const rows = await listProjects(context.db, { archived, from: (page - 1) * ON_A_PAGE, most: ON_A_PAGE })
  return { projects: await readGlances(context, rows), page, pages }
}

const EARLIER_SHOWN = 24

/** Projects one may begin like, the last planned first. */
export const readEarlier = async ({
  db,
}: FlowContext): Promise<
  readonly { readonly id: string; readonly name: string; readonly dueOn: string | null }[]
> => (await latestProjects(db, EARLIER_SHOWN)).map(({ id, name, due_on }) => ({ id, name, dueOn: due_on }))

/** A project's name; `null` where there is none of that id. */
export const projectNameOf = async ({ db }: FlowContext, id: string): Promise<string | null> =>
  (await findProject(db, id))?.name ?? null
