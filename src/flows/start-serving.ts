import { DatabaseProblemError } from '@/data/database-problem'
import { FolderInUseError } from '@/data/folder-claim'
import { setImmediate } from 'node:timers/promises'
import { flowContext, openedDatabase } from './context'
import { settlePlans } from './plan-cuts'
import { makeLibraryFigures } from './shipped-figures'

/**
 * Claims the data folder and opens what is in it before the first request. A folder that another process works on, or a
 * database that must not be opened, ends this process with words; a passing trouble is tried again at the first request.
 */
export async function startServing(): Promise<void> {
  try {
    await openedDatabase()
    // What an end of the process left to be planned.
    void settlePlans(await flowContext()).catch((error: unknown) => console.error(error))
    // Where the build has none (in development), the library is folded little by little behind the first pages.
    void makeLibraryFigures(await flowContext(), setImmediate).catch((error: unknown) => console.error(error))
  } catch (error) {
    console.error(`\n${error instanceof Error ? error.message : String(error)}\n`)
    if (error instanceof FolderInUseError || error instanceof DatabaseProblemError) process.exit(1)
  }
}
