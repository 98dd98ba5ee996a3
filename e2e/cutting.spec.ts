import type { Page } from '@playwright/test'
import { addPaper, openBrief, writeLine } from './support/job'
import { expect, expectAccessible, test } from './support/fixtures'

test.describe.configure({ mode: 'serial' })

const STARS = 'Stars for the boathouse windows'
async function openCut(page: Page, address: string, name: string): Promise<string> {
  await page.goto(`${address}/projects`)
  await page.getByRole('link', { name }).first().click()
  await page.waitForURL(/\/projects\/[^/]+/)
  const id = new URL(page.url()).pathname.split('/')[2] ?? ''
  await page.goto(`${address}/projects/${id}/cut`)
  return id
}

test('the plan says what is proven, how it is cut, and what was found beside the page', async ({
  page,
  shared,
}) => {
  const { address } = await shared.hold('demo')
  await openCut(page, address, STARS)
  await expect(page.getByText('Proven: no way of cutting costs less.')).toBeVisible()
  // Four squares of 10.4 cm off an A4, so that the rest stays in one piece.
  const layout = page.getByRole('listitem').filter({ hasText: '4 squares from each' }).first()
  await expect(layout.getByText('6 cuts, 1 distance to set')).toBeVisible()
  await expect(
    layout.getByText(/The sheet, along its 29.7 cm side: set 10\.4 cm, 2 cuts, for 2 strips/),
  ).toBeVisible()
  await expect(layout.getByText(/Marks at 10\.4 cm, 20\.8 cm/).first()).toBeVisible()
  // The solver runs in a worker: WebAssembly is allowed there and nowhere else.
  const look = page.getByRole('button', { name: 'Look for fewer sheets and layouts' })
  await look.click()
  await expect(page.getByText(/None better was found|A better plan was found and kept/)).toBeVisible({
    timeout: 30_000,
  })
  await look.click()
  await expect(page.getByText('None better was found.')).toBeVisible({ timeout: 30_000 })
  expect(
    await page.evaluate(() =>
      WebAssembly.compile(new Uint8Array([0, 97, 115, 109, 1, 0, 0, 0])).then(
        () => 'compiled',
        () => 'refused',
      ),
    ),
  ).toBe('refused')
})

test('cut cards come as a PDF of all and an SVG of one; of what is not there in words', async ({
  page,
  demo,
}) => {
  const id = await openCut(page, demo.address, STARS)
  const pdf = await page.request.get(`${demo.address}/api/cut-cards/${id}`)
  expect(pdf.headers()['content-type']).toBe('application/pdf')
  expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-')
  const [link] = await page.getByRole('link', { name: 'Save this card as SVG' }).all()
  const svg = await page.request.get(`${demo.address}${await link!.getAttribute('href')}`)
  expect(await svg.text()).toContain('This bar is 10 cm long.')
  const gone = await page.request.get(`${demo.address}/api/cut-cards/${id}?layout=none`)
  expect(gone.status()).toBe(404)
  expect(await gone.text()).toContain('nothing to cut of that any more')
})

test('a margin and a short trimmer are planned with; sheets go, are listed and come back', async ({
  page,
  shared,
}) => {
  const { address } = await shared.hold('nothing')
  await addPaper(page, address, { name: 'Tidewater', colour: '#2a6b7c', sheets: '20' })
  await openBrief(page, address)
  await page.getByLabel('What for').fill('Lids')
  await writeLine(page, 0, { design: 'Narrow leaf', size: '9', pieces: '9', papers: ['Tidewater'] })
  await page.getByRole('button', { name: 'Plan it' }).click()
  await page.getByRole('heading', { name: 'There is enough paper' }).waitFor()
  const id = new URL(page.url()).pathname.split('/')[2] ?? ''
  await page.goto(`${address}/projects/${id}/cut`)
  await page.getByText('What you cut with').click()
  await page.getByLabel('Edge taken off (cm)').fill('7')
  await page.getByRole('button', { name: 'Plan with these' }).click()
  await expect(page.getByText(/Enter the margin from 0 cm to 5 cm/)).toBeVisible()
  await page.getByLabel('Edge taken off (cm)').fill('0.5')
  await page.getByLabel('Longest cut (cm)').fill('25')
  await page.getByRole('button', { name: 'Plan with these' }).click()
  await expect(page.getByText('Take 0.5 cm off all four edges.').first()).toBeVisible()
  await expectAccessible(page)
  await page.goto(`${address}/papers`)
  await page
    .getByRole('link', { name: /Tidewater/ })
    .first()
    .click()
  await page.getByLabel('How many go').fill('2')
  await page.locator('#take-note').fill('spilt tea')
  await page.getByRole('button', { name: 'Take out' }).click()
  await expect(page.getByText(/spoiled: spilt tea/)).toBeVisible()
  await expect(page.getByRole('listitem').filter({ hasText: '18 x A4' })).toBeVisible()
  await page.getByRole('button', { name: /^Undo: .*spoiled/ }).click()
  await expect(page.getByRole('listitem').filter({ hasText: '20 x A4' })).toBeVisible()
  // What the project counts with does not go unseen.
  await page.getByRole('button', { name: /^Undo: .*put in/ }).click()
  await expect(page.getByText(/Lids counts with these sheets/)).toBeVisible()
  await expectAccessible(page)
})

test('two projects are cut together: what it saves, sheets with pieces of both, ticked once, cut apart again', async ({
  page,
  demo,
}) => {
  const id = await openCut(page, demo.address, STARS)
  await page.getByRole('link', { name: 'Cut together with another project' }).click()
  await expect(page.getByRole('heading', { name: 'Cut together with other projects' })).toBeVisible()
  await expectAccessible(page)
  const other = page.getByRole('checkbox', { name: /Bottles for the long tables/ })
  await expect(page.getByRole('listitem').filter({ has: other })).toContainText(/\d+ sheets fewer/)
  await other.check()
  await page.getByRole('button', { name: 'Work out what it saves' }).click()
  const row = (name: string) => page.getByRole('row').filter({ hasText: name })
  const sheetsIn = async (name: string) => Number(/(\d+) sheets/.exec(await row(name).innerText())?.[1])
  await expect(row('Together')).toBeVisible()
  expect(await sheetsIn('Together')).toBeLessThan(await sheetsIn('Each by itself'))
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Cut these together' }).click()
  await expect(page.getByText('Cut together already.')).toBeVisible()
  await page.goto(`${demo.address}/projects/${id}/cut`)
  const note = page.getByText(/Cut together with/)
  await expect(note).toBeVisible()
  const shared = page.getByRole('listitem').filter({ hasText: /for Bottles for the long tables/ })
  await expect(shared.first()).toBeVisible()
  await note.getByRole('link', { name: 'Bottles for the long tables' }).click()
  await expect(page.getByText(/Cut together with/)).toContainText(STARS)
  const apart = page.getByRole('button', { name: 'Cut apart again' })
  await apart.click()
  await expect(apart).toBeHidden()
  await expect(page.getByRole('link', { name: 'Cut together with another project' })).toBeVisible()
})

test('cards that are cut and not folded: asked for, planned on the same sheets, done without', async ({
  page,
  demo,
}) => {
  await openCut(page, demo.address, STARS)
  const section = page.getByRole('region', { name: 'Cut and not folded' })
  await section.getByText('Cut something else too').click()
  await section.getByRole('button', { name: 'Cut these too' }).click()
  await expect(section.getByLabel('What it is')).toHaveAccessibleDescription(/Enter what they are/)
  await section.getByLabel('What it is').fill('Place card')
  await section.getByLabel('Of which paper').selectOption({ label: 'Tidewater' })
  await section.getByLabel('Width (cm)').fill('8.5')
  await section.getByLabel('Height (cm)').fill('5.5')
  await section.getByLabel('How many').fill('12')
  await expectAccessible(page)
  await section.getByRole('button', { name: 'Cut these too' }).click()
  await expect(section.getByText(/12 of 8\.5 x 5\.5 cm, Tidewater/)).toBeVisible()
  await expect(page.getByText(/for \d+ x Place card/).first()).toBeVisible()
  await section.getByRole('button', { name: 'Do without Place card' }).click()
  await expect(section.getByText('Place card')).toBeHidden()
  await expect(page.getByText(/x Place card/)).toHaveCount(0)
  // Squares out of the strip that a layout leaves.
  await page
    .getByRole('link', { name: /^What fits/ })
    .first()
    .click()
  await page
    .getByRole('link', { name: `Cut them with ${STARS}` })
    .first()
    .click()
  await expect(section.getByLabel('What it is')).toHaveValue('Square')
  const side = await section.getByLabel('Width (cm)').inputValue()
  await section.getByRole('button', { name: 'Cut these too' }).click()
  await expect(section.getByText(`of ${side} cm`, { exact: false }).first()).toBeVisible()
  await section.getByRole('button', { name: 'Do without Square' }).click()
  await expect(section.getByRole('button', { name: 'Do without Square' })).toBeHidden()
})
