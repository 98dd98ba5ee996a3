import { expect, expectAccessible, test } from './support/fixtures'

test('what an hour and a paper can become: designs that suit stay, with how many, and why others do not', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/designs`)
  await expect(page.getByRole('status')).toHaveText('24 designs.')
  await page.getByLabel('In minutes').fill('60')
  await page.getByLabel('From this paper').selectOption({ label: 'Reed Green' })
  await page.getByLabel('Skill').selectOption('easy')
  await page.getByRole('button', { name: 'What can it become?' }).click()
  await expect(page).toHaveURL(/minutes=60/)
  const heart = page.getByRole('listitem').filter({ hasText: 'Message heart' })
  await expect(heart).toContainText(/\d+ pieces?/)
  await expect(page.getByRole('link', { name: 'Crane', exact: true })).toHaveCount(0)
  await page.getByLabel('nothing but paper').check()
  await page.getByRole('button', { name: 'What can it become?' }).click()
  await expect(page.getByRole('status')).toContainText('need glue or supplies')
  await expect(page.getByRole('link', { name: 'Window star' })).toHaveCount(0)
  await page.getByLabel('In minutes').fill('an hour')
  await page.getByRole('button', { name: 'What can it become?' }).click()
  await expect(page.getByText('Enter minutes from 1 to 10000')).toBeVisible()
  await page.getByRole('link', { name: 'Show all' }).click()
  await expect(page.getByRole('status')).toHaveText('24 designs.')
  await page.goto(`${demo.address}/designs?sheet=6`)
  await expect(page.getByRole('status')).toContainText('1 would be too small to fold')
  await expect(page.getByRole('link', { name: 'Crane', exact: true })).toHaveCount(0)
})

test('a size too small to fold, too large for the drawer, and a gauge out of range each say what works', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/designs/crane`)
  const size = page.getByLabel('Size (cm)')
  await expect(async () => {
    await size.fill('4')
    await expect(page.getByText('Too small to fold')).toBeVisible({ timeout: 1000 })
  }).toPass()
  await expect(page.getByText(/make 0\.\d+ mm on a fold line of/)).toBeVisible()
  await expect(page.getByText(/The smallest sheet that works in this paper is [\d.]+ cm/)).toBeVisible()
  await size.fill('60')
  await expect(page.getByText(/Too large for any sheet of .* The largest square it gives is/)).toBeVisible()
  await size.fill('15')
  const steps = page.getByRole('region', { name: /^Steps/ })
  await expect(steps).not.toContainText('note card')
  await page.locator('#dial-variant').selectOption({ label: 'with two note cards' })
  await expect(steps).toContainText('A note card on the front wing')
  await page.getByLabel('head length (cm)').first().fill('9')
  await expect(page.getByText(/Set the head length from [\d.]+ cm to [\d.]+ cm\./)).toBeVisible()
  await page.goto(`${demo.address}/designs/crane/steps?variant=frilled&sheet=15`)
  await expect(page.getByText('Choose one of: plain, with two note cards.')).toBeVisible()
})

test('a ring star: variants side by side, the joins with their mark, units multiplied', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/designs/ring-star`)
  await expect(page.getByRole('heading', { name: 'Joining 9 units' })).toBeVisible()
  await expect(page.getByText('40 degrees from one to the next')).toBeVisible()
  const nine = page.getByRole('listitem').filter({ hasText: 'nine units' })
  await expect(nine).toContainText('x 9')
  await expect(nine).toContainText('mark at')
  await expectAccessible(page)
  // What stands about joining follows the dial: its units, and the mark on a sheet twice as large.
  const joining = page.getByRole('region', { name: /^Joining/ })
  const markCm = async () => Number(/point of the star: ([\d.]+) cm/.exec(await joining.innerText())?.[1])
  await page.locator('#dial-variant').selectOption({ label: 'nine units' })
  await expect(joining).toContainText('40 degrees from one to the next; 9 of them close the round')
  const atFifteen = await markCm()
  await page.getByLabel('Size (cm)').fill('30')
  await expect.poll(markCm).toBeCloseTo(2 * atFifteen, 0)
  await nine.getByRole('link', { name: 'nine units' }).click()
  await expect(page).toHaveURL(/variant=nine/)
})

test('a strip’s marks and sums follow its length; its folds keep the message clear', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/designs/message-heart`)
  await expect(page.getByText('4 x 3.75 cm = 15 cm')).toBeVisible()
  await expect(async () => {
    await page.getByLabel('Size (cm)').fill('24')
    await expect(page.getByText('4 x 6 cm = 24 cm')).toBeVisible({ timeout: 1000 })
  }).toPass()
  await expect(page.getByText('24 x 6 cm', { exact: true })).toBeVisible()
  await page.goto(`${demo.address}/designs/message-heart/steps?move=4`)
  await expect(page.getByTestId('said')).toHaveText('Write in the field between the two creases')
  await expect(page.getByText('Look before you go on,')).toBeVisible()
})

test('directly, in the air: the creases made beforehand are left out', async ({ page, demo }) => {
  await page.goto(`${demo.address}/designs/tulip/steps`)
  await expect(page.getByTestId('said')).toHaveText('Corner to opposite corner, crease, open')
  await page.getByRole('combobox', { name: 'Way' }).selectOption({ label: 'directly, in the air' })
  await page.getByRole('button', { name: 'Show' }).click()
  await expect(page.getByTestId('said')).toHaveText('Sides in, top edge down')
  // One key goes to the other way, at the same fold.
  await page.locator('[data-ready="true"]').waitFor()
  await page.keyboard.press('d')
  await expect(page).toHaveURL(/way=whole/)
  await expect(page.getByTestId('said')).toHaveText('Sides in, top edge down')
  await expect(page.getByText(/Step 5 of/)).toBeVisible()
})

test('who has the base starts after it; the proof piece is looked over at the gate', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/designs/lobed-leaf`)
  await page.locator('[data-ready="true"], form').first().waitFor()
  await page.getByLabel('Way').selectOption({ label: 'I have the base' })
  await page.getByRole('button', { name: 'Start folding' }).click()
  await page.waitForURL(/\/runs\//)
  await page.locator('main[data-ready="true"]').waitFor()
  await expect(page.getByText('Upper edge of the front point to the middle').first()).toBeVisible()
  await expect(page.getByText('This looks wrong, but it is right.')).toBeVisible()
  await page.keyboard.press('Space')
  await expect(page.getByText('Look before you go on:')).toBeVisible()
})

test('the next step asks nothing of the server', async ({ page, demo, quietConsole }) => {
  quietConsole.expectErrors(/ERR_INTERNET_DISCONNECTED/)
  await page.goto(`${demo.address}/designs/twist-blossom/steps`)
  await page.locator('[data-ready="true"]').waitFor()
  await page.keyboard.press('ArrowRight')
  await expect(page).toHaveURL(/move=2/)
  // Pictures of every step came with the page: the next one asks nothing of the server.
  await page.context().setOffline(true)
  await page.keyboard.press('End')
  await expect(page.getByText('Finished', { exact: true })).toBeVisible()
  await page.context().setOffline(false)
})
