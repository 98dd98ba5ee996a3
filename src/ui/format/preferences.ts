import type { RulerKey } from '@/core/units'

/** How one reader wants numbers: plain, so that it can go to the browser. */
export interface Preferences {
  readonly unit: 'cm' | 'in'
  readonly ruler: RulerKey
  readonly zone: string
  readonly currency: string
  readonly locale: string
  /** The server's time when the page was made, UTC milliseconds. */
  readonly nowMs: number
}

/** The first language of an Accept-Language header that number and date formats exist for; else British English. */
export function localeFrom(acceptLanguage: string | null): string {
  const [first = ''] = (acceptLanguage ?? '').split(/[,;]/)
  try {
    const [known] = Intl.NumberFormat.supportedLocalesOf(first.trim())
    return known ?? 'en-GB'
  } catch {
    return 'en-GB'
  }
}
