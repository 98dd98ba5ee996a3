import { Link } from './Link'

interface EmptyStateProps {
  readonly title: string
  readonly text: string
  readonly href?: string
  readonly deed?: string
}

/** What a list shows before there is anything in it: what belongs here, and how to begin. */
export function EmptyState({ title, text, href, deed }: EmptyStateProps) {
  return (
    <div className="mt-4 border border-dashed hairline p-8 text-center">
      <p className="figure text-2xl">{title}</p>
      <p className="second mx-auto mt-2 max-w-prose">{text}</p>
      {href === undefined ? null : (
        <Link href={href} className="btn btn-primary mt-5">
          {deed}
        </Link>
      )}
    </div>
  )
}
