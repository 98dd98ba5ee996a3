// Sets the passphrase that opens Kelpfield to the room, or a new one when it is forgotten. It is kept in a file of its
// own, so this works beside a running server too.
import { createInterface } from 'node:readline/promises'
import { existsSync } from 'node:fs'
import { dirname } from 'node:path'
import { readConfig } from '../src/config'
import { claimFolder, FolderInUseError } from '../src/data/folder-claim'
import { openDatabase } from '../src/data/open-database'
import { openRoom, roomPath } from '../src/data/room-store'
import { setPassphrase } from '../src/flows/room'
import { explain } from './lib/explain'

/** A database of an older version still holds the old passphrase: it is brought up to date before there is a new one. */
async function upgradeUnlessServed(databasePath: string): Promise<void> {
  try {
    const claim = claimFolder(dirname(databasePath), 'npm run passphrase')
    if (existsSync(databasePath)) await (await openDatabase(databasePath)).db.destroy()
    claim.release()
  } catch (error) {
    // A server that runs on it has done so.
    if (!(error instanceof FolderInUseError)) throw error
  }
}

await explain(async () => {
  const { databasePath } = readConfig(process.env)
  await upgradeUnlessServed(databasePath)
  const { db: room } = await openRoom(roomPath(databasePath))
  const terminal = createInterface({ input: process.stdin, output: process.stdout })
  const passphrase = await terminal.question('New passphrase (at least 8 characters): ')
  terminal.close()
  const result = await setPassphrase({ room, nowMs: Date.now() }, passphrase, null)
  await room.destroy()
  if (!result.ok) throw new Error(result.fields['passphrase'] ?? 'It could not be set.')
  console.log('\nThe passphrase is set. Devices that were unlocked have to be unlocked again.')
})
