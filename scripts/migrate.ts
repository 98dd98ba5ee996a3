// Brings the database to the newest data version and makes its projections anew from the ledgers.
import { readConfig } from '../src/config'
import { DATA_VERSION } from '../src/data/migrations'
import { openDatabase } from '../src/data/open-database'
import { rebuildStockLevels } from '../src/data/repositories/stock'
import { inTransaction } from '../src/data/writing'
import { Caches } from '../src/flows/caches'
import { rebuildRunProjections } from '../src/flows/run-tally'
import { alone } from './lib/alone'
import { explain } from './lib/explain'

const { databasePath } = readConfig(process.env)
await explain(() =>
  alone(databasePath, 'npm run migrate', async () => {
    const { db } = await openDatabase(databasePath)
    await inTransaction(db, async (trx) => {
      await rebuildStockLevels(trx)
      await rebuildRunProjections({ db: trx, caches: new Caches(), nowMs: Date.now() })
    })
    await db.destroy()
    console.log(`${databasePath} has data version ${DATA_VERSION}; its projections were made anew.`)
  }),
)
