import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { openBrief, tickAllCuts, writeLine } from './support/job'
import { expect, expectAccessible, test } from './support/fixtures'

test.describe.configure({ mode: 'serial' })

const csv = (text: string) => ({ name: 'drawer.csv', mimeType: 'text/csv', buffer: Buffer.from(text) })
const choose = (page: Page, text: string) => page.getByLabel('A table as a CSV file').setInputFiles(csv(text))
const DRAWER = [
  'paper;width;height;sheets;feel;colour_side',
  'Tidewater;21;29,7;30;copier;#2a6b7c',
  'Oyster;21;29,7;12;soft;#e2d8c3',
  'Sea Holly;15;15;x;heavy;#5c7fa3',
].join('\r\n')

test('a drawer comes in as a table, a project is planned of it, cards are printed, cuts ticked, offcuts found', async ({
  page,
  shared,
}) => {
  const { address } = await shared.hold('nothing')
  await test.step('a table with a fault: what can be taken in, what stands in the way, nothing done yet', async () => {
    await page.goto(`${address}/papers`)
    await page.getByRole('link', { name: 'Take a table in' }).click()
    await choose(page, 'colour,size\nred,A4')
    await expect(page.getByRole('alert').filter({ hasText: 'one of them must be “paper”' })).toBeVisible()
    await choose(page, DRAWER)
    await expect(page.getByText('2 rows can be taken in, 1 cannot')).toBeVisible()
    await expect(page.getByText(/Row 4, sheets:/)).toBeVisible()
    await expectAccessible(page)
    expect(await page.request.get(`${address}/api/drawer`).then((answer) => answer.text())).not.toContain(
      'Tidewater',
    )
    await page.getByRole('button', { name: 'Take in the 2 rows that can be, leave out 1' }).click()
    await expect(page.getByText('2 rows taken in, 2 papers of them new')).toBeVisible()
  })
  await test.step('the drawer has it, told as one counts; saved and taken in again it changes nothing', async () => {
    await page.goto(`${address}/papers`)
    await expect(page.getByRole('listitem').filter({ hasText: 'Tidewater' })).toContainText('30 A4')
    const saved = page.waitForEvent('download')
    await page.getByRole('link', { name: 'Save as a table (CSV)' }).click()
    const text = readFileSync(await (await saved).path(), 'utf8')
    expect(text).toContain('Oyster')
    await page.goto(`${address}/papers/table`)
    await page.getByLabel('all there are: what is there is set to it').check()
    await choose(page, text)
    await expect(page.getByText('2 rows can be taken in')).toBeVisible()
    await expect(page.getByRole('row', { name: /Tidewater/ })).toContainText('30')
  })
  await test.step('plan, print, cut', async () => {
    await openBrief(page, address)
    await page.getByLabel('What for').fill('Lids and leaves')
    await writeLine(page, 0, { design: 'Narrow leaf', size: '9', pieces: '14', papers: ['Tidewater'] })
    await page.getByRole('button', { name: 'Add a line' }).click()
    await writeLine(page, 1, { design: 'Simple heart', size: '8', pieces: '5', papers: ['Oyster'] })
    await page.getByRole('button', { name: 'Plan it' }).click()
    await page.getByRole('heading', { name: 'There is enough paper' }).waitFor()
    const id = new URL(page.url()).pathname.split('/')[2] ?? ''
    await page.goto(`${address}/projects/${id}/cut`)
    const cards = await page.request.get(`${address}/api/cut-cards/${id}`)
    expect((await cards.body()).subarray(0, 5).toString()).toBe('%PDF-')
    await expect(page.getByRole('img', { name: /One piece out of/ })).toHaveCount(2)
    for (let left = 2; left > 0; left -= 1) {
      await page.getByRole('button', { name: 'Skip the proof piece' }).first().click()
      await expect(page.getByRole('button', { name: 'Skip the proof piece' })).toHaveCount(left - 1)
    }
    await page.getByText('Why not fewer').click()
    await expect(page.getByText(/no plan takes less than|no such plan exists/).first()).toBeVisible()
    await page.getByRole('button', { name: /^Compare with/ }).click()
    await expect(page.getByRole('table', { name: 'This plan and one with other cuts' })).toBeVisible({
      timeout: 30_000,
    })
    await expectAccessible(page)
    await tickAllCuts(page)
  })
  await test.step('the offcuts are in stock, and what they are good for is said', async () => {
    await page.goto(`${address}/papers`)
    await expect(page.getByRole('listitem').filter({ hasText: 'Oyster' })).toContainText(/offcut/)
    await page.getByRole('link', { name: 'Oyster', exact: true }).click()
    await page
      .getByRole('link', { name: /^What fits/ })
      .first()
      .click()
    await expect(page.getByRole('heading', { name: 'What else it could become' })).toBeVisible()
    await page.goBack()
    await page
      .getByRole('button', { name: /^Keep .* for stems$/ })
      .first()
      .click()
    await expect(page.getByText('kept for stems').first()).toBeVisible()
    await page.goto(`${address}/papers/scraps?minutes=0`)
    await expect(page.getByText(/Enter how many minutes/)).toBeVisible()
    await page.getByLabel('Minutes there are').fill('40')
    await page.getByRole('button', { name: 'Suggest' }).click()
    await expect(page.getByRole('list', { name: 'Three suggestions' }).getByRole('listitem')).not.toHaveCount(
      0,
    )
  })
})

test('what is short is bought: packs asked of the shop that stands in, the cheapest chosen, put in when they come', async ({
  page,
  shared,
}) => {
  const { address } = await shared.hold('nothing')
  await page.goto(`${address}/papers/table`)
  await choose(page, 'paper,width,height,sheets\nBuoy Orange,21,29.7,1')
  await page.getByRole('button', { name: 'Take in 1 row' }).click()
  await expect(page.getByText('1 row taken in')).toBeVisible()
  await openBrief(page, address)
  await page.getByLabel('What for').fill('Lanterns')
  await writeLine(page, 0, { design: 'Simple heart', size: '9', pieces: '20', papers: ['Buoy Orange'] })
  await page.getByRole('button', { name: 'Plan it' }).click()
  await page.getByRole('link', { name: 'Shopping list' }).click()
  await expect(page.getByText(/have no sheet\. Say what it is sold in/)).toBeVisible()
  await page.getByRole('link', { name: 'packs of Buoy Orange' }).click()
  await page.getByRole('button', { name: 'Ask the stand-in shop' }).click()
  await expect(page.getByText(/here in \d+ day/).first()).toBeVisible()
  await expectAccessible(page)
  await page.goto(`${address}/papers/shopping`)
  await expect(page.getByText(/pack(s)? of \d+/).first()).toBeVisible()
  await page.getByRole('button', { name: /^They have come/ }).click()
  await expect(page.getByText('Nothing to buy')).toBeVisible()
})

test('supplies are kept, used and taken back; a stack is counted by weight', async ({ page, shared }) => {
  const { address } = await shared.hold('nothing')
  await page.goto(`${address}/papers/supplies`)
  await page.getByLabel('Name').fill('stem')
  await page.getByLabel('One is long (cm)').fill('30')
  await page.getByLabel('How many there are').fill('36')
  await page.getByRole('button', { name: 'Keep it' }).click()
  const stem = page.getByRole('listitem').filter({ hasText: 'stems, 30 cm each' })
  await expect(stem).toContainText('36')
  await stem.getByLabel('What happened').selectOption('used')
  await stem.getByLabel('How many').fill('40')
  await stem.getByRole('button', { name: 'Note it for stem' }).click()
  await expect(page.getByText('There is not so much of it')).toBeVisible()
  await stem.getByLabel('How many').fill('6')
  await stem.getByRole('button', { name: 'Note it for stem' }).click()
  await expect(stem).toContainText(/30\s*stems/)
  await stem.getByText('In and out').click()
  await stem.getByRole('button', { name: /^Undo: .*used/ }).click()
  await expect(stem.getByText(/taken back/)).toBeVisible()
  await expectAccessible(page)
  await page.goto(`${address}/papers/table`)
  await choose(page, 'paper,width,height,sheets,grammage_gsm\nTidewater,21,29.7,40,80')
  await page.getByRole('button', { name: 'Take in 1 row' }).click()
  await page.goto(`${address}/papers`)
  await page.getByRole('link', { name: 'Tidewater', exact: true }).click()
  await page.getByRole('button', { name: 'No scale at hand: try the stand-in' }).click()
  await page.getByLabel('Lay sheets on it').fill('37')
  await page.getByRole('button', { name: 'Take this reading' }).click()
  // 37 x 4.9896 g are 184.6 g; the scale reads whole grams and errs by a gram or so.
  await expect(page.getByText(/^(36|37|38) sheets, between \d+ and \d+/)).toBeVisible()
  await page.getByLabel('The stack weighs (g)').fill('184.6')
  // By hand: 183.6 g / (4.9896 g x 1.04) are 35.4 at least, 185.6 g / (4.9896 g x 0.96) 38.7 at most.
  await expect(page.getByText(/^37 sheets, between 36 and 38/)).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Count A4 as 37' }).click()
  await expect(page.getByRole('listitem').filter({ hasText: '37 x A4' })).toBeVisible()
  await expect(page.getByText(/counted anew/)).toBeVisible()
})
