/** What stands in a page's place while it is made. */
export function PageLoading() {
  return (
    <div role="status" className="flex flex-col gap-4 py-2">
      <span className="sr-only">Loading</span>
      <div className="skeleton h-10 w-72" />
      <div className="skeleton h-32 w-full" />
      <div className="skeleton h-64 w-full" />
    </div>
  )
}
