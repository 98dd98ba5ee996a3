import type { Page } from '@playwright/test'
import { BAD_TEXTS } from '../test/generators/bad-texts'
import { expect, test } from './support/fixtures'
import { openBrief, openDetails, writeLine } from './support/job'
import type { TestServer } from './support/server'

/**
 * Every bad text is put through every field's schema in src/schema/schema.test.ts; here one a field shows that the
 * message stands at it and nothing else is lost. A word in a field of numbers, else a name far too long.
 */
const TYPED = BAD_TEXTS.filter(([what]) => ['text', '10,000 characters'].includes(what))

let server: TestServer
test.beforeAll(async ({ shared }) => {
  server = await shared.hold('demo')
})

interface FieldToSpoil {
  readonly id: string
  readonly press: string
  /** Bad texts that are fine here: an empty note, a price of zero. */
  readonly fine?: readonly string[]
}

/** Puts each bad text into one field; a message must stand at it and everything else must stay as it was. */
async function spoilEach(page: Page, { id, press, fine = [] }: FieldToSpoil): Promise<void> {
  const field = page.locator(`[id="${id}"]`)
  const before = await field.inputValue()
  const fitting = TYPED.filter(([name]) => !fine.includes(name))
  expect(fitting.length).toBeGreaterThan(0)
  for (const [what, text] of fitting.slice(0, 1))
    await test.step(`${id}: ${what}`, async () => {
      const others = await otherValues(page, id)
      await field.fill(text)
      await page.getByRole('button', { name: press }).click()
      const message = page.locator(`[id="${id}-error"]`)
      await expect(message).toHaveText(/^[A-Z].*\.$/)
      await expect(field).toHaveAttribute('aria-invalid', 'true')
      expect(await field.inputValue()).toBe(text)
      expect(await otherValues(page, id)).toEqual(others)
      await expect(page.getByText('Some fields need another look').first()).toBeAttached()
      await field.fill(before)
    })
}

const otherValues = (page: Page, id: string) =>
  page
    // The dial is no field: it comes and goes with what it is turned for.
    .locator('form input:not([type=radio], [type=range]), form select, form textarea')
    .evaluateAll(
      (controls, except) =>
        controls
          .filter((control) => control.id !== except)
          .map((control) =>
            control instanceof HTMLInputElement ||
            control instanceof HTMLSelectElement ||
            control instanceof HTMLTextAreaElement
              ? control.value
              : '',
          ),
      id,
    )

test('brief: every field refuses what it cannot take and keeps the rest', async ({ page }) => {
  test.setTimeout(180_000)
  await openBrief(page, server.address)
  await page.getByLabel('What for').fill('Trial')
  await writeLine(page, 0, {
    design: 'Corner-folded rosette',
    size: '5',
    pieces: '8',
    papers: ['Buoy Orange', 'Oyster'],
  })
  await openDetails(page, 0)
  for (const field of [
    { id: 'lines.0.pieces' },
    { id: 'lines.0.size' },
    { id: 'lines.0.gauges.overhang', fine: ['zero', 'empty', 'blank'] },
    { id: 'lines.0.papers.0.pieces' },
    // A brief without a name is called after its pieces.
    { id: 'name', fine: ['empty', 'blank', 'negative', 'zero', 'huge', '1e999', 'text', 'emoji', 'script'] },
    { id: 'note', fine: ['empty', 'blank', 'negative', 'zero', 'huge', '1e999', 'text', 'emoji', 'script'] },
  ])
    await spoilEach(page, { press: 'Plan it', ...field })
  await page.getByRole('button', { name: 'Plan it' }).click()
  await page.waitForURL(/\/paper$/)
})

test('brief: a day that does not exist is told apart from no day, and a past one only warns', async ({
  page,
}) => {
  await openBrief(page, server.address)
  await page.getByLabel('What for').fill('<script>alert(1)</script> \u{1F33F}')
  await writeLine(page, 0, { design: 'Simple heart', size: '6', pieces: '2', papers: ['Oyster'] })
  const date = page.getByLabel('By when')
  await date.click()
  await date.pressSequentially('02302027')
  await page.getByRole('button', { name: 'Plan it' }).click()
  await expect(page.getByText('This day does not exist')).toBeVisible()
  await expect(date).toBeFocused()
  await date.fill('2020-02-01')
  await expect(page.getByText('This day has passed')).toBeVisible()
  await page.getByRole('button', { name: 'Plan it' }).click()
  await page.waitForURL(/\/paper$/)
  await expect(page.getByRole('heading', { name: '<script>alert(1)</script> \u{1F33F}' })).toBeVisible()
})

test('paper: numbers that cannot be are refused at their field', async ({ page }) => {
  await page.goto(`${server.address}/papers/new`)
  await page.getByLabel('Name').fill('Trial paper')
  await page.getByText('Weight, thickness, surface, grain, pattern, a note').click()
  for (const id of ['grammageGsm', 'caliperMm', 'toleranceMm'])
    await spoilEach(page, { id, press: 'Add it to the drawer', fine: ['empty', 'blank'] })
  await spoilEach(page, {
    id: 'name',
    press: 'Add it to the drawer',
    fine: ['negative', 'zero', 'huge', '1e999', 'text', 'emoji', 'script'],
  })
})

test('sheets, counts, runs and ticks: the same', async ({ page }) => {
  test.setTimeout(180_000)
  await page.goto(`${server.address}/papers`)
  await page.getByRole('link', { name: 'Oyster' }).click()
  await page
    .getByRole('region', { name: 'In the drawer' })
    .getByLabel('Size', { exact: true })
    .selectOption('own')
  await page.getByLabel('How many sheets').fill('3')
  for (const id of ['amount', 'width', 'height']) await spoilEach(page, { id, press: 'Put them in' })
  await spoilEach(page, { id: 'price', press: 'Put them in', fine: ['empty', 'blank', 'zero'] })
  await spoilEach(page, { id: 'take-amount', press: 'Take out' })
  await page.goto(`${server.address}/designs/simple-heart`)
  for (const id of ['loose-size', 'loose-pieces', 'loose-tray'])
    await spoilEach(page, { id, press: 'Start folding' })
})
