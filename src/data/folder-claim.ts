import {
  accessSync,
  chmodSync,
  closeSync,
  constants,
  existsSync,
  mkdirSync,
  openSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs'
import { join } from 'node:path'
import Database from 'libsql'
import { z } from 'zod'
import { DatabaseProblemError } from './database-problem'
import { asTrouble, DatabaseTroubleError } from './trouble'

const CLAIM_FILE = 'in-use.db'
const WHO_FILE = 'in-use.json'
const TEMPORARY = 'tmp'
const OWNER_ONLY_FOLDER = 0o700
const OWNER_ONLY_FILE = 0o600

const who = z.object({ what: z.string().max(100), pid: z.int(), sinceMs: z.number() })

/** Another process works on this data folder. Nothing was touched. */
export class FolderInUseError extends Error {
  override readonly name = 'FolderInUseError'
}

export interface FolderClaim {
  readonly release: () => void
}

function inUseWords(folder: string): string {
  let other = 'Another Kelpfield'
  try {
    const { what, pid } = who.parse(JSON.parse(readFileSync(join(folder, WHO_FILE), 'utf8')))
    other = `${what} (process ${pid})`
  } catch {
    // Who it is, is a courtesy: the claim itself says enough.
  }
  return `${other} is working on the data folder ${folder}. Stop it first, or name another folder in KELPFIELD_DATA. Nothing was changed.`
}

/** Makes the data folder where there is none. *Throws* `DatabaseProblemError` where it cannot be written to. */
export function requireWritableFolder(folder: string): void {
  try {
    mkdirSync(folder, { recursive: true })
    accessSync(folder, constants.W_OK | constants.R_OK | constants.X_OK)
  } catch {
    throw new DatabaseProblemError(
      'FOLDER_NOT_WRITABLE',
      folder,
      `The data folder ${folder} cannot be written to. Give this user the right to, or name another folder in KELPFIELD_DATA.`,
    )
  }
}

/**
 * A folder inside the data folder for files on their way in or out, for the owner alone.
 * *Throws* `DatabaseTroubleError` (GONE) where there is no data folder: one made anew would stand in the old one's way.
 */
export function temporaryFolder(folder: string): string {
  if (!existsSync(folder)) throw new DatabaseTroubleError('GONE')
  const path = join(folder, TEMPORARY)
  mkdirSync(path, { recursive: true, mode: OWNER_ONLY_FOLDER })
  chmodSync(path, OWNER_ONLY_FOLDER)
  return path
}

/** Makes an empty file that only its owner may read. */
export const makePrivateFile = (path: string): void => closeSync(openSync(path, 'a', OWNER_ONLY_FILE))

function clearTemporary(folder: string): void {
  const path = temporaryFolder(folder)
  for (const name of readdirSync(path)) rmSync(join(path, name), { recursive: true, force: true })
}

/**
 * Claims a data folder for this process: one server, or one script that rewrites, at a time. The claim is an exclusive
 * transaction on a small file of its own, so that it ends with the process, whatever ends it. Files that an earlier
 * process left on their way in or out are removed.
 * *Throws* `FolderInUseError` naming who has it, `DatabaseProblemError` where the folder cannot be written to.
 */
export function claimFolder(folder: string, what: string): FolderClaim {
  requireWritableFolder(folder)
  const path = join(folder, CLAIM_FILE)
  let handle: Database.Database | undefined
  try {
    makePrivateFile(path)
    handle = new Database(path)
    handle.exec('PRAGMA busy_timeout = 50; PRAGMA journal_mode = DELETE; BEGIN EXCLUSIVE;')
  } catch (error) {
    handle?.close()
    const trouble = asTrouble(error)
    if (trouble instanceof DatabaseTroubleError && trouble.trouble === 'BUSY')
      throw new FolderInUseError(inUseWords(folder))
    throw trouble
  }
  clearTemporary(folder)
  writeFileSync(join(folder, WHO_FILE), JSON.stringify({ what, pid: process.pid, sinceMs: Date.now() }))
  const held = handle
  return {
    release: () => {
      rmSync(join(folder, WHO_FILE), { force: true })
      held.close()
    },
  }
}
