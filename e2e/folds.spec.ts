import type { Page } from '@playwright/test'
import { readFileSync } from 'node:fs'
import { expect, test } from './support/fixtures'

const diagram = (page: Page) => page.locator('.sheet-panel svg').first()
const said = (page: Page) => page.getByTestId('said')

/** The steps listen: the page is there before its scripts are. */
const ready = (page: Page) => page.locator('[data-ready="true"]').waitFor()

/** The drawing as it stands, to be told apart from another. */
const drawing = (page: Page) => diagram(page).innerHTML()

test('the rosette is followed from the first crease to the end by keys, and back by the strip', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/designs/corner-folded-rosette`)
  await page.getByRole('link', { name: 'Follow the folds in pictures' }).click()
  await expect(said(page)).toHaveText('Corner to opposite corner, crease, open')
  await expect(page.getByText('of 2 diagonals')).toBeVisible()
  await ready(page)
  const first = await drawing(page)
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('ArrowRight')
  await expect(said(page)).toHaveText('Corner to the centre')
  await expect(page.getByText('of 4 corners')).toBeVisible()
  expect(await drawing(page)).not.toBe(first)
  await expect(page).toHaveURL(/move=3/)
  await page.keyboard.press('End')
  await expect(page.getByText('Finished', { exact: true })).toBeVisible()
  await expect(page.getByText('5.9 cm edge to edge, flat')).toBeVisible()
  await expect(page.getByText('Estimated after shaping:')).toBeVisible()
  await expect(page.getByText(/^5\.3 cm to 5\.8 cm edge to edge$/)).toBeVisible()
  await expect(
    page.getByRole('img', { name: 'Corner-folded rosette in the hand, at an angle' }),
  ).toBeVisible()
  await expect(page.getByRole('link', { name: 'Fold some' })).toHaveAttribute('href', /#just-fold$/)
  await page.getByRole('button', { name: /^Step 4:/ }).click()
  await expect(said(page)).toHaveText('Corner to the centre, all layers')
  await page.reload()
  await expect(said(page)).toHaveText('Corner to the centre, all layers')
})

test('what a step says is computed: lengths follow the sheet, thickness the paper', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/designs/corner-folded-rosette/steps?move=14`)
  // The last corner of round three bends four layers on a line of a quarter of the diagonal's half.
  const row = page.getByRole('group').filter({ hasText: 'Fold line' })
  await expect(row).toContainText('5.3 cm, 4 layers')
  await page.locator('#steps-sheet').fill('30')
  await page.getByRole('button', { name: 'Show' }).click()
  await expect(row).toContainText('10.6 cm, 4 layers')
  await row.getByText('Fold line').click()
  await expect(row).toContainText('0.3536 of the side of 30 cm')
})

test('hidden edges, the left hand, another paper and the fold in motion', async ({ page, demo }) => {
  await page.goto(`${demo.address}/designs/crane/steps?move=12`)
  await ready(page)
  const plain = await drawing(page)
  await page.getByLabel('hidden edges').check()
  const hidden = await drawing(page)
  expect(hidden).not.toBe(plain)
  await page.getByLabel('for the left hand').check()
  expect(await drawing(page)).not.toBe(hidden)
  const colour = await diagram(page).locator('path[fill^="#"]').first().getAttribute('fill')
  await page.getByRole('combobox', { name: /^Paper/ }).selectOption({ label: 'Reed Green' })
  await expect(diagram(page).locator('path[fill^="#"]').first()).not.toHaveAttribute('fill', colour ?? '')
  await page.getByRole('button', { name: 'See it move' }).click()
  await expect(page.locator('.fold-rises')).toBeAttached()
  // It comes down, is seen a moment, and the picture of the step is there again.
  await expect(page.locator('.fold-rises')).toBeHidden({ timeout: 5000 })
  await expect(page.getByRole('button', { name: 'See it move' })).toBeEnabled()
})

test('a reverse fold goes through its stages, and the picture of the step is there again', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/designs/crane/steps?move=16`)
  await ready(page)
  await expect(said(page)).toContainText('Right leg up between the wings')
  await expect(page.getByText('half way')).toBeVisible()
  await page.getByRole('button', { name: 'See it move' }).click()
  for (const stage of [1, 2, 4]) await expect(page.locator(`[data-stage="${stage}"]`)).toBeVisible()
  await expect(page.getByText('half way')).toBeVisible({ timeout: 8000 })
})

test('with reduced motion a fold is shown in stages beside one another', async ({ page, demo }) => {
  await page.emulateMedia({ reducedMotion: 'reduce' })
  await page.goto(`${demo.address}/designs/crane/steps?move=12`)
  await ready(page)
  await expect(page.getByRole('button', { name: 'See it move' })).toBeHidden()
  const stages = page.getByRole('list', { name: 'The fold in stages' })
  await page.getByRole('button', { name: 'See it in stages' }).click()
  await expect(stages.getByRole('listitem')).toHaveCount(3)
  await page.getByRole('button', { name: 'Back to the picture' }).click()
  await expect(diagram(page)).toBeVisible()
  // One that lifts and turns in space likewise, from the server.
  await page.goto(`${demo.address}/designs/crane/steps?move=16`)
  await ready(page)
  await page.getByRole('button', { name: 'See it in stages' }).click()
  await expect(stages.getByRole('listitem')).toHaveCount(5)
  await page.getByRole('button', { name: 'Next' }).click()
  await expect(stages).toBeHidden()
})

test('a gauge that cannot be folded on so small a sheet says how far it goes; a slip stays to be mended', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/designs/corner-folded-rosette/steps?sheet=2&gauge-overhang=0.8`)
  await expect(page.locator('#steps-overhang-error')).toContainText('from 0 cm to 0.35 cm')
  await expect(page.locator('#steps-overhang')).toHaveValue('0.8')
  await page.goto(`${demo.address}/designs/corner-folded-rosette/steps?sheet=about+a+dozen&gauge-overhang=3`)
  await expect(page.locator('#steps-sheet-error')).toContainText('This is not a length')
  await expect(page.locator('#steps-sheet')).toHaveValue('about a dozen')
  await expect(page.locator('#steps-overhang-error')).toContainText('from 0 cm to 0.8 cm')
  await expect(said(page)).toBeVisible()
})

test('every base can be stepped through to its end', async ({ page, demo }) => {
  await page.goto(`${demo.address}/designs`)
  const links = await page
    .locator('#bases li a')
    .evaluateAll((all) => all.map((one) => one.getAttribute('href') ?? ''))
  expect(links).toHaveLength(12)
  for (const link of links)
    expect(await (await fetch(`${demo.address}${link}?move=99`)).text()).toContain('>Finished<')
  // A fold that lifts and turns in space is shown half way; a simple one needs no such picture.
  await page.goto(`${demo.address}/bases/frog?move=8`)
  await expect(page.getByRole('figure')).toContainText('half way')
  await page.goto(`${demo.address}/bases/frog?move=9`)
  await expect(page.getByRole('img').first()).toBeVisible()
  await expect(page.getByText('half way')).toHaveCount(0)
  // Move by move where the moves are of most kinds.
  await page.goto(`${demo.address}/bases/frog`)
  await ready(page)
  const next = page.getByRole('button', { name: 'Next', exact: true })
  for (let moves = 0; moves < 60 && (await next.isEnabled()); moves++) {
    await expect(said(page)).not.toBeEmpty()
    await next.click()
  }
  await expect(page.getByText('Finished', { exact: true })).toBeVisible()
})

test('the size dial folds anew as the gauge changes', async ({ page, demo }) => {
  await page.goto(`${demo.address}/designs/corner-folded-rosette`)
  await page.getByText('As it is folded, flat from both sides').click()
  const end = page.getByRole('img', { name: 'Corner-folded rosette, from above' })
  const before = await end.innerHTML()
  await page.locator('#dial-overhang').fill('0.8')
  await expect.poll(() => end.innerHTML()).not.toBe(before)
  await page.locator('#dial-overhang').fill('0.3')
  await expect.poll(() => end.innerHTML()).toBe(before)
})

test.describe('FOLD files', () => {
  const choose = async (page: Page, name: string, text: string) =>
    page
      .locator('#pattern-file')
      .setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) })

  test('the finished crane is saved, read again and lies as it did', async ({ page, demo }) => {
    await page.goto(`${demo.address}/designs/crane/steps?move=99`)
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('link', { name: 'Save the finished piece as a FOLD file' }).click(),
    ])
    expect(download.suggestedFilename()).toBe('crane.fold')
    const text = readFileSync(await download.path(), 'utf8')
    await page.goto(`${demo.address}/designs/pattern`)
    await choose(page, 'crane.fold', text)
    await expect(page.getByRole('heading', { name: 'Crane, finished' })).toBeVisible()
    await expect(page.getByText('4 to 28')).toBeVisible()
    await expect(page.getByRole('img', { name: 'Folded, from above' })).toBeVisible()
  })

  test('a pattern that does not fold is drawn with its faults by place', async ({ page, demo }) => {
    await page.goto(`${demo.address}/designs/pattern`)
    await choose(
      page,
      'wrong.fold',
      JSON.stringify({
        vertices_coords: [
          [0, 0],
          [1, 0],
          [1, 1],
          [0, 1],
          [0.5, 0.5],
        ],
        edges_vertices: [
          [0, 1],
          [1, 2],
          [2, 3],
          [3, 0],
          [0, 4],
          [1, 4],
          [2, 4],
        ],
        edges_assignment: ['B', 'B', 'B', 'B', 'V', 'V', 'V'],
      }),
    )
    await expect(page.getByRole('main').getByRole('alert')).toContainText('does not fold flat: 1 fault')
    await expect(page.getByText('3 folded creases meet here')).toBeVisible()
  })

  test('refused files say what and where, and the server goes on', async ({ page, demo }) => {
    await page.goto(`${demo.address}/designs/pattern`)
    const refused = page.getByRole('main').getByRole('alert')
    await choose(page, 'empty.fold', '{}')
    await expect(refused).toContainText('empty.fold was not read. Nothing of it was kept.')
    await choose(page, 'key.fold', '{"edges_colour":1}')
    await expect(refused).toContainText('"edges_colour" is no key of FOLD 1.2')
    await choose(page, 'large.fold', ' '.repeat(6_000_000))
    await expect(refused).toContainText('6.0 MB')
    expect((await page.request.get(`${demo.address}/api/fold-file/base/kite`)).status()).toBe(200)
  })

  test('a long one shows what it does and can be stopped', async ({ page, demo }) => {
    const at = Array.from({ length: 21 }, (_, index) => index)
    const corner = (x: number, y: number) => x * 21 + y
    const edges: [number, number][] = []
    const letters: string[] = []
    for (const x of at)
      for (const y of at) {
        if (x < 20) edges.push([corner(x, y), corner(x + 1, y)])
        if (x < 20) letters.push(y % 20 === 0 ? 'B' : 'U')
        if (y < 20) edges.push([corner(x, y), corner(x, y + 1)])
        if (y < 20) letters.push(x % 20 === 0 ? 'B' : 'U')
      }
    await page.goto(`${demo.address}/designs/pattern`)
    await choose(
      page,
      'map.fold',
      JSON.stringify({
        vertices_coords: at.flatMap((x) => at.map((y) => [x, y])),
        edges_vertices: edges,
        edges_assignment: letters,
      }),
    )
    await expect(page.getByText(/Folding map.fold/)).toBeVisible()
    // The page itself stays awake meanwhile.
    await page.getByRole('button', { name: 'Cancel' }).click()
    await expect(page.getByText('Nothing is read yet')).toBeVisible()
  })

  test('a file of what is not there, or of a size that cannot be, is refused in words', async ({
    page,
    demo,
  }) => {
    const answer = async (path: string) => {
      const response = await page.request.get(`${demo.address}/api/fold-file/${path}`)
      return [response.status(), ((await response.json()) as { message?: string }).message] as const
    }
    expect(await answer('base/nowhere')).toEqual([404, 'There is no such design or base with folds.'])
    expect(await answer('thing/kite')).toEqual([404, 'There is no such design or base with folds.'])
    expect((await answer('design/crane?sheet=-1'))[0]).toBe(400)
    expect(await answer('design/corner-folded-rosette?sheet=2&gauge-overhang=0.8')).toEqual([
      400,
      'Enter the petal overhang from 0 cm to 0.35 cm.',
    ])
  })
})

test('at the table the picture is of this very fold, and stays when nothing answers', async ({
  page,
  demo,
  quietConsole,
}) => {
  quietConsole.expectErrors(/ERR_INTERNET_DISCONNECTED/)
  await page.goto(`${demo.address}/`)
  await page.getByRole('link', { name: /Continue folding Corner-folded/ }).click()
  await page.locator('main[data-ready="true"]').waitFor()
  const picture = page.locator('main svg[role="img"]').first()
  const before = await picture.innerHTML()
  await page.context().setOffline(true)
  await page.keyboard.press('Space')
  await expect.poll(() => picture.innerHTML()).not.toBe(before)
  await page.waitForTimeout(250)
  await page.keyboard.press('u')
  await expect.poll(() => picture.innerHTML()).toBe(before)
  await page.context().setOffline(false)
})

test('what the signs mean is one key away, at the steps and at the table', async ({ page, demo }) => {
  await page.goto(`${demo.address}/designs/framed-heart/steps`)
  await ready(page)
  // Its first fold meets no mark: how far the line is from the edge stands beside it.
  await expect(page.getByRole('img', { name: /^Short edge in/ }).getByText('0.95 cm')).toBeVisible()
  const signs = page.getByRole('dialog', { name: 'What the signs mean' })
  await page.keyboard.press('l')
  await expect(signs).toBeVisible()
  await expect(signs.getByText('A dash and two dots: fold behind, a mountain.')).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(signs).toBeHidden()
  await page.goto(`${demo.address}/designs/narrow-leaf`)
  await page.getByRole('button', { name: 'Start folding' }).click()
  await page.getByTestId('piece').waitFor()
  await page.getByRole('button', { name: 'Signs (L)' }).click()
  await expect(signs).toBeVisible()
  // A tap while it is read counts nothing.
  await page.keyboard.press('Escape')
  await expect(page.getByTestId('piece')).toHaveText('1 of 6')
})

test('a finished piece is painted: on its card, and before and after it is shaped', async ({
  page,
  demo,
}) => {
  const loaded = (address: string) =>
    page.evaluate(async (from) => {
      const image = new Image()
      image.src = from
      await image.decode()
      return image.naturalWidth
    }, address)
  await page.goto(`${demo.address}/designs`)
  const card = page.getByRole('img', { name: 'Crane, finished' })
  await expect(card).toBeVisible()
  const address = await card.locator('image').getAttribute('href')
  expect(await loaded(address ?? '')).toBeGreaterThan(300)
  // Its name is of its content: it is asked for once.
  const answer = await page.request.get(`${demo.address}${address ?? ''}`)
  expect(answer.headers()['cache-control']).toContain('immutable')
  expect((await page.request.get(`${demo.address}/api/pieces/${'0'.repeat(32)}.png`)).status()).toBe(404)
  await page.goto(`${demo.address}/designs/crocus/steps?move=26`)
  await expect(page.getByRole('img', { name: /: before$/ })).toBeVisible()
  await expect(page.getByRole('img', { name: /: after, estimated$/ })).toBeVisible()
})
