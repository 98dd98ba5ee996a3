import type { Browser, BrowserContext, Page } from '@playwright/test'

const DESK = { width: 1280, height: 800 }

/**
 * The one window of a worker: a process of the browser for every test took as long as what most of them test. Between
 * tests everything a site can keep is taken from it, and everything a test can set is set back.
 */
export class Window {
  readonly #browser: Browser
  #context: BrowserContext | null = null
  #page: Page | null = null

  constructor(browser: Browser) {
    this.#browser = browser
  }

  /** The context and its one page, as new. */
  async open(): Promise<{ readonly context: BrowserContext; readonly page: Page }> {
    const context = (this.#context ??= await this.#browser.newContext({ viewport: DESK, locale: 'en-GB' }))
    const page = this.#page?.isClosed() === false ? this.#page : await this.#newPage(context)
    await page.setViewportSize(DESK)
    await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'no-preference' })
    return { context, page }
  }

  /** Takes away what the test has left. `address` is where the next page can be had, so that the process stays. */
  async clear(address: string): Promise<void> {
    const context = this.#context
    if (!context) return
    await context.setOffline(false)
    await context.unrouteAll({ behavior: 'ignoreErrors' })
    const page = this.#page?.isClosed() === false ? this.#page : await this.#newPage(context)
    for (const other of context.pages()) if (other !== page) await other.close()
    page.removeAllListeners()
    const { origin } = new URL(page.url())
    await page.goto(`${address}/icon.svg`)
    await context.clearCookies()
    const session = await context.newCDPSession(page)
    for (const one of new Set([origin, address]))
      if (one !== 'null')
        await session.send('Storage.clearDataForOrigin', { origin: one, storageTypes: 'all' })
    await session.detach()
    context.removeAllListeners()
  }

  async #newPage(context: BrowserContext): Promise<Page> {
    const page = await context.newPage()
    const goto = page.goto.bind(page)
    page.goto = async (...to) => {
      const answer = await goto(...to)
      // What is typed into a form before its script is there is typed for nothing.
      await page.waitForFunction(() => document.querySelector('[data-ready="false"]:not(main)') === null)
      return answer
    }
    this.#page = page
    return page
  }
}
