// Part of a build and of the tests: works out the sizes and pictures of every design and base that ships and leaves them in the file it is given,
// so that no start, no page and no test waits for a fold.
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { FOLD_ENGINE_VERSION } from '../src/core/fold'
import { openDatabase } from '../src/data/open-database'
import { Caches } from '../src/flows/caches'
import { makeLibraryFigures } from '../src/flows/shipped-figures'

const folder = mkdtempSync(join(tmpdir(), 'kelpfield-build-'))
try {
  const { db } = await openDatabase(join(folder, 'kelpfield.db'))
  const nothing = () => Promise.resolve()
  await makeLibraryFigures({ db, caches: new Caches(), nowMs: 0 }, nothing)
  const rows = await db.selectFrom('figure').selectAll().orderBy('program_hash').orderBy('key').execute()
  const figures = Object.fromEntries(
    rows.map((row) => [`${row.program_hash} ${row.engine} ${row.key}`, row.body]),
  )
  writeFileSync(process.argv[2]!, JSON.stringify({ engine: FOLD_ENGINE_VERSION, figures }))
  await db.destroy()
  console.log(`${rows.length} figures of the library go with this build.`)
} finally {
  rmSync(folder, { recursive: true, force: true })
}
