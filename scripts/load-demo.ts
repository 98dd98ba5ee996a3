// Loads the demo data into the configured database unless it holds projects already. `--afresh` empties it first.
import { rmSync } from 'node:fs'
import { loadDemo } from '../demo/load'
import { readConfig } from '../src/config'
import { openDatabase } from '../src/data/open-database'
import { countProjects } from '../src/data/repositories/projects'
import { Caches } from '../src/flows/caches'
import { readShippedFigures, shippedFiguresPath } from '../src/flows/shipped-figures'
import { storeLibrary } from '../src/flows/store-library'
import { alone } from './lib/alone'
import { explain } from './lib/explain'

await explain(async () => {
  const { databasePath, frozenNowMs } = readConfig(process.env)
  await alone(databasePath, 'loading the demo data', async () => {
    if (process.argv.includes('--afresh'))
      for (const file of [databasePath, `${databasePath}-wal`, `${databasePath}-shm`])
        rmSync(file, { force: true })
    const { db } = await openDatabase(databasePath)
    const nowMs = frozenNowMs ?? Date.now()
    const context = {
      db,
      caches: new Caches(
        readShippedFigures(process.env['KELPFIELD_FIGURES'] ?? shippedFiguresPath(process.cwd())),
      ),
      nowMs,
    }
    await storeLibrary(context)
    const some = (await countProjects(db, false)) + (await countProjects(db, true))
    if (some === 0) {
      await loadDemo(context)
      console.log('The demo data is loaded.')
    }
    await db.destroy()
  })
})
