/** What went wrong with the form as a whole. */
export function FormMessage({ message }: { readonly message: string | null }) {
  return (
    <div role="alert" aria-live="assertive" className="basis-full empty:absolute">
      {message === null ? null : <p className="note font-semibold">{message}</p>}
    </div>
  )
}
