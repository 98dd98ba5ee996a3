import { notFound } from 'next/navigation'
import type { ReactNode } from 'react'
import { openPage } from '@/app/_server/guard'
import { hasProject } from '@/flows/read/project'

interface ProjectLayoutProps {
  readonly params: Promise<{ readonly projectId: string }>
  readonly children: ReactNode
}

/** Asked before anything of a station is sent: once a page has begun, its answer cannot become "not found" any more. */
export default async function ProjectLayout({ params, children }: ProjectLayoutProps) {
  const { context } = await openPage()
  if (!(await hasProject(context, (await params).projectId))) notFound()
  return children
}
