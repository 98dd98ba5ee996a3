import type { Page } from '@playwright/test'
import { expect, pieceText, pressTimes, tableReady, test } from './support/fixtures'

/** Goes on with Tab until what has the focus has this name; the pointer is never used. */
async function tabTo(page: Page, name: string | RegExp): Promise<void> {
  for (let presses = 0; presses < 150; presses++) {
    const here = await page.evaluate(() => {
      const element = document.activeElement
      if (!(element instanceof HTMLElement)) return ''
      const label = 'labels' in element ? (element as HTMLInputElement).labels?.[0]?.textContent : null
      return (element.getAttribute('aria-label') ?? label ?? element.textContent ?? '').trim()
    })
    if (typeof name === 'string' ? here === name : name.test(here)) return
    await page.keyboard.press('Tab')
  }
  throw new Error(`Tab never came to ${String(name)}`)
}

async function pressOn(page: Page, name: string | RegExp): Promise<void> {
  await tabTo(page, name)
  await page.keyboard.press('Enter')
}

async function typeInto(page: Page, name: string | RegExp, text: string): Promise<void> {
  await tabTo(page, name)
  await page.keyboard.press('ControlOrMeta+a')
  await page.keyboard.type(text)
}

test('the keyboard alone goes the whole way from an empty drawer to the log', async ({ page, shared }) => {
  test.setTimeout(180_000)
  const server = await shared.hold('nothing')
  await page.goto(`${server.address}/papers`)
  await pressOn(page, 'Add a paper')
  await page.waitForURL(/papers\/new/)
  await typeInto(page, 'Name', 'Tidewater')
  await pressOn(page, 'Add it to the drawer')
  await expect(page.getByRole('heading', { name: 'Tidewater' })).toBeVisible()
  await typeInto(page, 'How many sheets', '5')
  await page.keyboard.press('Enter')
  await expect(page.getByText('5 x A4')).toBeVisible()

  await pressOn(page, 'Projects')
  await page.waitForURL(/\/projects$/)
  await pressOn(page, 'Start a project')
  await page.locator('form[data-ready="true"]').waitFor()
  await typeInto(page, 'What for', 'Two hearts')
  await tabTo(page, 'Design')
  await page.keyboard.type('Simple')
  await typeInto(page, 'How many', '2')
  await typeInto(page, 'Size (cm)', '6')
  await pressOn(page, 'Plan it')
  await expect(page.getByRole('heading', { name: 'There is enough paper' })).toBeVisible()

  await pressOn(page, /^Next: cut a proof piece/)
  await page.waitForURL(/\/cut$/)
  await pressOn(page, 'One is cut, from Tidewater')
  await expect(page.getByText('Fold this one piece first')).toBeVisible()
  await pressOn(page, 'It is right: cut the rest')
  await expect(page.getByText('The proof piece is right.')).toBeVisible()
  const ticks = page.getByRole('button', { name: /^Tick off/ })
  for (let left = await ticks.count(); left > 0; left--) {
    await pressOn(page, /^Tick off/)
    await expect(ticks).toHaveCount(left - 1)
  }
  await expect(page.getByRole('heading', { name: 'All is cut' })).toBeVisible()

  await pressOn(page, /^Next: start folding/)
  await page.waitForURL(/\/fold$/)
  await pressOn(page, /^Start folding Simple heart/)
  await page.waitForURL(/\/runs\//)
  await tableReady(page)
  // Diagonals 2, body 4, rounding off 6.
  await pressTimes(page, 'Space', 24)
  await expect(page.getByRole('heading', { name: 'Check tray 1' })).toBeVisible()
  await expect(pieceText(page)).toHaveText('2 of 2')
  await pressTimes(page, 'Enter', 1)
  await expect(page.getByText('Space once more')).toBeVisible()
  await page.waitForTimeout(450)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: '2 hearts folded' })).toBeVisible()
  await pressOn(page, 'Back to the project')
  await page.waitForURL(/\/fold$/)
  await pressOn(page, /^Next: hand over/)
  await page.waitForURL(/\/deliver$/)
  await pressOn(page, 'Hand over')
  await expect(page.getByRole('heading', { name: 'Everything is delivered' })).toBeVisible()
  await pressOn(page, 'Read what it took')
  await expect(page.getByText('of 2 pieces folded')).toBeVisible()
})
