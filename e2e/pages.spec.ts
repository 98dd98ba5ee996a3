import type { Page } from '@playwright/test'
import { expect, expectAccessible, test } from './support/fixtures'
import type { TestServer } from './support/server'

const DESK = { width: 1280, height: 800 }
const TABLET_PORTRAIT = { width: 800, height: 1280 }
const STATIONS = ['brief', 'colour', 'paper', 'cut', 'fold', 'join', 'deliver', 'log'] as const

const href = async (page: Page, from: string, name: string | RegExp): Promise<string> => {
  await page.goto(from)
  return (await page.getByRole('link', { name, exact: true }).getAttribute('href')) ?? ''
}

const stationsOf = async (page: Page, { address }: TestServer, project: string) => {
  const at = await href(page, `${address}/projects`, project)
  return STATIONS.map((station) => `${at}/${station}`)
}

/** Which pages there are, in parts that can be walked side by side. */
const WALKS: Readonly<
  Record<string, (page: Page, demo: TestServer) => readonly string[] | Promise<readonly string[]>>
> = {
  'the bench, projects, papers, settings': async (page, { address }) => [
    '/',
    '/projects',
    '/projects?away=1',
    '/projects/new',
    '/projects/new?from=occasion',
    '/projects/new?from=stack',
    '/projects/new?from=before',
    '/papers',
    '/papers/new',
    await href(page, `${address}/papers`, 'Reed Green'),
    '/papers/shopping',
    '/papers/supplies',
    '/papers/scraps',
    '/papers/table',
    `/papers/fits?paper=${(await href(page, `${address}/papers`, 'Reed Green')).split('/').at(-1) ?? ''}`,
    '/settings',
  ],
  'designs and their steps': () => [
    '/designs',
    '/designs/corner-folded-rosette',
    '/designs/narrow-leaf',
    '/designs/simple-heart',
    '/designs/corner-folded-rosette/steps?move=20',
    '/designs/crane/steps?move=99',
    '/bases/frog?move=10',
    '/designs/pattern',
  ],
  'the logbook and the table': async (page, { address }) => {
    const run = await href(page, `${address}/logbook`, 'Simple heart, Dusk Plum')
    const open = await href(page, address, /Continue folding Corner-folded/)
    return ['/logbook', run, run.replace('/logbook/', '/runs/'), open]
  },
  'a project all of whose stations have work': (page, demo) =>
    stationsOf(page, demo, 'Rosettes for the lantern lids'),
  'a project of another kind': (page, demo) =>
    stationsOf(page, demo, 'Garland of leaves along the jetty rail'),
  'bottles of flowers and leaves': async (page, demo) =>
    (await stationsOf(page, demo, 'Bottles for the long tables')).slice(0, 3),
}
/** The same markup in fewer columns: faults that a narrow page alone has show on these. */
const AXE_ON_TABLET = /^\/$|brief|fold|runs/
const AXE_BY_NIGHT = /^\/$|^\/designs$|^\/logbook$|new$|steps|runs/

async function expectNothingSticksOut(page: Page): Promise<void> {
  const sticksOut = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)
  expect(sticksOut).toBeLessThanOrEqual(0)
}

for (const [what, paths] of Object.entries(WALKS))
  test(`no accessibility fault, no error, nothing sticks out, at a desk, on a tablet, by night: ${what}`, async ({
    page,
    demo,
  }) => {
    for (const path of await paths(page, demo))
      await test.step(path, async () => {
        await page.setViewportSize(DESK)
        await page.emulateMedia({ colorScheme: 'light' })
        await page.goto(`${demo.address}${path}`)
        await expect(page.getByRole('heading', { level: 1 })).toHaveCount(1)
        await expectAccessible(page)
        await expectNothingSticksOut(page)
        await page.setViewportSize(TABLET_PORTRAIT)
        await expectNothingSticksOut(page)
        if (AXE_ON_TABLET.test(path)) await expectAccessible(page, 'columns')
        if (!AXE_BY_NIGHT.test(path)) return
        await page.emulateMedia({ colorScheme: 'dark' })
        await expectAccessible(page, 'colours')
      })
  })

test('a page that is not there says so and leads back', async ({ page, demo, quietConsole }) => {
  quietConsole.expectErrors(/404/)
  for (const path of [
    '/projects/nowhere/cut',
    '/papers/nowhere',
    '/runs/nowhere',
    '/logbook/nowhere',
    '/designs/nowhere',
    '/designs/nowhere/steps',
    '/bases/nowhere',
  ])
    expect(await (await fetch(`${demo.address}${path}`)).text()).toContain('There is no such page')
  expect((await page.goto(`${demo.address}/nowhere`))?.status()).toBe(404)
  await expect(page.getByRole('heading', { name: 'There is no such page' })).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('link', { name: 'To the bench' }).click()
  await expect(page.getByRole('heading', { name: 'Bench' })).toBeVisible()
})

test('one switch shows every length in inches, and back', async ({ page, demo }) => {
  await page.goto(`${demo.address}/designs`)
  const rosette = page.getByRole('listitem').filter({ hasText: 'Corner-folded rosette' })
  await expect(rosette).toContainText('5.9 cm edge to edge')
  await page.getByRole('button', { name: /switch to inches/ }).click()
  await expect(rosette).toContainText('2 5/16 in edge to edge')
  await page.getByRole('button', { name: /switch to centimetres/ }).click()
  await expect(rosette).toContainText('5.9 cm edge to edge')
})

test('the size dial works both ways and says how a size is got', async ({ page, demo }) => {
  await page.goto(`${demo.address}/designs/corner-folded-rosette`)
  await page.locator('#dial-given').selectOption('edge-to-edge')
  await page.locator('#dial-size').fill('5')
  await expect(page.getByText('12.445 cm')).toBeVisible()
  await page.locator('#dial-overhang').fill('9')
  await expect(page.locator('#dial-overhang-error')).toContainText(
    'Set the petal overhang from 0 cm to 0.8 cm.',
  )
  await page.locator('#dial-overhang').fill('0')
  await expect(page.getByText('14.142 cm')).toBeVisible()
  await page.getByText('How this is worked out').first().click()
  await expect(page.getByText('divides the side by the square root of 2')).toBeVisible()
})

test('other sizes are tried in a worker, with the saving named', async ({ page, demo }) => {
  await page.goto(`${demo.address}/projects`)
  await page.getByRole('link', { name: 'Garland of leaves along the jetty rail', exact: true }).click()
  await page.getByRole('link', { name: /^Cut/ }).click()
  await page
    .getByRole('button', { name: /^Try other sizes/ })
    .first()
    .click()
  const table = page.getByRole('table', { name: 'Largest sizes for a leaf by whole sheets' })
  await expect(table).toBeVisible()
  await expect(table.getByRole('row', { name: /^10.5 cm/ })).toBeVisible()
})

test('the keys are explained, and the skip link leads to the page', async ({ page, demo }) => {
  await page.goto(`${demo.address}/papers`)
  // Again until it listens: the page is there before its scripts are.
  await expect(async () => {
    await page.keyboard.press('?')
    await expect(page.getByRole('dialog', { name: 'Everything by keyboard' })).toBeVisible({ timeout: 500 })
  }).toPass()
  await expectAccessible(page)
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog')).toBeHidden()
  await page.reload()
  await page.keyboard.press('Tab')
  await expect(page.getByRole('link', { name: 'Skip to the page' })).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(page.locator('#main')).toBeFocused()
})

test('a press on a heading sorts a table: up, down, and as it was', async ({ page, demo }) => {
  await page.goto(`${demo.address}/logbook`)
  const table = page.getByRole('table', { name: 'Rejects expected, by family' })
  await expect(table).toBeVisible()
  const folded = async () =>
    (await table.locator('tbody td:nth-child(2)').allInnerTexts()).map((text) => Number(text))
  const before = await folded()
  expect(new Set(before).size).toBeGreaterThan(2)
  const down = before.toSorted((a, b) => b - a)
  const heading = table.getByRole('button', { name: 'Folded' })
  const orders = new Map([
    ['descending', down],
    ['ascending', down.toReversed()],
  ])
  for (let press = 0; press < 2; press++) {
    await heading.click()
    const order = await table.getByRole('columnheader', { name: 'Folded' }).getAttribute('aria-sort')
    expect(await folded()).toEqual(orders.get(order ?? ''))
    orders.delete(order ?? '')
  }
  expect(orders.size).toBe(0)
  await heading.click()
  expect(await folded()).toEqual(before)
})

test('bars of the logbook are as long as their counts', async ({ page, demo }) => {
  await page.goto(`${demo.address}/logbook`)
  const section = page.locator('section').filter({ has: page.getByRole('heading', { name: 'By grade' }) })
  await expect(section.locator('dd').first()).toBeVisible()
  const counts = (await section.locator('dd').allInnerTexts()).map(Number)
  const bars = section.locator('.recharts-bar-rectangle')
  await expect(bars).toHaveCount(counts.length)
  expect(counts.length).toBeGreaterThan(1)
  const widths = await Promise.all(
    (await bars.all()).map(async (bar) => (await bar.boundingBox())?.width ?? 0),
  )
  for (const [index, width] of widths.entries())
    expect(width / widths[0]!).toBeCloseTo(counts[index]! / counts[0]!, 2)
})
