import type { Metadata } from 'next'
import { redirect } from 'next/navigation'
import { connection } from 'next/server'
import { UnlockForm } from '@/ui/shell/UnlockForm'
import { mayEnter } from '../_server/guard'
import { unlockAction } from './actions'

export const metadata: Metadata = { title: 'Unlock' }

export default async function UnlockPage() {
  await connection()
  if (await mayEnter()) redirect('/')
  return (
    <main className="mx-auto flex min-h-screen max-w-md flex-col justify-center gap-6 px-5">
      <h1 className="text-4xl">Kelpfield is locked</h1>
      <p>Enter the passphrase that was set on the machine it runs on.</p>
      <UnlockForm unlock={unlockAction} />
      <p className="second text-sm">
        Forgotten? On that machine, <code>npm run passphrase</code> sets a new one.
      </p>
    </main>
  )
}
