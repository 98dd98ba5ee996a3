'use client'

import { Link } from './Link'
import { usePathname } from 'next/navigation'

const PLACES = [
  { href: '/', name: 'Bench' },
  { href: '/projects', name: 'Projects' },
  { href: '/designs', name: 'Designs' },
  { href: '/papers', name: 'Papers' },
  { href: '/logbook', name: 'Logbook' },
] as const

export function NavLinks() {
  const path = usePathname()
  return (
    <nav aria-label="Main" className="flex flex-wrap gap-x-6 font-semibold">
      {PLACES.map(({ href, name }) => {
        const here = href === '/' ? path === '/' : path.startsWith(href)
        return (
          <Link
            key={href}
            href={href}
            aria-current={here ? 'page' : undefined}
            className={`border-b-[3px] py-1 ${here ? 'border-accent' : 'second border-transparent hover:border-base-300'}`}
          >
            {name}
          </Link>
        )
      })}
    </nav>
  )
}
