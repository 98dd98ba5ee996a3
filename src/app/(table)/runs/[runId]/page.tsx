import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { openPage } from '@/app/_server/guard'
import { readRunDesign } from '@/flows/read/run'
import { pack } from '@/ui/packed'
import { FoldScreen } from '@/ui/run/FoldScreen'

export const metadata: Metadata = { title: 'At the table' }

export default async function RunPage({ params }: { readonly params: Promise<{ runId: string }> }) {
  const { context, settings, preferences } = await openPage()
  const found = await readRunDesign(context, (await params).runId)
  if (!found) notFound()
  const { run, design, gauges, pictures } = found
  return (
    <FoldScreen
      run={run}
      design={design}
      gauges={gauges}
      pictures={pictures && pack(pictures)}
      tones={settings.tones}
      preferences={preferences}
    />
  )
}
