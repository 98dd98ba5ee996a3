import { dirname } from 'node:path'
import { claimFolder } from '../../src/data/folder-claim'

/** Does the work with the data folder to itself; while a server runs on it, that is said and nothing is touched. */
export async function alone(databasePath: string, what: string, work: () => Promise<void>): Promise<void> {
  const claim = claimFolder(dirname(databasePath), what)
  try {
    await work()
  } finally {
    claim.release()
  }
}
