import {
  expect,
  expectAccessible,
  expectAllKept,
  pieceText,
  pressTimes,
  tableReady,
  test,
} from './support/fixtures'
import {
  addPaper,
  checkTray,
  foldByRoute,
  openBrief,
  pressAgain,
  startFolding,
  tickAllCuts,
  writeLine,
} from './support/job'

test('36 rosettes in three papers with two leaves each, from the brief to the last piece in the log', async ({
  page,
  shared,
}) => {
  test.setTimeout(300_000)
  const server = await shared.hold('nothing')
  const at = (path: string) => `${server.address}${path}`

  await page.goto(at('/'))
  await expect(page.getByText('Nothing waits')).toBeVisible()
  for (const [name, colour] of [
    ['Buoy Orange', '#c4491d'],
    ['Tidewater', '#2c6e7f'],
    ['Dusk Plum', '#6a4a66'],
    ['Reed Green', '#7f9563'],
  ] as const)
    await addPaper(page, server.address, { name, colour, sheets: '12' })

  await test.step('brief', async () => {
    await openBrief(page, server.address)
    await page.getByLabel('What for').fill('Rosettes for lantern lids')
    await page.getByLabel('By when').fill('2030-06-01')
    await writeLine(page, 0, {
      design: 'Corner-folded rosette',
      size: '5',
      pieces: '36',
      papers: ['Buoy Orange', 'Tidewater', 'Dusk Plum'],
    })
    await expect(page.getByText('From a square of 12.45 cm: 5 cm edge to edge')).toBeVisible()
    await page.getByRole('button', { name: 'Add a line' }).click()
    await writeLine(page, 1, {
      design: 'Narrow leaf',
      size: '8.5',
      gluedTo: 'glued to line 1, corner-folded rosette',
      perPiece: '2',
      papers: ['Reed Green'],
    })
    await expectAccessible(page)
    await page.getByRole('button', { name: 'Plan it' }).click()
  })

  await test.step('paper: enough, with spares, leaves four to a square', async () => {
    await expect(page.getByRole('heading', { name: 'There is enough paper' })).toBeVisible()
    await expect(page.getByText('12 good + 3 spare = 15 flowers')).toHaveCount(3)
    await expect(page.getByText(/as \d+ squares of 12 cm quartered would give/)).toBeVisible()
  })
  const project = new URL(page.url()).pathname.split('/').slice(0, 3).join('/')

  await test.step('cut: proof piece first, then the bulk; stock goes down and offcuts in', async () => {
    await page.goto(at(`${project}/cut`))
    await page.getByRole('button', { name: 'One is cut, from Buoy Orange' }).click()
    await expect(page.getByText('Planned: 5 cm edge to edge')).toBeVisible()
    await page.getByLabel('Came out at (cm)').fill('4.95')
    await page.getByRole('button', { name: 'It is right: cut the rest' }).click()
    await expect(page.getByText('it came out at 4.95 cm edge to edge')).toBeVisible()
    await page.getByRole('button', { name: 'Skip the proof piece' }).click()
    await expectAccessible(page)
    await tickAllCuts(page)
    await page.goto(at('/papers'))
    await expect(page.getByRole('listitem').filter({ hasText: 'Buoy Orange' })).toContainText('offcut')
  })

  await test.step('fold a tray with the space bar, close the lid at piece 7, come back to piece 7', async () => {
    await page.goto(at(`${project}/fold`))
    await startFolding(page, 'Corner-folded rosette, Buoy Orange', { grain: 'one tap a stage' })
    await expectAccessible(page)
    await pressTimes(page, 'Space', 24)
    await expect(page.getByRole('heading', { name: 'Check tray 1' })).toBeVisible()
    await expectAccessible(page)
    // One press offers to check the tray off, the next does: a careless one does nothing.
    await pressTimes(page, 'Space', 1)
    await expect(page.getByText('Space once more, and the tray is right.')).toBeVisible()
    await page.waitForTimeout(450)
    await pressTimes(page, 'Space', 3)
    await expect(pieceText(page)).toHaveText('7 of 12')
    await expectAllKept(page)
    const table = page.url()
    await page.goto('about:blank')
    await page.goto(at('/'))
    await expect(page.getByText('Piece 7 of 12')).toBeVisible()
    await page.getByRole('link', { name: 'Continue folding Corner-folded rosette, Buoy Orange' }).click()
    await page.waitForURL(table)
    await tableReady(page)
    await expect(pieceText(page)).toHaveText('7 of 12')
    await expect(page.getByText('Petals out', { exact: true })).toBeVisible()
  })

  await test.step('a spoiled piece is named with its reason at the end of the tray, and a spare is folded', async () => {
    await pressTimes(page, 's', 1)
    await expect(pieceText(page)).toHaveText('8 of 13')
    await expect(page.getByText('6 good, 1 spoiled, 6 to go')).toBeVisible()
    await expect(page.getByRole('group', { name: 'Why piece 7 was spoiled' })).toBeVisible()
    await pressTimes(page, 'Space', 20)
    await expect(page.getByRole('heading', { name: 'Check tray 2' })).toBeVisible()
    await page.keyboard.press('Space')
    await expect(page.getByText('Say why a piece was spoiled')).toBeVisible()
    await page.getByLabel('Why piece 7 was spoiled').selectOption('torn')
    await page.getByRole('group', { name: 'flower 9' }).getByLabel('back row').check()
    await page.getByRole('button', { name: 'Tray is right' }).click()
    await expect(pieceText(page)).toHaveText('13 of 13')
    await pressTimes(page, 'Space', 4)
    await checkTray(page, 3)
    await expect(page.getByRole('heading', { name: '12 flowers folded' })).toBeVisible()
    await expectAccessible(page)
    await expectAllKept(page)
  })

  await test.step('the other papers and the leaves, a tap a piece', async () => {
    for (const [what, pieces] of [
      ['Corner-folded rosette, Tidewater', 12],
      ['Corner-folded rosette, Dusk Plum', 12],
      ['Narrow leaf, Reed Green', 72],
    ] as const) {
      await page.goto(at(`${project}/fold`))
      await startFolding(page, what, { grain: 'one tap a piece', tray: '36' })
      await foldByRoute(page, what.split(',')[0] ?? '', pieces)
    }
    await page.goto(at(`${project}/fold`))
    await expect(page.getByRole('heading', { name: 'All folded' })).toBeVisible()
  })

  await test.step('join and deliver', async () => {
    await page.goto(at(`${project}/join`))
    const one = page.getByRole('button', { name: /One more joined/ })
    const pressed = page.waitForRequest((request) => request.method() === 'POST')
    await one.click()
    await expect(page.getByText('1 of 36').first()).toBeVisible()
    await pressAgain(page, await pressed, 35)
    await expect(page.getByText('36 of 36').first()).toBeVisible()
    await one.click()
    await expect(page.getByText('All that is folded is joined: 36')).toBeVisible()
    await page.goto(at(`${project}/deliver`))
    await page.getByLabel('Where to').fill('the lantern shed')
    await page.getByRole('button', { name: 'Hand over' }).click()
    await expect(page.getByRole('heading', { name: 'Everything is delivered' })).toBeVisible()
  })

  await test.step('the log tells what it took, and the next estimate uses it', async () => {
    await page.getByRole('link', { name: 'Read what it took' }).click()
    await expect(page.getByText('of 108 pieces folded')).toBeVisible()
    await expect(page.getByRole('row', { name: /Corner-folded rosette, Buoy Orange/ })).toContainText(
      '12 of 12',
    )
    for (const counted of ['torn', 'back row'])
      await expect(page.locator('dt', { hasText: counted })).toBeVisible()
    await expectAccessible(page)
    await page.goto(at('/logbook'))
    // Beta(4,76) with 36 good and 1 spoiled: 5 in 117.
    await expect(page.getByRole('row', { name: /^flower/ })).toContainText('4.3 %')
  })
})
