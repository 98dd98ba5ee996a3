// Checks the environment and the database before the server starts: clear words instead of a stack.
import { readConfig } from '../src/config'
import { openDatabase } from '../src/data/open-database'
import { roomAccess } from '../src/data/repositories/room'
import { explain } from './lib/explain'

await explain(async () => {
  const config = readConfig(process.env)
  const { db } = await openDatabase(config.databasePath)
  const access = await roomAccess(db)
  await db.destroy()
  if (config.room && !access)
    throw new Error('To open Kelpfield to the room, set a passphrase first: npm run passphrase')
})
