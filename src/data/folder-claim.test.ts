import { spawn, type ChildProcess } from 'node:child_process'
import { existsSync, mkdtempSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { claimFolder, FolderInUseError, temporaryFolder } from './folder-claim'

let folder = ''
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'kelpfield-claim-'))
})
const children: ChildProcess[] = []
afterEach(() => {
  children.splice(0).forEach((child) => child.kill('SIGKILL'))
  rmSync(folder, { recursive: true, force: true })
})

/** Another process that claims the folder by the same means and holds it until it is ended. */
async function otherProcess(): Promise<{ readonly kill: () => Promise<void> }> {
  const script = `
    const Database = require('libsql')
    const handle = new Database(${JSON.stringify(join(folder, 'in-use.db'))})
    handle.exec('PRAGMA journal_mode = DELETE; BEGIN EXCLUSIVE')
    console.log('held')
    setInterval(() => handle, 1000)`
  const child = spawn(process.execPath, ['-e', script], { stdio: ['ignore', 'pipe', 'inherit'] })
  children.push(child)
  await new Promise((resolve) => child.stdout.once('data', resolve))
  return {
    kill: () =>
      new Promise((resolve) => {
        child.once('exit', () => resolve())
        child.kill('SIGKILL')
      }),
  }
}

test('one at a time; who has it is named; released, it is free', () => {
  const claim = claimFolder(folder, 'Kelpfield on port 4680')
  expect(() => claimFolder(folder, 'npm run migrate')).toThrow(FolderInUseError)
  expect(() => claimFolder(folder, 'npm run migrate')).toThrow(
    `Kelpfield on port 4680 (process ${process.pid})`,
  )
  claim.release()
  claimFolder(folder, 'npm run migrate').release()
})

test('a claim ends with its process, however that ends', async () => {
  const other = await otherProcess()
  expect(() => claimFolder(folder, 'Kelpfield')).toThrow(FolderInUseError)
  await other.kill()
  claimFolder(folder, 'Kelpfield').release()
})

test('what an earlier process left on its way in or out is removed; the folder is for its owner alone', () => {
  const left = join(temporaryFolder(folder), 'left.db')
  writeFileSync(left, 'half a backup')
  claimFolder(folder, 'Kelpfield').release()
  expect(existsSync(left)).toBe(false)
  expect(statSync(temporaryFolder(folder)).mode & 0o777).toBe(0o700)
  expect(statSync(join(folder, 'in-use.db')).mode & 0o777).toBe(0o600)
})

test('where the data folder was taken away none is made in its place', () => {
  const gone = join(folder, 'gone')
  expect(() => temporaryFolder(gone)).toThrow('GONE')
  expect(existsSync(gone)).toBe(false)
})
