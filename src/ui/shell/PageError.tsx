'use client'

interface PageErrorProps {
  readonly error: Error & { digest?: string }
  readonly reset: () => void
}

/** What stands in the place of a page that could not be made. */
export function PageError({ error, reset }: PageErrorProps) {
  return (
    <div className="mx-auto flex max-w-xl flex-col gap-5 px-5 py-16">
      <h1 className="text-4xl">This page could not be made</h1>
      <p>Nothing you entered before was lost. Try again; if it stays, restart Kelpfield on its machine.</p>
      {error.digest === undefined ? null : (
        <p className="second text-sm">Mark in the server&apos;s output: {error.digest}</p>
      )}
      <p>
        <button type="button" className="btn btn-primary" onClick={reset}>
          Try again
        </button>
      </p>
    </div>
  )
}
