import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Page } from '@playwright/test'
import {
  expect,
  expectAccessible,
  expectAllKept,
  pieceText,
  pressTimes,
  tableReady,
  test,
} from './support/fixtures'
import { addPaper, leafJob, startFolding } from './support/job'
import type { TestServer } from './support/server'

let server: TestServer
test.beforeEach(async ({ shared }) => {
  server = await shared.hold('nothing')
})

async function takeBackup(page: Page): Promise<string> {
  await page.goto(`${server.address}/settings`)
  const download = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Take a backup' }).click()
  const path = join(server.folder, 'taken.db')
  await (await download).saveAs(path)
  return path
}

async function putBack(page: Page, path: string): Promise<void> {
  await page.goto(`${server.address}/settings`)
  await page.getByLabel('Backup file').setInputFiles(path)
  await page.getByRole('button', { name: 'Put it back' }).click()
}

test('a backup taken in the middle of a run is put back, and the browser offers the later taps again', async ({
  page,
  context,
}) => {
  const projectId = await leafJob(page, server.address, '4')
  await page.goto(`${server.address}/projects/${projectId}/fold`)
  await startFolding(page, 'Narrow leaf, Reed Green')
  await pressTimes(page, 'Space', 8)
  await expectAllKept(page)
  const table = page.url()
  const settings = await context.newPage()
  const path = await takeBackup(settings)
  await pressTimes(page, 'Space', 3)
  await expectAllKept(page)
  await putBack(settings, path)
  await expect(settings.getByText('The backup is in place.')).toBeVisible()
  await expectAllKept(page)
  await page.waitForTimeout(3000)
  await expect(pieceText(page)).toHaveText('2 of 4')
  await expect(page.locator('main [aria-live="polite"]')).toContainText('Fold in half')
  const fresh = await context.newPage()
  await fresh.goto(table)
  await tableReady(fresh)
  await expect(fresh.locator('main [aria-live="polite"]')).toContainText('Fold in half')
})

test('after a backup is put back there is a way back to what was there before', async ({ page }) => {
  await addPaper(page, server.address, { name: 'Reed Green', colour: '#7f9563', sheets: '20' })
  const path = await takeBackup(page)
  await addPaper(page, server.address, { name: 'Tidewater', colour: '#2c6e7f', sheets: '5' })
  const paperCount = async (count: number) => {
    await page.goto(`${server.address}/papers`)
    await expect(page.getByRole('link', { name: /Reed Green|Tidewater/ })).toHaveCount(count)
  }
  await paperCount(2)
  await putBack(page, path)
  await expect(page.getByText('The backup is in place.')).toBeVisible()
  await paperCount(1)
  await page.goto(`${server.address}/settings`)
  const ways = page.getByRole('button', { name: /^Go back to what was replaced/ })
  await ways.click()
  await expect(ways).toHaveCount(2)
  await expectAccessible(page)
  await paperCount(2)
})

test('a wrong, newer or damaged file is refused in words, and everything stays', async ({
  page,
  quietConsole,
}) => {
  quietConsole.expectErrors(/422/)
  await addPaper(page, server.address, { name: 'Reed Green', colour: '#7f9563', sheets: '20' })
  const good = readFileSync(await takeBackup(page))
  const file = (name: string, bytes: Buffer) => {
    const path = join(server.folder, name)
    writeFileSync(path, bytes)
    return path
  }
  const newer = Buffer.from(good)
  newer.writeUInt32BE(4000, 60)
  // One of each kind; all the ways to be wrong are gone through in src/flows/restore.test.ts.
  for (const [path, words] of [
    [file('picture.db', Buffer.from('this is no database '.repeat(50))), 'This file is not a backup'],
    [file('newer.db', newer), 'newer Kelpfield'],
    [file('short.db', good.subarray(0, 20_000)), 'damaged'],
  ] as const) {
    await putBack(page, path)
    await expect(page.getByRole('alert').filter({ hasText: words })).toBeVisible()
  }
  await page.getByRole('button', { name: 'Put it back' }).click()
  await page.goto(`${server.address}/papers`)
  await expect(page.getByRole('link', { name: /Reed Green/ })).toBeVisible()
})
