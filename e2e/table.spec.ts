import type { Page } from '@playwright/test'
import { expect, expectAllKept, pieceText, pressTimes, tableReady, test } from './support/fixtures'
import { justFold } from './support/job'
import type { TestServer } from './support/server'

/** A leaf is six folds: rib, two edges, two edges, halve. */
const FOLDS = 6

let server: TestServer
test.beforeAll(async ({ shared }) => {
  server = await shared.hold('nothing')
})

const now = (page: Page) => page.locator('main [aria-live="polite"]')

test('a reload in the middle of a run comes back to the exact fold', async ({ page }) => {
  await justFold(page, server.address)
  await pressTimes(page, 'Space', 2 * FOLDS + 2)
  await expect(now(page)).toContainText('2 of 2 edges')
  await page.reload()
  await tableReady(page)
  await expect(pieceText(page)).toHaveText('3 of 9')
  await expect(now(page)).toContainText('2 of 2 edges')
  await expect(now(page)).toContainText('Raw edge to the rib')
})

test('a tap made just before the page closes is not lost', async ({ page, context, quietConsole }) => {
  quietConsole.expectErrors(/ERR_FAILED/)
  await justFold(page, server.address)
  const table = page.url()
  await page.route('**/events', (route) => route.abort())
  await page.keyboard.press('Space')
  await expect(now(page)).toContainText('1 of 2 edges')
  await page.close({ runBeforeUnload: false })
  const again = await context.newPage()
  await again.goto(table)
  await tableReady(again)
  await expect(now(again)).toContainText('1 of 2 edges')
  await expectAllKept(again)
})

test('the server stops and starts again during taps: nothing is lost or counted twice', async ({
  page,
  quietConsole,
}) => {
  quietConsole.expectErrors(/ERR_CONNECTION|Failed to (load|fetch)|ERR_EMPTY_RESPONSE|ERR_SOCKET/)
  await justFold(page, server.address)
  await pressTimes(page, 'Space', 3)
  await server.stop('SIGKILL')
  await pressTimes(page, 'Space', 5)
  await expect(page.getByText(/taps are kept in this browser/)).toBeVisible()
  await expect(pieceText(page)).toHaveText('2 of 9')
  await server.begin()
  await expectAllKept(page)
  await pressTimes(page, 'Space', 2)
  await expectAllKept(page)
  await page.reload()
  await tableReady(page)
  await expect(pieceText(page)).toHaveText('2 of 9')
  await expect(now(page)).toContainText('2 of 2 edges')
  await expect(now(page)).toContainText('from the other end')
})

test('two windows on one run that both press next make one step', async ({ page, context }) => {
  await justFold(page, server.address)
  const other = await context.newPage()
  await other.goto(page.url())
  await tableReady(other)
  await Promise.all([page.keyboard.press('Space'), other.keyboard.press('Space')])
  await expect(now(page)).toContainText('1 of 2 edges')
  await expect(now(other)).toContainText('1 of 2 edges')
  await expectAllKept(page)
  await expectAllKept(other)
  await page.waitForTimeout(3000)
  await expect(now(page)).toContainText('1 of 2 edges')
  await pressTimes(other, 'Space', 1)
  await expect(now(page)).toContainText('2 of 2 edges')
})

test('undo takes back taps and a spoiling, one at a time', async ({ page }) => {
  await justFold(page, server.address)
  await pressTimes(page, 'Space', FOLDS)
  await pressTimes(page, 's', 1)
  await expect(pieceText(page)).toHaveText('3 of 10')
  await pressTimes(page, 'Backspace', 1)
  await expect(pieceText(page)).toHaveText('2 of 9')
  await pressTimes(page, 'u', 2)
  await expect(pieceText(page)).toHaveText('1 of 9')
  await expect(now(page)).toContainText('2 of 2 edges')
  await page.waitForTimeout(250)
  await page.getByRole('button', { name: 'Next' }).click()
  await expect(now(page)).toContainText('Fold in half along the rib')
})

test('a held key and a double touch count once', async ({ page }) => {
  await justFold(page, server.address)
  await page.keyboard.down('Space')
  for (let count = 0; count < 5; count++) await page.keyboard.down('Space')
  await page.keyboard.up('Space')
  await expect(now(page)).toContainText('1 of 2 edges')
  await page.waitForTimeout(250)
  await page.getByRole('button', { name: 'Next' }).dblclick()
  await expect(now(page)).toContainText('2 of 2 edges')
})

test('one step across the tray: the same fold on every piece before the next', async ({ page }) => {
  await justFold(page, server.address, { tray: '3', order: 'across the tray' })
  await pressTimes(page, 'Space', 2)
  await expect(pieceText(page)).toHaveText('3 of 9')
  await expect(now(page)).toContainText('crease the rib')
  await pressTimes(page, 'Space', 1)
  await expect(pieceText(page)).toHaveText('1 of 9')
  await expect(now(page)).toContainText('Raw edge to the rib')
})

test('without the focus the whole screen says that it does not listen', async ({ page }) => {
  await justFold(page, server.address)
  await page.evaluate(() => {
    document.hasFocus = () => false
    window.dispatchEvent(new Event('blur'))
  })
  await expect(page.getByText('Not listening. Touch the screen.')).toBeVisible()
  await page.evaluate(() => {
    document.hasFocus = () => true
    window.dispatchEvent(new Event('focus'))
  })
  await expect(page.getByText('Not listening')).toBeHidden()
})

test('what is read from a metre and a half has an x-height of 9 mm or more', async ({ page }) => {
  await justFold(page, server.address)
  const heights = await page.locator('main [aria-live="polite"] p.figure').evaluateAll((paragraphs) =>
    paragraphs.map((paragraph) => {
      const style = getComputedStyle(paragraph)
      const context = document.createElement('canvas').getContext('2d')
      if (!context) return 0
      context.font = `${style.fontWeight} ${style.fontSize} ${style.fontFamily}`
      return context.measureText('x').actualBoundingBoxAscent
    }),
  )
  const sentence = heights.at(-1) ?? 0
  const mm = (sentence / 96) * 25.4
  expect(mm).toBeGreaterThanOrEqual(9)
})

test('a spoiled piece tells its reason by one key at once, and a touch on a button leaves Space as it was', async ({
  page,
}) => {
  await justFold(page, server.address, { tray: '1' })
  await pressTimes(page, 's', 1)
  await page.keyboard.press('1')
  await expect(page.getByRole('group', { name: 'Why piece 1 was spoiled' })).toHaveCount(0)
  await expect(page.getByRole('heading', { name: 'Check tray 1' })).toBeVisible()
  await expect(page.getByLabel('Why piece 1 was spoiled')).toHaveValue('torn')
  await page.getByRole('button', { name: 'Tray is right' }).click()
  await expect(pieceText(page)).toHaveText('2 of 10')
  await page.waitForTimeout(250)
  await page.getByRole('button', { name: 'Spoiled' }).click()
  await expect(page.getByText('0 good, 2 spoiled, 9 to go')).toBeVisible()
  // Space does not press the button again: it offers to check the tray, which still wants a reason.
  await pressTimes(page, 'Space', 2)
  await expect(page.getByText('0 good, 2 spoiled, 9 to go')).toBeVisible()
  await expect(page.getByText('Say why a piece was spoiled')).toBeVisible()
})

test('what is to be done fits the screen, and on a phone Next stays in reach', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 800 })
  // It has one of the longest sayings of the library, with two notes.
  await justFold(page, server.address, { design: 'raised-head-butterfly' })
  const sayings: string[] = []
  for (let fold = 0; fold < 8; fold++) {
    sayings.push(await now(page).innerText())
    expect(await page.evaluate(() => document.documentElement.scrollHeight)).toBeLessThanOrEqual(800)
    await pressTimes(page, 'Space', 1)
  }
  expect(sayings.join(' ')).toContain('Its tip back up, out over the edge, to the gauge')
  await page.setViewportSize({ width: 390, height: 844 })
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  await expect(page.getByRole('button', { name: 'Next', exact: true })).toBeInViewport({ ratio: 1 })
})
