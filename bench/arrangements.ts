// What is seen while it is planned: one number changed in the brief, and a preview of 500 pieces drawn along.
import { chromium, type Page } from '@playwright/test'
import { CHROMIUM_FLAGS } from '../e2e/support/chromium'
import { TestServer } from '../e2e/support/server'
import { percentile, report } from './figures'

const CHANGE_TARGET_MS = 100
const FRAME_TARGET_MS = { median: 20, high: 33 }
const CHANGES = 21
const FRAMES = 200
const PAPERS = ['Buoy Orange', 'Tidewater', 'Oyster', 'Dusk Plum', 'Reed Green'] as const

const field = (page: Page, name: string) => page.locator(`[id="lines.0.${name}"]`)

async function writeGarland(page: Page, address: string, pieces: number): Promise<void> {
  await page.goto(`${address}/projects/new`)
  await page.waitForFunction(() => document.querySelector('[data-ready="false"]') === null)
  await page.getByLabel('What for').fill(`A garland of ${pieces}`)
  await page.getByLabel('Made into').selectOption({ label: 'a garland' })
  await field(page, 'designId').selectOption({ label: 'Narrow leaf' })
  await page.getByRole('img', { name: 'Narrow leaf, finished' }).first().waitFor()
  await page.getByLabel('or how many').fill(String(pieces))
  await page.getByLabel('One every (cm)').fill('8')
  await field(page, 'size').fill('6')
  const group = page.getByRole('group', { name: 'Papers of line 1' })
  for (const [row, paper] of PAPERS.entries()) {
    if (row > 0) await group.getByRole('button', { name: 'Another paper' }).click()
    await field(page, `papers.${row}.paperId`).selectOption({ label: paper })
  }
  await group.getByRole('button', { name: 'Share evenly' }).click()
}

/** From a number typed to the frame that shows all that follows from it, ms. */
const changeTimes = (page: Page, pieces: number): Promise<readonly number[]> =>
  page.getByLabel('or how many').evaluate(
    async (input, [from, changes]) => {
      const value = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')
      const frame = () => new Promise((resolve) => requestAnimationFrame(resolve))
      const all: number[] = []
      for (let change = 1; change <= changes; change++) {
        const wanted = from + (change % 2 === 0 ? 0 : 5)
        await frame()
        const startMs = performance.now()
        value?.set?.call(input, String(wanted))
        input.dispatchEvent(new Event('input', { bubbles: true }))
        while (document.querySelector(`[aria-label^="${wanted} pieces"]`) === null) await frame()
        // The frame that shows it is there when the next one begins.
        await frame()
        all.push(performance.now() - startMs)
      }
      return all
    },
    [pieces, CHANGES] as const,
  )

const frameTimes = (page: Page): Promise<readonly number[]> =>
  page.evaluate(async (frames) => {
    const box = document.querySelector('.order-by-hand [role=region]')
    if (!box) throw new Error('nothing to draw along')
    const all: number[] = []
    let lastMs = performance.now()
    for (let at = 0; at < frames; at++) {
      await new Promise((resolve) => requestAnimationFrame(resolve))
      const nowMs = performance.now()
      all.push(nowMs - lastMs)
      lastMs = nowMs
      box.scrollLeft = 40 * at
      box.scrollTop = 2 * at
    }
    return all.slice(10)
  }, FRAMES)

const server = await TestServer.start({ demo: true })
const browser = await chromium.launch({
  executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium-headless-shell',
  args: [...CHROMIUM_FLAGS],
})
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  console.log('\nOne number changed in the brief: 95th percentile (median)')
  for (const pieces of [24, 90, 500]) {
    await writeGarland(page, server.address, pieces)
    const times = await changeTimes(page, pieces)
    report(
      `a garland of ${pieces} (${percentile(times, 0.5).toFixed(0)})`,
      percentile(times, 0.95),
      'ms',
      CHANGE_TARGET_MS,
    )
  }
  await page
    .getByRole('group', { name: 'Papers of line 1' })
    .getByRole('button', { name: 'Share evenly' })
    .click()
  await page.getByRole('button', { name: 'Plan it' }).click()
  await page.getByRole('link', { name: /^Colour/ }).click()
  await page.locator('.order-by-hand[data-ready=true]').waitFor()
  for (let more = 0; more < 4; more++) await page.getByRole('button', { name: 'Larger' }).click()
  const frames = await frameTimes(page)
  console.log('\nA preview of 500 pieces drawn along, sixteen times as large as the page')
  report('a frame, median', percentile(frames, 0.5), 'ms', FRAME_TARGET_MS.median)
  report('a frame, 95th percentile', percentile(frames, 0.95), 'ms', FRAME_TARGET_MS.high)
} finally {
  await browser.close()
  await server.remove()
}
