import { expect, expectAccessible, test } from './support/fixtures'

test('from an empty database to the first tap: what the program can know is not asked', async ({
  page,
  shared,
}) => {
  const server = await shared.hold('nothing')
  await page.goto(server.address)
  for (const way of ['Start a project', 'Just fold something', 'Add a paper'])
    await expect(page.getByRole('link', { name: way })).toBeVisible()
  await expectAccessible(page)
  let presses = 0
  const press = async (role: 'link' | 'button', name: string) => {
    await page.getByRole(role, { name }).first().click()
    presses++
  }
  await press('link', 'Start a project')
  await page.waitForURL(/\/projects\/new$/)
  await press('link', 'Add a paper')
  await page.getByLabel('Name').fill('Red copier paper')
  await page.getByLabel('How many sheets').fill('20')
  await press('button', 'Add it to the drawer')
  // An easy design stands there; another is chosen by its picture. Its paper is the only one there is.
  await expect(page.getByLabel('Design', { exact: true })).toHaveValue('message-heart')
  await page.getByText('Choose from pictures').click()
  await press('button', 'Simple heart')
  await expect(page.getByLabel('Variant')).toHaveValue('rounded')
  await page.getByLabel('How many', { exact: true }).fill('12')
  await page.getByLabel('Size (cm)').fill('6')
  await expect(page.getByText('Left empty, it is called "12 simple hearts".')).toBeVisible()
  await press('button', 'Plan it')
  await expect(page.getByRole('heading', { name: '12 simple hearts', level: 1 })).toBeVisible()
  await expect(page.getByRole('heading', { name: 'There is enough paper' })).toBeVisible()
  await press('link', 'Next: cut a proof piece')
  await press('button', 'Skip the proof piece')
  const ticks = page.getByRole('button', { name: /^Tick off/ })
  await expect(ticks.first()).toBeVisible()
  for (let left = await ticks.count(); left > 0; left--) {
    await press('button', 'Tick off')
    await expect(ticks).toHaveCount(left - 1)
  }
  await press('link', 'Next: start folding')
  await press('button', 'Start folding')
  await page.locator('main[data-ready="true"]').waitFor()
  await expect(page.getByTestId('piece')).toHaveText('1 of 12')
  expect(presses).toBeLessThanOrEqual(11)
})
