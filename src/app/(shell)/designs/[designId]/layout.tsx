import { notFound } from 'next/navigation'
import type { ReactNode } from 'react'
import { openPage } from '@/app/_server/guard'
import { readLibrary } from '@/flows/designs'

interface DesignLayoutProps {
  readonly params: Promise<{ readonly designId: string }>
  readonly children: ReactNode
}

/** Asked before anything of the page is sent: once it has begun, its answer cannot become "not found" any more. */
export default async function DesignLayout({ params, children }: DesignLayoutProps) {
  const { context } = await openPage()
  const { designId } = await params
  if (!(await readLibrary(context)).some((design) => design.document.id === designId)) notFound()
  return children
}
