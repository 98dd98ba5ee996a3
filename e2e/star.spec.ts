import { expect, expectAccessible, expectAllKept, pressTimes, test } from './support/fixtures'
import { addPaper, checkTray, openBrief, startFolding, tickAllCuts, writeLine } from './support/job'
import type { TestServer } from './support/server'

let server: TestServer
test.beforeAll(async ({ shared }) => {
  server = await shared.hold('nothing')
})

/** A piece of eight units and a piece that is no square, from the brief to the hand-over, by the interface. */
test('one window star of eight kites and two framed hearts from 2:1 pieces', async ({ page }) => {
  test.setTimeout(180_000)
  const at = (path: string) => `${server.address}${path}`
  await addPaper(page, server.address, { name: 'Oyster', colour: '#ded6c2', sheets: '12' })
  await addPaper(page, server.address, { name: 'Sea Holly', colour: '#5b7ba3', sheets: '12' })

  await openBrief(page, server.address)
  await page.getByLabel('What for').fill('One star and two hearts')
  await writeLine(page, 0, { design: 'Window star', size: '24', pieces: '1', papers: ['Oyster'] })
  await expect(page.getByText(/From a square of 8.5 cm: 24.05 cm across from tip to tip/)).toBeVisible()
  await page.getByRole('button', { name: 'Add a line' }).click()
  await writeLine(page, 1, { design: 'Framed heart', size: '6', pieces: '2', papers: ['Sea Holly'] })
  await expect(page.getByText(/From a piece of \d+(\.\d+)? x \d+(\.\d+)? cm: 6 cm wide/)).toBeVisible()
  await page.getByRole('button', { name: 'Plan it' }).click()
  await page.getByRole('heading', { name: 'There is enough paper' }).waitFor()
  await expect(page.getByText(/kites/).first()).toBeVisible()
  const project = new URL(page.url()).pathname.replace(/\/paper$/, '')

  await test.step('cut: squares for the kites, pieces half as high as wide for the hearts', async () => {
    await page.goto(at(`${project}/cut`))
    const without = page.getByRole('button', { name: 'Skip the proof piece' })
    await without.first().click()
    await expect(without).toHaveCount(1)
    await without.first().click()
    await expect(without).toHaveCount(0)
    await expect(page.getByRole('heading', { name: /Window star, squares of 8.5 cm/ })).toBeVisible()
    await expect(page.getByRole('heading', { name: /Framed heart, pieces of .* x .* cm/ })).toBeVisible()
    await expectAccessible(page)
    await tickAllCuts(page)
  })

  await test.step('fold: eight kites are one star', async () => {
    await page.goto(at(`${project}/fold`))
    await startFolding(page, 'Window star, Oyster', { grain: 'one tap a piece', tray: '8' })
    await pressTimes(page, 'Space', 8)
    await checkTray(page, 1)
    await expect(page.getByRole('heading', { name: '8 kites folded' })).toBeVisible()
    await expectAllKept(page)
    await page.goto(at(`${project}/fold`))
    await startFolding(page, 'Framed heart, Sea Holly', { grain: 'one tap a piece', tray: '2' })
    await pressTimes(page, 'Space', 2)
    await checkTray(page, 1)
    await expect(page.getByRole('heading', { name: '2 hearts folded' })).toBeVisible()
    await expectAllKept(page)
  })

  await test.step('join: one star of what is folded, the last join in words of its own', async () => {
    await page.goto(at(`${project}/join`))
    await expect(page.getByRole('heading', { name: '8 kites to each window star' })).toBeVisible()
    await expect(page.getByText(/The last one goes over its neighbour and under the first/)).toBeVisible()
    await page.getByRole('button', { name: /One more joined/ }).click()
    await expect(page.getByText('1 of 1').first()).toBeVisible()
    await page.goto(at(`${project}/deliver`))
    await expect(page.getByText('0 of 3 pieces delivered')).toBeVisible()
    await page.getByRole('button', { name: 'Hand over' }).click()
    await expect(page.getByRole('heading', { name: 'Everything is delivered' })).toBeVisible()
  })
})
