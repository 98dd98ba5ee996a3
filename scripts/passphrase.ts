// Sets the passphrase that opens Kelpfield to the room, or a new one when it is forgotten.
import { createInterface } from 'node:readline/promises'
import { readConfig } from '../src/config'
import { openDatabase } from '../src/data/open-database'
import { setPassphrase } from '../src/flows/room'

const { databasePath } = readConfig(process.env)
const { db } = await openDatabase(databasePath)
const terminal = createInterface({ input: process.stdin, output: process.stdout })
const passphrase = await terminal.question('New passphrase (at least 8 characters): ')
terminal.close()
const result = await setPassphrase({ db, nowMs: Date.now() }, passphrase)
await db.destroy()
if (!result.ok) {
  console.error(`\n${result.fields['passphrase'] ?? 'It could not be set.'}\n`)
  process.exit(1)
}
console.log('\nThe passphrase is set. Devices that were unlocked have to be unlocked again.')
