import type { ReactNode } from 'react'
import { openPage } from '../_server/guard'
import { Header } from '@/ui/shell/Header'
import { switchUnitAction } from './settings/actions'

export default async function ShellLayout({ children }: { readonly children: ReactNode }) {
  const { preferences } = await openPage()
  return (
    <>
      <a
        href="#main"
        className="btn btn-primary sr-only focus:not-sr-only focus:fixed focus:top-2 focus:left-2 focus:z-50"
      >
        Skip to the page
      </a>
      <Header
        unit={preferences.unit}
        switchUnit={switchUnitAction.bind(null, preferences.unit === 'cm' ? 'in' : 'cm')}
      />
      <main
        id="main"
        tabIndex={-1}
        className="mx-auto w-full max-w-[80rem] px-5 tablet:px-10 pt-6 pb-16 outline-none"
      >
        {children}
      </main>
    </>
  )
}
