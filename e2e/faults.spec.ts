import { renameSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import type { BrowserContext } from '@playwright/test'
import Database from 'libsql'
import { expect, expectAccessible, expectAllKept, pieceText, pressTimes, test } from './support/fixtures'
import { addPaper, justFold } from './support/job'
import { TestServer } from './support/server'

let server: TestServer
test.beforeAll(async ({ shared }) => {
  server = await shared.hold('nothing')
})

test('the data folder taken away: pages and deeds say so, taps wait in the browser; put back, all goes on', async ({
  page,
  context,
  quietConsole,
}) => {
  quietConsole.expectErrors(/50[03]|#441/)
  await justFold(page, server.address, { tray: '3' })
  await pressTimes(page, 'Space', 2)
  await expectAllKept(page)
  const other = await context.newPage()
  await other.goto(`${server.address}/papers/new`)
  await other.getByLabel('Name').fill('Tidewater')
  const away = `${server.folder}-away`
  renameSync(server.folder, away)
  try {
    await pressTimes(page, 'Space', 2)
    await expect(page.locator('[data-sync]')).toHaveAttribute('data-sync', 'waiting')
    await other.getByRole('button', { name: 'Add it to the drawer' }).click()
    await expect(other.getByText(/data folder, or the database in it, was taken away/)).toBeVisible()
    await expect(other.getByLabel('Name')).toHaveValue('Tidewater')
    const third = await context.newPage()
    await third.goto(`${server.address}/papers`)
    await expect(third.getByRole('heading', { name: 'The data cannot be reached' })).toBeVisible()
    await expect(third.getByText(/Put it back on the machine/)).toBeVisible()
    await expectAccessible(third)
    await third.close()
  } finally {
    renameSync(away, server.folder)
  }
  await expectAllKept(page)
  await other.getByRole('button', { name: 'Add it to the drawer' }).click()
  await expect(other.getByRole('heading', { name: 'Tidewater', level: 1 })).toBeVisible()
  await page.reload()
  await expect(pieceText(page)).toBeVisible()
})

test('a lock that another program holds: reading goes on, a deed waits, and gives up in words', async ({
  page,
}) => {
  const holder = new Database(join(server.folder, 'kelpfield.db'))
  await page.goto(`${server.address}/papers/new`)
  await page.getByLabel('Name').fill('Oyster')
  holder.exec('PRAGMA busy_timeout = 5000; BEGIN IMMEDIATE')
  try {
    await page.getByRole('button', { name: 'Add it to the drawer' }).click()
    const startMs = Date.now()
    expect((await fetch(`${server.address}/papers`)).status).toBe(200)
    expect(Date.now() - startMs).toBeLessThan(2000)
    await expect(page.getByText(/Another program is writing to the data/)).toBeVisible({ timeout: 12_000 })
  } finally {
    holder.exec('ROLLBACK')
    holder.close()
  }
  await page.getByRole('button', { name: 'Add it to the drawer' }).click()
  await expect(page.getByRole('heading', { name: 'Oyster', level: 1 })).toBeVisible()
})

test('a second server and scripts that rewrite are turned away while this one runs, in words', async () => {
  const { status, output } = await server.second()
  expect(status).toBe(1)
  expect(output).toContain(`Kelpfield on port ${server.port}`)
  expect(output).toContain('is working on the data folder')
  for (const script of ['migrate', 'load-demo', 'preflight']) {
    const turned = server.script(script)
    expect({ script, status: turned.status }).toEqual({ script, status: 1 })
    expect(turned.output).toContain(`Kelpfield on port ${server.port}`)
    expect(turned.output).not.toMatch(/\n\s+at .*:\d+:\d+/)
  }
  expect((await fetch(`${server.address}/papers`)).status).toBe(200)
})

/** The next deed arrives and is done; its answer never comes back. *Returns* how many answers were lost so far. */
async function loseOneAnswer(context: BrowserContext): Promise<() => number> {
  let lost = 0
  await context.route('**/papers/**', async (route) => {
    if (route.request().method() !== 'POST' || lost > 0) return route.continue()
    lost++
    await route.fetch()
    return route.abort('connectionreset')
  })
  return () => lost
}

test('an answer that gets lost: the press again counts once', async ({ page, context }) => {
  await addPaper(page, server.address, { name: 'Reed Green', colour: '#7f9563', sheets: '20' })
  const paper = page.url()
  const lost = await loseOneAnswer(context)
  await page.getByLabel('How many sheets').fill('7')
  await page.getByRole('button', { name: 'Put them in' }).click()
  await expect(page.getByText('Kelpfield did not answer')).toBeVisible()
  await page.getByRole('button', { name: 'Put them in' }).click()
  await expect(page.getByRole('listitem').filter({ hasText: '27 x A4' })).toBeVisible()
  expect(lost()).toBe(1)
  await page.goto(paper)
  await expect(page.getByRole('listitem').filter({ hasText: '27 x A4' })).toBeVisible()
})

test('other values after a lost answer: it says that the first were kept', async ({ page, context }) => {
  await page.goto(`${server.address}/papers`)
  await page.getByRole('link', { name: /Reed Green/ }).click()
  await loseOneAnswer(context)
  await page.getByLabel('How many sheets').fill('3')
  await page.getByRole('button', { name: 'Put them in' }).click()
  await expect(page.getByText('Kelpfield did not answer')).toBeVisible()
  await page.getByLabel('How many sheets').fill('4')
  await page.getByRole('button', { name: 'Put them in' }).click()
  await expect(page.getByText('Your press before this one was kept after all')).toBeVisible()
  await page.reload()
  await expect(page.getByRole('listitem').filter({ hasText: '30 x A4' })).toBeVisible()
})

test('a database deleted for good is not replaced by an empty one in silence', async ({
  page,
  quietConsole,
}) => {
  quietConsole.expectErrors(/500|#441/)
  const own = await TestServer.start({ copyOf: 'nothing' })
  rmSync(join(own.folder, 'kelpfield.db'))
  await page.goto(`${own.address}/papers`)
  await expect(page.getByRole('heading', { name: 'The data cannot be reached' })).toBeVisible()
  await own.remove()
})
