import { Settings2 } from 'lucide-react'
import { Link } from './Link'
import { KeyboardHelp } from './KeyboardHelp'
import { NavLinks } from './NavLinks'

interface HeaderProps {
  readonly unit: 'cm' | 'in'
  readonly switchUnit: () => Promise<void>
}

export function Header({ unit, switchUnit }: HeaderProps) {
  return (
    <header className="border-b hairline">
      <div className="mx-auto flex max-w-[80rem] flex-wrap items-center gap-x-7 gap-y-2 px-5 tablet:px-10 py-3">
        <Link href="/" className="font-serif text-2xl font-semibold tracking-tight">
          Kelpfield
        </Link>
        <NavLinks />
        <div className="ml-auto flex items-center gap-2">
          <form action={switchUnit}>
            <button
              className="btn btn-sm btn-outline rounded-full"
              aria-label={`Lengths in ${unit === 'cm' ? 'centimetres' : 'inches'}: switch to ${unit === 'cm' ? 'inches' : 'centimetres'}`}
            >
              <span className={unit === 'cm' ? 'font-bold underline' : 'second'}>cm</span>
              <span aria-hidden>/</span>
              <span className={unit === 'in' ? 'font-bold underline' : 'second'}>in</span>
            </button>
          </form>
          <KeyboardHelp />
          <Link href="/settings" className="btn btn-sm btn-ghost rounded-full" aria-label="Settings">
            <Settings2 aria-hidden className="size-5" />
          </Link>
        </div>
      </div>
    </header>
  )
}
