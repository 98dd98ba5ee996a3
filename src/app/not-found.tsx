import { Link } from '@/ui/shell/Link'
import { connection } from 'next/server'

export default async function NotFound() {
  // Made at each request, so that its scripts carry the nonce of the content security policy.
  await connection()
  return (
    <main className="mx-auto flex min-h-[70vh] max-w-xl flex-col justify-center gap-5 px-5">
      <h1 className="text-4xl">There is no such page</h1>
      <p>It may have been archived, or the address has a slip in it.</p>
      <p className="flex gap-3">
        <Link href="/" className="btn btn-primary">
          To the bench
        </Link>
        <Link href="/projects" className="btn btn-outline">
          All projects
        </Link>
      </p>
    </main>
  )
}
