const MOST = 60

/** The same formatter for the same question: making one takes the time of a hundred uses. */
function keptBy<Options, Formatter>(make: (locale: string, options: Options) => Formatter) {
  const kept = new Map<string, Formatter>()
  return (locale: string, options: Options): Formatter => {
    const name = JSON.stringify([locale, options])
    const known = kept.get(name)
    if (known) return known
    // Locales come from browsers: whatever they ask for, few are kept.
    if (kept.size >= MOST) kept.clear()
    const made = make(locale, options)
    kept.set(name, made)
    return made
  }
}

export const numberFormat = keptBy(
  (locale, options: Intl.NumberFormatOptions) => new Intl.NumberFormat(locale, options),
)

export const dateFormat = keptBy(
  (locale, options: Intl.DateTimeFormatOptions) => new Intl.DateTimeFormat(locale, options),
)
