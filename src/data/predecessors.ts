import { existsSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs'
import { basename, dirname, join } from 'node:path'
import { DatabaseProblemError } from './database-problem'

/** A database that a backup took the place of; it stays beside the one in use. */
export interface Predecessor {
  /** Its file's name, which also says when it was replaced. */
  readonly name: string
  readonly replacedAtMs: number
  readonly bytes: number
}

const NAME = /^(.+)\.before-(\d{4})-(\d\d)-(\d\d)T(\d\d)-(\d\d)-(\d\d)-(\d{3})Z$/

/** Where the database at `path` goes when a backup takes its place at this moment: a name that nothing has yet. */
export function predecessorPath(path: string, nowMs: number): string {
  for (let atMs = nowMs; ; atMs++) {
    const name = `${path}.before-${new Date(atMs).toISOString().replaceAll(/[:.]/g, '-')}`
    if (!existsSync(name)) return name
  }
}

/** The databases that were replaced, the latest first. */
export function predecessorsOf(path: string): readonly Predecessor[] {
  return readdirSync(dirname(path))
    .flatMap((name) => {
      const found = NAME.exec(name)
      if (found?.[1] !== basename(path)) return []
      const [year, month, day, hour, minute, second, thousandth] = found.slice(2)
      const replacedAtMs = Date.parse(`${year}-${month}-${day}T${hour}:${minute}:${second}.${thousandth}Z`)
      return [{ name, replacedAtMs, bytes: statSync(join(dirname(path), name)).size }]
    })
    .sort((a, b) => b.replacedAtMs - a.replacedAtMs)
}

/** The path of a predecessor by its name; `null` where there is none of that name. */
export const findPredecessor = (path: string, name: string): string | null =>
  predecessorsOf(path).some((one) => one.name === name) ? join(dirname(path), name) : null

/** Deletes databases that backups took the place of. *Returns* how many were there. */
export function clearPredecessors(path: string): number {
  const all = predecessorsOf(path)
  for (const { name } of all) rmSync(join(dirname(path), name), { force: true })
  return all.length
}

/**
 * Finishes what a crash in the midst of a restore left. Earlier versions moved the old database aside before the new
 * one came; between the two there was none. The old one is complete, so it is put back.
 * *Returns* whether something was put back.
 * *Throws* `DatabaseProblemError` (MISSING) where the database is gone and only dated predecessors are there: which one
 * is meant is for a person to say, and an empty database in their place would look like a loss.
 */
export function recoverRestore(path: string): boolean {
  const asideByEarlierVersion = `${path}.before-restore`
  rmSync(`${path}.restoring`, { force: true })
  if (existsSync(path) && statSync(path).size > 0) return false
  if (existsSync(asideByEarlierVersion)) {
    renameSync(asideByEarlierVersion, path)
    return true
  }
  const [latest] = existsSync(dirname(path)) ? predecessorsOf(path) : []
  if (latest && !existsSync(path))
    throw new DatabaseProblemError(
      'MISSING',
      path,
      `${path} is missing, but databases that backups once took the place of are still there. To go on with the latest, rename ${latest.name} to ${basename(path)}; to begin anew, move it elsewhere. Nothing was changed.`,
    )
  return false
}
