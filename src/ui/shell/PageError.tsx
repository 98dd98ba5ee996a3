'use client'

import { PROBLEM_WORDS, TROUBLE_WORDS } from '../format'

interface PageErrorProps {
  readonly error: Error & { digest?: string }
}

/** The words for what the server met, by the only mark of it that reaches the browser; `null` for an error of ours. */
function wordsFor(digest: string | undefined): string | null {
  const [kind, code = ''] = digest?.split(/-(.*)/) ?? []
  const words: Readonly<Record<string, string>> = kind === 'trouble' ? TROUBLE_WORDS : PROBLEM_WORDS
  return kind === 'trouble' || kind === 'problem' ? (words[code] ?? null) : null
}

/** What stands in the place of a page that could not be made. */
export function PageError({ error }: PageErrorProps) {
  const words = wordsFor(error.digest)
  return (
    <div className="mx-auto flex max-w-xl flex-col gap-5 px-5 py-16" role="alert">
      <h1 className="text-4xl">
        {words === null ? 'This page could not be made' : 'The data cannot be reached'}
      </h1>
      <p>
        {words ??
          'Nothing you entered before was lost. Try again; if it stays, restart Kelpfield on its machine.'}
      </p>
      {words === null && error.digest !== undefined ? (
        <p className="second text-sm">Mark in the server&apos;s output: {error.digest}</p>
      ) : null}
      <p>
        <button type="button" className="btn btn-primary" onClick={() => window.location.reload()}>
          Try again
        </button>
      </p>
    </div>
  )
}

/** The same where no shell stands around it. */
export const WholePageError = (props: PageErrorProps) => (
  <main>
    <PageError {...props} />
  </main>
)
