// Loads the demo data into the configured database unless it holds projects already. `--afresh` empties it first.
import { rmSync } from 'node:fs'
import { loadDemo } from '../demo/load'
import { readConfig } from '../src/config'
import { openDatabase } from '../src/data/open-database'
import { listProjects } from '../src/data/repositories/projects'
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
    await storeLibrary({ db, nowMs })
    const some = [...(await listProjects(db, false)), ...(await listProjects(db, true))]
    if (some.length === 0) {
      await loadDemo({ db, nowMs })
      console.log('The demo data is loaded.')
    }
    await db.destroy()
  })
})
