import type { Page } from '@playwright/test'
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
  const ring = page.getByRole('group', { name: 'Narrow leaf, 36 pieces in a ring' })
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

/** A photograph of so many points in bands of known colours, as a file. */
const banded = (page: Page, width: number, height: number): Promise<Buffer> =>
  page
    .evaluate(
      ([across, high]) => {
        const canvas = document.createElement('canvas')
        canvas.width = across
        canvas.height = high
        const pen = canvas.getContext('2d')!
        const bands = [
          ['#c4491d', 0.6],
          ['#2c6e7f', 0.3],
          ['#6a4a66', 0.1],
        ] as const
        let from = 0
        for (const [colour, share] of bands) {
          pen.fillStyle = colour
          pen.fillRect(0, Math.round(from * high), across, Math.round(share * high) + 1)
          from += share
        }
        return canvas.toDataURL('image/png').split(',')[1] ?? ''
      },
      [width, height] as const,
    )
    .then((text) => Buffer.from(text, 'base64'))

test('a picture of twelve million points becomes papers; what is no picture is refused, and no script of it runs', async ({
  page,
}) => {
  await page.goto(`${server.address}/projects`)
  await page.getByRole('link', { name: 'Rosettes for the lantern lids', exact: true }).click()
  await page.getByRole('link', { name: /^Colour/ }).click()
  const picture = page.getByLabel('A picture, or a palette (.gpl)')
  const section = page
    .locator('section')
    .filter({ has: page.getByRole('heading', { name: 'Papers for other colours' }) })
  const sent: string[] = []
  page.on('request', (request) => sent.push(request.method()))
  await picture.setInputFiles({
    name: 'quay.png',
    mimeType: 'image/png',
    buffer: await banded(page, 4000, 3000),
  })
  for (const paper of ['Buoy Orange, near', 'Tidewater, near', 'Dusk Plum, near'])
    await expect(section.getByText(paper)).toBeVisible()
  // It stays in the browser.
  expect(sent).not.toContain('POST')
  await expectAccessible(page)
  const script = '<svg xmlns="http://www.w3.org/2000/svg"><script>window.ran = true</script></svg>'
  for (const [name, mimeType, body] of [
    ['notes.png', 'image/png', 'these are notes'],
    ['empty.jpg', 'image/jpeg', ''],
    ['script.svg', 'image/svg+xml', script],
  ] as const) {
    await picture.setInputFiles({ name, mimeType, buffer: Buffer.from(body) })
    await expect(section.getByText('This file is not a picture the browser can read.')).toBeVisible()
    await picture.setInputFiles([])
    await expect(section.getByText('This file is not a picture')).toHaveCount(0)
  }
  expect(await page.evaluate(() => 'ran' in window)).toBe(false)
})

test('a palette comes in as a file or by hand, each colour with its nearest paper, and goes out again', async ({
  page,
}) => {
  await page.goto(`${server.address}/projects`)
  await page.getByRole('link', { name: 'Rosettes for the lantern lids', exact: true }).click()
  await page.getByRole('link', { name: /^Colour/ }).click()
  const file = page.getByLabel('A picture, or a palette (.gpl)')
  const palette = (text: string) => ({ name: 'pier.gpl', mimeType: 'text/plain', buffer: Buffer.from(text) })
  await file.setInputFiles(palette('GIMP Palette\nName: Pier\n196 73 29\tRust\n'))
  await expect(page.getByText('Buoy Orange, near: difference 0.0')).toBeVisible()
  await expect(page.getByText('Rust')).toBeVisible()
  await file.setInputFiles(palette('GIMP Palette\n196 73 blue\n'))
  await expect(page.getByText('Line 2 is no colour: 196 73 blue.')).toBeVisible()
  await page.getByLabel('Or colours by hand').fill('#2c6e7f #ffffff teal')
  await page.getByRole('button', { name: 'Find papers' }).click()
  await expect(page.getByText('Line 1 is no colour: #2c6e7f #ffffff teal.')).toBeVisible()
  await page.getByLabel('Or colours by hand').fill('#2c6e7f, #c4491d')
  await page.getByLabel('Or colours by hand').press('Enter')
  await expect(page.getByText('Tidewater, near: difference 0.0')).toBeVisible()
  await expect(page.getByRole('link', { name: 'Start a project in these papers' })).toBeVisible()
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save this project’s palette' }).click()
  const saved = await download
  expect(saved.suggestedFilename()).toBe('Rosettes-for-the-lantern-lids.gpl')
  const text = (await (await saved.createReadStream()).toArray()).join('')
  expect(text.split('\n').slice(0, 2)).toEqual(['GIMP Palette', 'Name: Rosettes for the lantern lids'])
  expect(text).toContain('196  73  29\tBuoy Orange')
  await page.getByRole('link', { name: 'Start a project in these papers' }).click()
  const papers = page.getByRole('group', { name: 'Papers of line 1' }).locator('select')
  await expect(papers).toHaveCount(2)
  for (const [row, paper] of ['Buoy Orange', 'Tidewater'].entries())
    await expect(papers.nth(row).locator('option:checked')).toHaveText(paper)
})

test('a project is planned again from its log: the same lines, a year on, with what it took', async ({
  page,
}) => {
  await page.goto(`${server.address}/projects`)
  await page.getByRole('link', { name: 'Rosettes for the lantern lids', exact: true }).click()
  await page.getByRole('link', { name: 'Log', exact: true }).click()
  await page.getByRole('link', { name: 'Plan it again' }).click()
  await expect(
    page.getByText(
      /As in Rosettes for the lantern lids.* So far, with 30 of 108 folded, it took .* with hands on paper/,
    ),
  ).toBeVisible()
  await expect(page.getByLabel('What for')).toHaveValue('Rosettes for the lantern lids')
  await expectAccessible(page)
  await page.getByLabel('What for').fill('Rosettes once more')
  await page.getByRole('button', { name: 'Plan it' }).click()
  await expect(page.getByRole('heading', { name: 'Rosettes once more', level: 1 })).toBeVisible()
  await expect(page.getByRole('link', { name: /^Brief/ })).toContainText('108 pieces')
  // What was done for the earlier one is not done for this one.
  await expect(page.getByRole('link', { name: /^Fold/ })).toContainText('0 of 108')
})

test('the same in other papers beside it, from behind, and taken', async ({ page }) => {
  await page.goto(`${server.address}/projects`)
  await page.getByRole('link', { name: 'Bottles for the long tables', exact: true }).click()
  await page.getByRole('link', { name: /^Colour/ }).click()
  const flowers = page.getByRole('region', { name: 'Field flower' })
  // Its own 42, and the 28 leaves among them.
  const own = flowers.getByRole('group', { name: /^Field flower, 42 pieces/ })
  await expect(own.locator('use')).toHaveCount(70)
  await expect(own.getByRole('button')).toHaveCount(42)
  const placesOf = () =>
    own.getByRole('button').evaluateAll((all) => all.map((one) => one.getAttribute('transform') ?? ''))
  const before = await placesOf()
  await flowers.getByRole('button', { name: 'From behind' }).click()
  await expect(flowers.getByRole('group', { name: /from behind$/ })).toBeVisible()
  const x = (transform: string) => Number(/translate\(([-\d.]+)/.exec(transform)?.[1])
  const behind = await flowers
    .getByRole('group', { name: /from behind$/ })
    .getByRole('button')
    .evaluateAll((all) => all.map((one) => one.getAttribute('transform') ?? ''))
  behind.forEach((transform, at) => expect(x(transform)).toBeCloseTo(-x(before[at] ?? ''), 6))
  await flowers.getByRole('button', { name: 'From the front' }).click()
  await flowers.getByRole('button', { name: 'Beside other papers' }).click()
  const other = flowers.getByRole('region', { name: 'The same in other papers' })
  await expect(other.getByRole('img', { name: /in other papers$/ })).toBeVisible()
  await expect(other.getByRole('button', { name: 'Take these papers' })).toBeDisabled()
  await other.getByLabel('Instead of Tidewater').selectOption({ label: 'Dusk Plum' })
  await expect(other.getByText('Two of them are the same paper.')).toBeVisible()
  await other.getByLabel('Instead of Tidewater').selectOption({ label: 'Sea Holly' })
  await expectAccessible(page)
  await other.getByRole('button', { name: 'Take these papers' }).click()
  await expect(flowers.getByRole('listitem').filter({ hasText: 'Sea Holly' }).first()).toBeVisible()
  await page.reload()
  await expect(flowers.getByRole('listitem').filter({ hasText: 'Sea Holly' }).first()).toBeVisible()
  await expect(flowers.getByText('Tidewater')).toHaveCount(0)
})
