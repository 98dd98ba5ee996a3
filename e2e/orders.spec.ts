import type { Page } from '@playwright/test'
import { expect, expectAccessible, test } from './support/fixtures'
import { addPaper, openBrief, writeLine } from './support/job'
import type { TestServer } from './support/server'

let server: TestServer
test.beforeAll(async ({ shared }) => {
  server = await shared.hold('nothing')
})

const pieces = (page: Page) => page.locator('[data-at]')
/** The papers in order, as the pieces are called. */
const papersOf = async (page: Page): Promise<readonly string[]> =>
  (await pieces(page).evaluateAll((all) => all.map((one) => one.getAttribute('aria-label') ?? ''))).map(
    (label) => label.replace(/^Piece \d+, /, ''),
  )
const settled = (page: Page) =>
  expect(page.locator('.order-by-hand[aria-busy="false"][data-ready="true"]')).toBeVisible()
const colour = (page: Page) => page.getByRole('link', { name: /^Colour/ })

test('pieces change places by two presses, by dragging and by keys; each change is kept and undone', async ({
  page,
}) => {
  await addPaper(page, server.address, { name: 'Buoy Orange', colour: '#c4491d', sheets: '12' })
  await addPaper(page, server.address, { name: 'Tidewater', colour: '#2c6e7f', sheets: '12' })
  await openBrief(page, server.address)
  await page.getByLabel('What for').fill('Eight for the door')
  await writeLine(page, 0, {
    design: 'Narrow leaf',
    size: '9',
    pieces: '8',
    papers: ['Buoy Orange', 'Tidewater'],
  })
  await page.getByRole('button', { name: 'Plan it' }).click()
  await expect(colour(page)).toContainText('order planned')
  await colour(page).click()
  await settled(page)
  const planned = await papersOf(page)
  expect(planned.filter((paper) => paper === 'Tidewater')).toHaveLength(4)
  await expectAccessible(page)

  await pieces(page).nth(0).click()
  await expect(page.getByText('Piece 1 is taken up: press the one it changes places with.')).toBeVisible()
  await pieces(page).nth(1).click()
  const swapped = [planned[1], planned[0], ...planned.slice(2)]
  await expect(page.getByText('You chose this order.')).toBeVisible()
  await expect(page.getByText(/pairs of neighbours are alike around the ring/)).toBeVisible()
  await expect(colour(page)).toContainText('order chosen')
  expect(await papersOf(page)).toEqual(swapped)
  await settled(page)

  await pieces(page).nth(2).dragTo(pieces(page).nth(3))
  const dragged = [...swapped.slice(0, 2), planned[3], planned[2], ...planned.slice(4)]
  await expect.poll(() => papersOf(page)).toEqual(dragged)
  await settled(page)
  await page.reload()
  await settled(page)
  expect(await papersOf(page)).toEqual(dragged)

  await pieces(page).nth(0).focus()
  for (const key of ['ArrowRight', 'ArrowRight', 'ArrowRight', 'ArrowRight', ' ', 'ArrowRight', ' '])
    await page.keyboard.press(key)
  const byKeys = [...dragged.slice(0, 4), dragged[5], dragged[4], ...dragged.slice(6)]
  await expect.poll(() => papersOf(page)).toEqual(byKeys)
  await settled(page)
  await page.keyboard.press('h')
  await expect(pieces(page).nth(5)).toHaveAttribute('aria-label', /held$/)
  await settled(page)

  // A press that no pointer and no key made, as a screen reader's.
  await pieces(page)
    .nth(0)
    .evaluate((one) => one.dispatchEvent(new MouseEvent('click', { bubbles: true })))
  await expect(page.getByText('Piece 1 is taken up')).toBeVisible()
  await pieces(page).nth(0).focus()
  await page.keyboard.press('Escape')
  await expect(page.getByText('Press two pieces')).toBeVisible()

  const undo = page.getByRole('button', { name: 'Undo' })
  await undo.click()
  await expect(pieces(page).nth(5)).not.toHaveAttribute('aria-label', /held$/)
  for (const before of [dragged, swapped, planned]) {
    await undo.click()
    await expect.poll(() => papersOf(page)).toEqual(before)
  }
  await expect(colour(page)).toContainText('order planned')
})

test('another order, a mirror image, what is held; one press chooses what is planned', async ({ page }) => {
  await page.goto(`${server.address}/projects`)
  await page.getByRole('link', { name: 'Eight for the door', exact: true }).click()
  await colour(page).click()
  await settled(page)
  await page.getByRole('button', { name: 'Choose it as planned' }).click()
  await expect(colour(page)).toContainText('order chosen')
  await expect(page.getByRole('button', { name: 'Choose it as planned' })).toBeHidden()
  const first = (await papersOf(page))[0]
  await pieces(page).nth(0).click()
  await page.getByRole('button', { name: 'Hold it there' }).click()
  await expect(pieces(page).nth(0)).toHaveAttribute('aria-label', /held$/)
  await settled(page)
  await page.getByRole('button', { name: 'Another order' }).click()
  await settled(page)
  await expect(page.getByText('No two neighbours are alike around the ring')).toBeVisible()
  expect((await papersOf(page))[0]).toBe(`${first}, held`)
  await page.getByRole('button', { name: 'Mirror image' }).click()
  await settled(page)
  const mirrored = await papersOf(page)
  expect(mirrored.map((_, at) => mirrored[(8 - at) % 8])).toEqual(mirrored)
  await page.getByRole('link', { name: 'Lamplight' }).click()
  await expect(page.getByRole('link', { name: 'Lamplight' })).toHaveAttribute('aria-current', 'page')
  // The orange paper is warmer still by the lamp; its drawing says so, not the paper itself.
  await expect(page.locator('.order-by-hand path[fill="#c4491d"]')).toHaveCount(0)
  await expectAccessible(page, 'colours')
})
