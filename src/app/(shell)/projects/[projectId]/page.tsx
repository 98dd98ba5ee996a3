import { notFound, redirect } from 'next/navigation'
import { openPage } from '@/app/_server/guard'
import { readProject } from '@/flows/read/project'

/** A project opens at the station where the next deed is. */
export default async function ProjectPage({ params }: { readonly params: Promise<{ projectId: string }> }) {
  const { context } = await openPage()
  const { projectId } = await params
  const project = await readProject(context, projectId)
  if (!project) notFound()
  redirect(`/projects/${projectId}/${project.next.station}`)
}
