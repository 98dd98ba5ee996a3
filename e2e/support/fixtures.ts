import axe from 'axe-core'
import { expect, test as base, type BrowserContext, type Page } from '@playwright/test'
import { TestServer, type Data } from './server'
import { Window } from './window'

interface Fixtures {
  /** Fails the test when any page of it wrote an error to the console, threw, or asked for anything outside this machine. */
  readonly quietConsole: { readonly expectErrors: (pattern: RegExp) => void }
  /** A server with the demo data, for tests that only read. */
  readonly demo: TestServer
  /** The worker's window, emptied of what the test before left. */
  readonly opened: { readonly context: BrowserContext; readonly page: Page }
}

interface WorkerFixtures {
  /** The one server of a worker. A file that writes exchanges its data first: `shared.hold('nothing')`. */
  readonly shared: SharedServer
  readonly window: Window
}

class SharedServer {
  readonly #server: TestServer
  #onlyRead = true

  constructor(server: TestServer) {
    this.#server = server
  }

  get address(): string {
    return this.#server.address
  }

  /** The server with data of its own for what is to be written. */
  async hold(data: Data): Promise<TestServer> {
    this.#onlyRead = false
    await this.#server.hold(data)
    return this.#server
  }

  /** The server with the demo data as it is loaded. */
  async toRead(): Promise<TestServer> {
    if (!this.#onlyRead) await this.#server.hold('demo')
    this.#onlyRead = true
    return this.#server
  }
}

export const test = base.extend<Fixtures, WorkerFixtures>({
  opened: async ({ shared, window }, give) => {
    await give(await window.open())
    await window.clear(shared.address)
  },
  context: ({ opened }, give) => give(opened.context),
  page: ({ opened }, give) => give(opened.page),
  demo: async ({ shared }, give) => give(await shared.toRead()),
  shared: [
    async ({}, give) => {
      const server = await TestServer.start({ copyOf: 'demo' })
      await give(new SharedServer(server))
      await server.remove()
    },
    { scope: 'worker' },
  ],
  window: [({ browser }, give) => give(new Window(browser)), { scope: 'worker' }],
  quietConsole: [
    async ({ context }, use) => {
      const errors: string[] = []
      // A server that a test has stopped refuses what a page still asks for; that is the test's doing.
      const expected: RegExp[] = [/ERR_CONNECTION_(REFUSED|RESET)/]
      context.on('console', (message) => {
        if (message.type() === 'error') errors.push(`${message.text()} ${message.location().url}`)
      })
      const outside: string[] = []
      context.on('request', (request) => {
        const { hostname, protocol } = new URL(request.url())
        if (protocol.startsWith('http') && hostname !== '127.0.0.1') outside.push(request.url())
      })
      context.on('weberror', (error) => errors.push(String(error.error())))
      await use({ expectErrors: (pattern) => expected.push(pattern) })
      expect(errors.filter((text) => !expected.some((pattern) => pattern.test(text)))).toEqual([])
      expect(outside).toEqual([])
    },
    { auto: true },
  ],
})

export { expect }

const RULES = {
  all: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'],
  /** What other colours on the same markup can break. */
  colours: ['color-contrast', 'link-in-text-block'],
  /** What fewer columns of the same markup can break. */
  columns: ['target-size', 'scrollable-region-focusable', 'color-contrast'],
} as const

/** WCAG 2.2 A and AA by axe; every finding is printed with its place. */
export async function expectAccessible(page: Page, rules: keyof typeof RULES = 'all'): Promise<void> {
  // A button that has just been set free is still on its way from the pale colours of a locked one.
  // Only what runs by the clock ends: an animation bound to the scroll position runs for as long as it is there.
  await page.waitForFunction(
    () =>
      document.querySelector('[data-ready="false"]') === null &&
      document
        .getAnimations()
        .every(
          (one) =>
            one.playState !== 'running' ||
            one.timeline !== document.timeline ||
            one.effect?.getTiming().iterations === Infinity,
        ),
  )
  // Nothing here is framed from elsewhere: axe runs in the page itself, and tells what it finds, not what passes.
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source)
  const { violations } = await page.evaluate(
    (only) =>
      (window as unknown as { axe: typeof axe }).axe.run(document, {
        resultTypes: ['violations'],
        runOnly: [...only],
        elementRef: false,
      }),
    RULES[rules],
  )
  expect(
    violations.flatMap(({ id, nodes }) =>
      nodes.map((node) => `${id}: ${node.target.join(' ')} ${node.failureSummary ?? ''}`),
    ),
  ).toEqual([])
}

/** The table is listening: the page is hydrated and kept taps are taken up. */
export async function tableReady(page: Page): Promise<void> {
  await page.locator('main[data-ready="true"]').waitFor()
}

/** Two presses closer than 180 ms count as one. */
const HANDS_MS = 195

/** Presses a key so many times, with the pause that hands need: two presses closer than that count as one. */
export async function pressTimes(page: Page, key: string, times: number): Promise<void> {
  for (let count = 0; count < times; count++) {
    await page.waitForTimeout(HANDS_MS)
    await page.keyboard.press(key)
  }
}

/** The big "k of n" at the table. */
export const pieceText = (page: Page) => page.getByTestId('piece')

export async function expectAllKept(page: Page): Promise<void> {
  await expect(page.locator('[data-sync]')).toHaveAttribute('data-sync', 'kept', { timeout: 20_000 })
}
