import { chromium, type Page } from '@playwright/test'
import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { CHROMIUM_FLAGS } from '../e2e/support/chromium'
import { TestServer } from '../e2e/support/server'

/** A Wednesday morning; the demo's dates are set from it. */
const FROZEN_NOW = '2026-11-25T09:30:00Z'
const folder = process.argv[2] ?? join('docs', 'screenshots')

interface Shot {
  readonly name: string
  readonly path: (ids: Ids) => string
  readonly width?: number
  readonly height?: number
  readonly dark?: boolean
  readonly prepare?: (page: Page) => Promise<void>
  readonly whole?: boolean
}

interface Ids {
  readonly lids: string
  readonly garland: string
  readonly bottles: string
  readonly hearts: string
  readonly run: string
}

const SHOTS: readonly Shot[] = [
  { name: 'bench', path: () => '/' },
  { name: 'projects', path: () => '/projects' },
  {
    name: 'brief',
    path: ({ bottles }) => `/projects/${bottles}/brief`,
    whole: true,
    // Each line's dial is turned in a worker.
    prepare: async (page) => page.getByRole('slider').nth(1).waitFor(),
  },
  { name: 'colour', path: ({ bottles }) => `/projects/${bottles}/colour`, whole: true },
  { name: 'paper-station', path: ({ garland }) => `/projects/${garland}/paper` },
  {
    name: 'cut',
    path: ({ garland }) => `/projects/${garland}/cut`,
    whole: true,
    prepare: async (page) => {
      await page.getByRole('button', { name: 'Skip the proof piece' }).click()
      await page
        .getByRole('button', { name: /^Try other sizes/ })
        .first()
        .click()
      await page.getByRole('table').waitFor()
    },
  },
  { name: 'fold', path: ({ lids }) => `/projects/${lids}/fold` },
  { name: 'at-the-table', path: ({ run }) => `/runs/${run}` },
  { name: 'join', path: ({ lids }) => `/projects/${lids}/join` },
  { name: 'project-log', path: ({ hearts }) => `/projects/${hearts}/log` },
  { name: 'designs', path: () => '/designs' },
  { name: 'design', path: () => '/designs/ring-star', whole: true },
  { name: 'steps', path: () => '/designs/crocus/steps?move=14' },
  {
    name: 'pattern',
    path: () => '/designs/pattern',
    prepare: async (page) => {
      const file = await page.request.get(new URL('/api/fold-file/base/frog?move=99', page.url()).href)
      const buffer = await file.body()
      await page
        .locator('#pattern-file')
        .setInputFiles({ name: 'frog.fold', mimeType: 'application/json', buffer })
      await page.getByRole('img', { name: 'Folded, from above' }).waitFor()
    },
  },
  { name: 'papers', path: () => '/papers' },
  { name: 'logbook', path: () => '/logbook' },
  { name: 'settings', path: () => '/settings' },
  { name: 'bench-night', path: () => '/', dark: true },
  { name: 'fold-tablet', path: ({ lids }) => `/projects/${lids}/fold`, width: 800, height: 1280 },
]

async function idsFrom(page: Page, address: string): Promise<Ids> {
  await page.goto(`${address}/projects`)
  const idOf = async (name: string) => {
    const href = await page.getByRole('link', { name, exact: true }).getAttribute('href')
    return href?.split('/')[2] ?? ''
  }
  const ids = {
    lids: await idOf('Rosettes for the lantern lids'),
    garland: await idOf('Garland of leaves along the jetty rail'),
    bottles: await idOf('Bottles for the long tables'),
    hearts: await idOf('Hearts as lantern tags'),
  }
  await page.goto(address)
  const run = await page
    .getByRole('link', { name: /Continue folding Corner-folded rosette/ })
    .getAttribute('href')
  return { ...ids, run: run?.split('/')[2] ?? '' }
}

mkdirSync(folder, { recursive: true })
const server = await TestServer.start({ demo: true, env: { KELPFIELD_NOW: FROZEN_NOW } })
const browser = await chromium.launch({
  executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium-headless-shell',
  args: [...CHROMIUM_FLAGS],
})
try {
  const first = await browser.newPage()
  const ids = await idsFrom(first, server.address)
  await first.close()
  const only = process.argv.slice(3)
  for (const shot of SHOTS.filter(({ name }) => only.length === 0 || only.includes(name))) {
    const page = await browser.newPage({
      viewport: { width: shot.width ?? 1280, height: shot.height ?? 800 },
      colorScheme: shot.dark === true ? 'dark' : 'light',
      reducedMotion: 'reduce',
      locale: 'en-GB',
    })
    await page.goto(`${server.address}${shot.path(ids)}`)
    await page.waitForFunction(() => document.querySelector('[data-ready="false"]') === null)
    await page.evaluate(() => document.fonts.ready)
    await shot.prepare?.(page)
    await page.screenshot({ path: join(folder, `${shot.name}.png`), fullPage: shot.whole ?? false })
    await page.close()
    console.log(shot.name)
  }
} finally {
  await browser.close()
  await server.remove()
}
