import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { expect, expectAccessible, test } from './support/fixtures'
import type { TestServer } from './support/server'

let server: TestServer
test.beforeAll(async ({ shared }) => {
  server = await shared.hold('demo')
})

/** Presses and typed fields of a job, as a hand would count them. */
class Hand {
  readonly #page: Page
  presses = 0
  typed = 0

  constructor(page: Page) {
    this.#page = page
  }

  async press(role: 'link' | 'button', name: string | RegExp): Promise<void> {
    await this.#page.getByRole(role, { name }).first().click()
    this.presses++
  }

  async choose(label: string, option: string): Promise<void> {
    await this.#page.getByLabel(label, { exact: true }).first().selectOption({ label: option })
    this.presses++
  }

  async type(label: string, text: string): Promise<void> {
    await this.#page.getByLabel(label, { exact: true }).first().fill(text)
    this.typed++
  }
}

async function begin(page: Page): Promise<Hand> {
  await page.goto(`${server.address}/projects`)
  const hand = new Hand(page)
  await hand.press('link', 'Start a project')
  await page.locator('form[data-ready="true"]').waitFor()
  return hand
}

const pieces = (page: Page) => page.locator('[id="lines.0.pieces"]')

test('a garland by its length: leaves, string, sag and weight follow, and change with one number', async ({
  page,
}) => {
  const hand = await begin(page)
  await hand.choose('Made into', 'a garland')
  await hand.choose('Design', 'Narrow leaf')
  await hand.type('Size (cm)', '14')
  await hand.type('Length (cm)', '600')
  await hand.type('One every (cm)', '20')
  await expect(page.getByText('30 narrow leaves: (6 m - 2.9 cm) / 20 cm, rounded down')).toBeVisible()
  await expect(page.getByText('To get: 7.33 m of string')).toBeVisible()
  await expect(page.getByRole('img', { name: '30 pieces as they will hang, to scale' })).toBeVisible()
  await expect(page.getByText(/The paper weighs about \d+ g/)).toBeVisible()
  await expectAccessible(page)
  await page.getByLabel('One every (cm)').fill('15')
  await expect(page.getByRole('img', { name: '40 pieces as they will hang' })).toBeVisible()
  // Further apart than it is long: what would do is said, and nothing is planned.
  await page.getByText('Details').first().click()
  await page.getByLabel('Hooks apart (cm)').fill('700')
  await expect(
    page.getByText('The hooks can be up to 587.8 cm apart: the garland is no longer.'),
  ).toBeVisible()
  await page.getByRole('button', { name: 'Plan it' }).click()
  await expect(page.locator('[id="lines.0.measures.across-error"]')).toBeVisible()
  await page.getByLabel('Hooks apart (cm)').fill('550')
  await expect(page.getByText(/hangs \d+(\.\d+)? cm deep/)).toBeVisible()
  await hand.press('button', 'Plan it')
  await page.getByRole('heading', { name: 'Also to get' }).waitFor()
  await expect(page.getByText('7.68 m of string').first()).toBeVisible()
  expect(hand.presses).toBeLessThanOrEqual(12)
  expect(hand.typed).toBeLessThanOrEqual(3)
})

test('a wreath in shares of 60/30/10: pieces from its ring, colours around it to scale', async ({ page }) => {
  const hand = await begin(page)
  await hand.choose('Made into', 'a wreath')
  await hand.choose('Design', 'Corner-folded rosette')
  await hand.type('Size (cm)', '5')
  await hand.type('Radius of the ring (cm)', '16')
  await expect(page.getByText(/^20 corner-folded rosettes: once around, 1.01 m, at 5.05 cm/)).toBeVisible()
  for (const _ of ['second', 'third']) await hand.press('button', 'Another paper')
  await hand.type('Share as', '60/30/10')
  await hand.press('button', 'Share so')
  for (const [row, count] of ['12', '6', '2'].entries())
    await expect(page.locator(`[id="lines.0.papers.${row}.pieces"]`)).toHaveValue(count)
  // A smaller ring: its shares go on by themselves.
  await page.getByLabel('Radius of the ring (cm)').fill('8')
  for (const [row, count] of ['6', '3', '1'].entries())
    await expect(page.locator(`[id="lines.0.papers.${row}.pieces"]`)).toHaveValue(count)
  await hand.press('button', 'Plan it')
  await page.getByText('1 ring 16 cm across').waitFor()
  await hand.press('link', /^Colour/)
  await expect(page.getByRole('group', { name: /10 pieces in a ring, to scale/ })).toBeVisible()
  await expect(page.getByText(/pairs? of neighbours/)).toBeVisible()
  expect(hand.presses).toBeLessThanOrEqual(12)
  expect(hand.typed).toBeLessThanOrEqual(3)
})

test('bottles of flowers with stems, and gift toppers in two sizes', async ({ page }) => {
  const hand = await begin(page)
  await hand.choose('Made into', 'bouquets or bottles')
  await hand.choose('Design', 'Field flower')
  await hand.type('Size (cm)', '5')
  await hand.type('Bouquets or bottles', '14')
  await hand.type('To each one', '3')
  await page.getByLabel('Stem (cm)').fill('18')
  await expect(page.getByText('42 field flowers: 14 x 3.')).toBeVisible()
  await expect(page.getByText('To get: 42 stems of 18 cm.')).toBeVisible()
  await hand.press('button', 'Plan it')
  await expect(page.getByText('42 stems of 18 cm')).toBeVisible()

  const toppers = await begin(page)
  await toppers.choose('Made into', 'cards or gift toppers')
  await toppers.choose('Design', 'Simple heart')
  await toppers.type('Size (cm)', '4')
  await toppers.type('Cards or gifts', '6')
  await toppers.type('To each one', '1')
  await page.getByRole('button', { name: 'Add a line' }).click()
  const second = page.locator('fieldset').nth(1)
  await second.getByLabel('Made into').selectOption({ label: 'cards or gift toppers' })
  await second.getByLabel('Design', { exact: true }).selectOption({ label: 'Simple heart' })
  for (const [label, text] of [
    ['Size (cm)', '6'],
    ['Cards or gifts', '4'],
    ['To each one', '1'],
  ] as const)
    await second.getByLabel(label, { exact: true }).fill(text)
  await toppers.press('button', 'Plan it')
  await page.getByRole('heading', { name: 'Also to get' }).waitFor()
  const cards = page.getByText(/\d cards of [\d.]+ cm x [\d.]+ cm/)
  await expect(cards).toHaveCount(2)
  expect(await pieces(page).count()).toBe(0)
})

test('a nine-unit star in three papers by turns; in two it cannot close, and what would do is said', async ({
  page,
}) => {
  const hand = await begin(page)
  await hand.choose('Design', 'Locked ring star')
  await hand.type('How many', '2')
  await hand.type('Size (cm)', '25')
  await hand.press('button', 'Another paper')
  await page.getByLabel('Papers', { exact: true }).selectOption({ label: 'in turn around each piece' })
  hand.presses++
  const refused =
    '9 units cannot take 2 papers in turn: two alike would meet. 10 or 12 units, or 3 papers would do.'
  await expect(page.getByText(refused)).toBeVisible()
  await page.getByRole('button', { name: 'Plan it' }).click()
  await expect(page.locator('[id="lines.0.colours-error"]')).toHaveText(refused)
  await hand.press('button', 'Another paper')
  await expect(page.getByText('3 units of each paper to a piece.')).toBeVisible()
  await hand.press('button', 'Plan it')
  await page.getByRole('heading', { name: /enough paper|short/ }).waitFor()
  await expect(page.getByText(/^6 good \+ \d+ spare/)).toHaveCount(3)
  await hand.press('link', /^Colour/)
  await expect(page.getByRole('img', { name: 'Locked ring star, 9 units by turns in a ring' })).toBeVisible()
  await expect(page.getByText(/No two neighbours are alike around the ring/)).toBeVisible()
  expect(hand.presses).toBeLessThanOrEqual(12)
  expect(hand.typed).toBeLessThanOrEqual(3)
})

test('what is seen is saved: one page to send with nothing else in it, an SVG, a PNG', async ({
  page,
  context,
}) => {
  await page.goto(`${server.address}/projects`)
  await page.getByRole('link', { name: 'Stars for the boathouse windows', exact: true }).click()
  await page.getByRole('link', { name: /^Colour/ }).click()
  const saved = async (button: string) => {
    const download = page.waitForEvent('download')
    await page.getByRole('button', { name: button }).click()
    const file = await download
    return { name: file.suggestedFilename(), body: readFileSync(await file.path()) }
  }
  const html = await saved('A page to send')
  expect(html.name).toBe('Stars-for-the-boathouse-windows.html')
  const text = html.body.toString()
  // Nothing that runs or asks, no stock, no other project, no address of this machine.
  expect(text).not.toMatch(/<script|<link|src=|href="(?!#)|var\(|127\.0\.0\.1|Rosettes|Garland|A4|euro/)
  const other = await context.newPage()
  await other.setContent(text)
  await expect(other.getByRole('heading', { name: 'Stars for the boathouse windows' })).toBeVisible()
  await expect(other.getByRole('img', { name: 'Locked ring star, 9 units by turns in a ring' })).toBeVisible()
  await expectAccessible(other)
  await other.close()
  const svg = (await saved('As SVG')).body.toString()
  expect(svg).toMatch(/^<svg [^>]*xmlns="http:\/\/www\.w3\.org\/2000\/svg"/)
  for (const colour of ['#2c6e7f', '#c4491d', '#6a4a66']) expect(svg).toContain(colour)
  const png = (await saved('As PNG')).body
  // By night letters are light on the page, and still dark on the paper of what is saved.
  await page.emulateMedia({ colorScheme: 'dark' })
  await page.getByRole('link', { name: 'Projects', exact: true }).click()
  await page.getByRole('link', { name: 'Garland of leaves along the jetty rail', exact: true }).click()
  await page.getByRole('link', { name: /^Colour/ }).click()
  await page.getByRole('group', { name: /90 pieces in a line, to scale/ }).waitFor()
  expect((await saved('As SVG')).body.toString()).toMatch(/<text[^>]* fill="#17323a"/)
  expect(png.subarray(1, 4).toString()).toBe('PNG')
  expect(png.readUInt32BE(16)).toBe(1200)
})

test('the best advice about the size stands in the brief, with a button that takes it', async ({ page }) => {
  const hand = await begin(page)
  await hand.choose('Design', 'Corner-folded rosette')
  await hand.type('Size (cm)', '5')
  await hand.type('How many', '36')
  // Squares of 12.45 cm, two to an A4, spares with them: any up to half its length cost the same.
  const told = page.getByText(/^Larger still takes \d+ sheets\./)
  await expect(told).toBeVisible()
  const sheets = Number(/\d+/.exec((await told.textContent()) ?? '')?.[0])
  expect(sheets).toBeGreaterThanOrEqual(18)
  await expect(
    page.getByText(new RegExp(`A little smaller: \\d+ sheets fewer of ${sheets}\\.`)),
  ).toBeVisible()
  await hand.press('button', /^Take 5\.8/)
  await expect(page.getByText('From a square of 14.85 cm')).toBeVisible()
  await expect(page.getByText('Larger still takes')).toHaveCount(0)
})

test('numbers that contradict each other are refused where they stand, and nothing is lost', async ({
  page,
}) => {
  await begin(page)
  await page.getByLabel('Made into').selectOption({ label: 'a garland' })
  await page.getByLabel('Size (cm)').fill('14')
  await page.getByLabel('One every (cm)').fill('20')
  await page.getByLabel('Length (cm)').fill('600')
  await page.getByLabel('or how many').fill('12')
  await expect(page.getByText('Give how many or the length, not both.')).toBeVisible()
  await page.getByRole('button', { name: 'Plan it' }).click()
  await expect(page.locator('[id="lines.0.measures.pieces-error"]')).toHaveText(
    'Give how many or the length, not both.',
  )
  await expect(page.getByLabel('Length (cm)')).toHaveValue('600')
  await page.getByLabel('or how many').fill('none')
  await page.getByRole('button', { name: 'Plan it' }).click()
  await expect(page.locator('[id="lines.0.measures.pieces-error"]')).toContainText('as a whole number')
})
