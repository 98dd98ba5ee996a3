import type { Metadata } from 'next'
import { Link } from '@/ui/shell/Link'
import { openPage } from '@/app/_server/guard'
import { PatternReader } from '@/ui/pattern/PatternReader'

export const metadata: Metadata = { title: 'Read a crease pattern' }

export default async function PatternPage() {
  const { preferences } = await openPage()
  return (
    <>
      <p className="second">
        <Link href="/designs" className="underline">
          Designs
        </Link>
      </p>
      <h1 className="text-3xl">Read a crease pattern</h1>
      <p className="mt-1 max-w-2xl">
        Checks whether a pattern folds flat, says where it does not, and shows how it lies. It stays in this
        browser.
      </p>
      <PatternReader preferences={preferences} />
    </>
  )
}
