import type { Metadata, Viewport } from 'next'
import type { ReactNode } from 'react'
import './globals.css'

export const metadata: Metadata = {
  title: { default: 'Kelpfield', template: '%s - Kelpfield' },
  description: 'Plans, cuts, folds and records batches of folded-paper decorations.',
}

export const viewport: Viewport = { width: 'device-width', initialScale: 1 }

export default function RootLayout({ children }: { readonly children: ReactNode }) {
  return (
    <html lang="en">
      <body className="min-h-screen bg-base-200 font-sans text-base-content">{children}</body>
    </html>
  )
}
