import { Link } from './Link'

interface PagesProps {
  /** Where the list is, with what else it is asked for; the page is added. */
  readonly href: string
  readonly page: number
  readonly pages: number
  /** What the address names it by, where a page has several lists; and what it is a list of. */
  readonly name?: string
  readonly of?: string
}

/** The way through a list that is longer than a page. */
export function Pages({ href, page, pages, name = 'page', of }: PagesProps) {
  const to = (number: number) => `${href}${href.includes('?') ? '&' : '?'}${name}=${number}`
  return (
    <nav aria-label={of === undefined ? 'Pages' : `Pages of ${of}`} className="mt-6 flex items-center gap-4">
      {page > 1 ? (
        <Link href={to(page - 1)} className="btn btn-outline">
          Earlier
        </Link>
      ) : null}
      <span>
        Page {page} of {pages}
      </span>
      {page < pages ? (
        <Link href={to(page + 1)} className="btn btn-outline">
          Later
        </Link>
      ) : null}
    </nav>
  )
}
