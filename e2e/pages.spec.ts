import { expect, expectAccessible, test } from './support/fixtures'

const STATIONS = ['brief', 'colour', 'paper', 'cut', 'fold', 'join', 'deliver', 'log'] as const
const PLAIN = [
  '/',
  '/projects',
  '/projects?away=1',
  '/projects/new',
  '/designs',
  '/designs/corner-folded-rosette',
  '/designs/narrow-leaf',
  '/designs/simple-heart',
  '/designs/corner-folded-rosette/steps?move=20',
  '/designs/crane/steps?move=99',
  '/bases/frog?move=10',
  '/designs/pattern',
  '/papers',
  '/papers/new',
  '/logbook',
  '/settings',
] as const

const SIZES = [
  { name: '1280 x 800', width: 1280, height: 800, axe: /./ },
  // The same markup in fewer columns: faults that a narrow page alone has show on these.
  { name: 'tablet portrait', width: 800, height: 1280, axe: /^\/$|brief|fold|runs/ },
] as const

for (const { name, axe, ...viewport } of SIZES)
  test.describe(name, () => {
    test.use({ viewport })

    test('no page has an accessibility fault, an error or something that sticks out', async ({
      page,
      demo,
    }) => {
      test.setTimeout(240_000)
      await page.goto(`${demo.address}/projects`)
      const project = (name: string) => page.getByRole('link', { name, exact: true }).getAttribute('href')
      const lids = (await project('Rosettes for the lantern lids')) ?? ''
      const garland = (await project('Garland of leaves along the jetty rail')) ?? ''
      await page.goto(`${demo.address}/papers`)
      const paper = (await page.getByRole('link', { name: 'Reed Green' }).getAttribute('href')) ?? ''
      await page.goto(`${demo.address}/logbook`)
      const run =
        (await page.getByRole('link', { name: 'Simple heart, Dusk Plum' }).getAttribute('href')) ?? ''
      const paths = [
        ...PLAIN,
        paper,
        run,
        run.replace('/logbook/', '/runs/'),
        ...[lids, garland].flatMap((id) => STATIONS.map((station) => `${id}/${station}`)),
      ]
      for (const path of paths)
        await test.step(path, async () => {
          await page.goto(`${demo.address}${path}`)
          await expect(page.getByRole('heading', { level: 1 })).toHaveCount(1)
          if (axe.test(path)) await expectAccessible(page)
          const sticksOut = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)
          expect(sticksOut).toBeLessThanOrEqual(0)
        })
    })
  })

test.describe('by night', () => {
  test.use({ colorScheme: 'dark' })
  test('contrast holds in the dark theme too', async ({ page, demo }) => {
    for (const path of ['/', '/designs', '/logbook', '/projects/new', '/designs/crane/steps?move=15']) {
      await page.goto(`${demo.address}${path}`)
      await expectAccessible(page)
    }
    await page.goto(`${demo.address}/`)
    await page.getByRole('link', { name: /Continue folding Corner-folded/ }).click()
    await page.locator('main[data-ready="true"]').waitFor()
    await expectAccessible(page)
  })
})

test('a page that is not there says so and leads back', async ({ page, demo, quietConsole }) => {
  quietConsole.expectErrors(/404/)
  for (const path of [
    '/nowhere',
    '/projects/nowhere/cut',
    '/papers/nowhere',
    '/runs/nowhere',
    '/logbook/nowhere',
    '/designs/nowhere',
    '/designs/nowhere/steps',
    '/bases/nowhere',
  ]) {
    await page.goto(`${demo.address}${path}`)
    await expect(page.getByRole('heading', { name: 'There is no such page' })).toBeVisible()
  }
  expect((await page.goto(`${demo.address}/nowhere`))?.status()).toBe(404)
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
  const table = page.getByRole('table', { name: 'Largest squares for a leaf by whole sheets' })
  await expect(table).toBeVisible()
  await expect(table.getByRole('row', { name: '10.5 cm' })).toBeVisible()
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
