import NextLink from 'next/link'
import type { ComponentProps } from 'react'

/**
 * A link to a page of ours. Nothing is asked for before it is pressed: every page is worked out when it is asked
 * for, and one view of a project links to a dozen.
 */
export function Link(props: Omit<ComponentProps<typeof NextLink>, 'prefetch'>) {
  return <NextLink prefetch={false} {...props} />
}
