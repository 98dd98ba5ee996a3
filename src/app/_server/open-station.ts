import 'server-only'
import { notFound } from 'next/navigation'
import { readProject, type ProjectView } from '@/flows/read/project'
import { openPage, type OpenedPage } from './guard'

export interface StationParams {
  readonly params: Promise<{ readonly projectId: string }>
}

/** Every station starts here: the page opened, the project read, or not found. */
export async function openStation({
  params,
}: StationParams): Promise<OpenedPage & { readonly project: ProjectView }> {
  const opened = await openPage()
  const project = await readProject(opened.context, (await params).projectId)
  if (!project) notFound()
  return { ...opened, project }
}
