// Checks the environment and the database before the server starts: clear words instead of a stack.
import { readConfig } from '../src/config'
import { openDatabase } from '../src/data/open-database'
import { openRoom, roomAccess, roomPath } from '../src/data/room-store'
import { alone } from './lib/alone'
import { explain } from './lib/explain'

await explain(async () => {
  const { databasePath, room } = readConfig(process.env)
  await alone(databasePath, 'npm start', async () => {
    await (await openDatabase(databasePath)).db.destroy()
    const { db } = await openRoom(roomPath(databasePath))
    const access = await roomAccess(db)
    await db.destroy()
    if (room && !access)
      throw new Error('To open Kelpfield to the room, set a passphrase first: npm run passphrase')
  })
})
