import { gzipSync } from 'node:zlib'
import { chromium } from '@playwright/test'
import { CHROMIUM_FLAGS } from '../e2e/support/chromium'
import { TestServer } from '../e2e/support/server'
import { percentile, report } from './figures'

const REQUESTS = 60
const PAGE_TARGET_MS = 50
const SCRIPT_TARGET_KB = 200

/** From sending the request to the last byte of the page, on loopback: the server's own time and a little more. */
async function pageTimes(address: string): Promise<readonly number[]> {
  const times: number[] = []
  for (let request = 0; request < REQUESTS + 5; request++) {
    const start = performance.now()
    const response = await fetch(address, { redirect: 'manual' })
    await response.text()
    if (request >= 5) times.push(performance.now() - start)
  }
  return times
}

const server = await TestServer.start({ demo: true })
try {
  const html = await (await fetch(`${server.address}/projects`)).text()
  const project = (name: string) => new RegExp(`href="(/projects/[\\w-]+)">${name}`).exec(html)?.[1] ?? ''
  const lids = project('Rosettes for the lantern lids')
  const bench = await (await fetch(server.address)).text()
  const run = /href="(\/runs\/[\w-]+)"/.exec(bench)?.[1] ?? ''
  const paths = [
    '/',
    '/projects',
    '/projects/new',
    '/designs',
    '/designs/corner-folded-rosette',
    '/designs/corner-folded-rosette/steps',
    '/designs/crane/steps?move=15',
    '/bases/frog',
    '/designs/pattern',
    '/papers',
    '/logbook',
    '/settings',
    run,
    run.replace('/runs/', '/logbook/'),
    ...['brief', 'colour', 'paper', 'cut', 'fold', 'join', 'deliver', 'log'].map(
      (station) => `${lids}/${station}`,
    ),
  ]
  console.log(`\nServer time of each page with the demo data, ${REQUESTS} requests: 95th percentile (median)`)
  for (const path of paths) {
    const times = await pageTimes(`${server.address}${path}`)
    const name = path.replace(/[\w-]{21}/, '...')
    report(`${name} (${percentile(times, 0.5).toFixed(0)})`, percentile(times, 0.95), 'ms', PAGE_TARGET_MS)
  }

  const browser = await chromium.launch({
    executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium-headless-shell',
    args: [...CHROMIUM_FLAGS],
  })
  const page = await browser.newPage()
  // The machine's own browser is sent scripts as they are; a tablet in the room gets them packed.
  const packed: Promise<number>[] = []
  page.on('response', (answer) => {
    if (answer.request().resourceType() === 'script')
      packed.push(answer.body().then((script) => gzipSync(script).length))
  })
  await page.goto(server.address)
  await page.waitForLoadState('networkidle')
  console.log('\nFirst load of the bench')
  const bytes = (await Promise.all(packed)).reduce((sum, one) => sum + one, 0)
  report('compressed JavaScript', bytes / 1000, 'kB', SCRIPT_TARGET_KB)
  await browser.close()
} finally {
  await server.remove()
}
