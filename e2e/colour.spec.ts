import { expect, expectAccessible, test } from './support/fixtures'
import { openBrief, writeLine } from './support/job'
import type { TestServer } from './support/server'

let server: TestServer
test.beforeAll(async ({ shared }) => {
  server = await shared.hold('demo')
})

test('36 in shares of 60/30/10 become whole pieces, and the station shows before a cut which neighbours are alike', async ({
  page,
}) => {
  await openBrief(page, server.address)
  await page.getByLabel('What for').fill('A wreath for the pier')
  await writeLine(page, 0, {
    design: 'Narrow leaf',
    size: '9',
    pieces: '36',
    papers: ['Buoy Orange', 'Tidewater', 'Dusk Plum'],
  })
  const group = page.getByRole('group', { name: 'Papers of line 1' })
  await group.getByLabel('Share as').fill('60/40')
  await group.getByRole('button', { name: 'Share so' }).click()
  await expect(group.getByText('Write 3 numbers, one for each paper; these are 2.')).toBeVisible()
  await group.getByLabel('Share as').fill('60/30/10')
  await group.getByLabel('Share as').press('Enter')
  for (const [row, pieces] of ['22', '11', '3'].entries())
    await expect(page.locator(`[id="lines.0.papers.${row}.pieces"]`)).toHaveValue(pieces)
  await expect(group.getByText('All 36 pieces have a paper.')).toBeVisible()
  await page.getByRole('button', { name: 'Plan it' }).click()
  await page.getByRole('link', { name: /^Colour/ }).click()

  // 2 x 22 - 36 (derived): no ring of these has fewer.
  await expect(
    page.getByText(/8 pairs of neighbours are alike around the ring, and no order has fewer/),
  ).toBeVisible()
  const ring = page.getByRole('img', { name: 'Narrow leaf, 36 pieces in a ring' })
  await expect(ring.locator('use')).toHaveCount(36)
  await expect(ring.locator('circle')).toHaveCount(8)
  await page.getByRole('link', { name: 'In a line' }).click()
  await expect(page.getByText(/7 pairs of neighbours are alike along the line/)).toBeVisible()
  await expectAccessible(page)
  await page.getByText('In words').click()
  await expect(page.getByText(/Buoy Orange, Tidewater, Buoy Orange|2 Buoy Orange/)).toBeVisible()
})

test('colours that cannot be told apart by everybody are named', async ({ page }) => {
  await page.goto(`${server.address}/projects`)
  await page.getByRole('link', { name: 'Rosettes for the lantern lids', exact: true }).click()
  await page.getByRole('link', { name: /^Colour/ }).click()
  await expect(
    page.getByText('Tidewater and Dusk Plum are hard to tell apart for people who do not see red'),
  ).toBeVisible()
  await expect(page.getByText('No two neighbours are alike around the ring')).toBeVisible()
  await expect(page.getByText('Taken in turn, 3 colours close at 36 pieces.')).toBeVisible()
  // The throat of the rosette shows the other side; a leaf shows its main side alone.
  await expect(page.getByText(/^\d+(\.\d)? % of what is seen from above is the main side/)).toHaveCount(2)
  await expect(page.getByText('A paper of one colour on both sides would hide the other.')).toBeVisible()
})
