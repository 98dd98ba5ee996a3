import type { Page, Request } from '@playwright/test'
import { LIBRARY, mainPart, stagesOf, type DesignSource } from '../../src/core/design'
import { expect } from './fixtures'

export interface PaperToAdd {
  readonly name: string
  readonly colour: string
  readonly sheets: string
}

/** Puts a paper with A4 sheets into the drawer. */
export async function addPaper(
  page: Page,
  address: string,
  { name, colour, sheets }: PaperToAdd,
): Promise<void> {
  await page.goto(`${address}/papers/new`)
  await page.getByLabel('Name').fill(name)
  await page.getByLabel('Colour side').fill(colour)
  await page.getByLabel('Size', { exact: true }).selectOption('A4')
  await page.getByLabel('How many sheets').fill(sheets)
  await page.getByRole('button', { name: 'Add it to the drawer' }).click()
  await page.getByRole('heading', { name, level: 1 }).waitFor()
  await expect(page.getByRole('listitem').filter({ hasText: `${sheets} x A4` })).toBeVisible()
}

const field = (page: Page, name: string) => page.locator(`[id="${name}"]`)

export interface LineToWrite {
  readonly design: string
  readonly size: string
  readonly pieces?: string
  readonly gluedTo?: string
  readonly perPiece?: string
  readonly papers: readonly string[]
}

/** Opens what a line keeps one step away. */
export async function openDetails(page: Page, index: number): Promise<void> {
  const line = page.locator('fieldset').nth(index)
  if (await line.locator('details[open] > summary', { hasText: 'Details' }).count()) return
  await line.locator('summary', { hasText: 'Details' }).click()
}

/** Writes one line of a brief; its papers share the pieces evenly. */
export async function writeLine(page: Page, index: number, line: LineToWrite): Promise<void> {
  const at = `lines.${index}`
  await field(page, `${at}.designId`).selectOption({ label: line.design })
  // Its variants come with the design, which is loaded when it is chosen.
  await expect(page.getByRole('img', { name: `${line.design}, finished` }).nth(0)).toBeVisible()
  if (line.gluedTo !== undefined) {
    await openDetails(page, index)
    await field(page, `${at}.attachedTo`).selectOption({ label: line.gluedTo })
    await field(page, `${at}.perPiece`).fill(line.perPiece ?? '')
  } else await field(page, `${at}.pieces`).fill(line.pieces ?? '')
  await field(page, `${at}.size`).fill(line.size)
  const group = page.getByRole('group', { name: `Papers of line ${index + 1}` })
  for (const [position, paper] of line.papers.entries()) {
    if (position > 0) await group.getByRole('button', { name: 'Another paper' }).click()
    await field(page, `${at}.papers.${position}.paperId`).selectOption({ label: paper })
  }
  // One paper takes all pieces by itself.
  if (line.papers.length > 1) await group.getByRole('button', { name: 'Share evenly' }).click()
}

/** Opens the form for a new project, ready to be written. */
export async function openBrief(page: Page, address: string): Promise<void> {
  await page.goto(`${address}/projects/new`)
}

/** Ticks every layout of the cut station off. */
export async function tickAllCuts(page: Page): Promise<void> {
  const ticks = page.getByRole('button', { name: /^Tick off/ })
  // A station that offers nothing to tick is a failure, not a job that is done.
  await expect(ticks.first()).toBeVisible()
  for (let left = await ticks.count(); left > 0; left = await ticks.count()) {
    await ticks.first().click()
    await expect(ticks).toHaveCount(left - 1)
  }
}

/** A small job ready to fold: some leaves from one paper, cut. Leaves its project's id. */
export async function leafJob(page: Page, address: string, pieces: string): Promise<string> {
  await addPaper(page, address, { name: 'Reed Green', colour: '#7f9563', sheets: '20' })
  await openBrief(page, address)
  await page.getByLabel('What for').fill('Leaves to try')
  await writeLine(page, 0, { design: 'Narrow leaf', size: '9', pieces, papers: ['Reed Green'] })
  await page.getByRole('button', { name: 'Plan it' }).click()
  await page.getByRole('heading', { name: 'There is enough paper' }).waitFor()
  const projectId = new URL(page.url()).pathname.split('/')[2] ?? ''
  await page.goto(`${address}/projects/${projectId}/cut`)
  await page.getByRole('button', { name: 'Skip the proof piece' }).click()
  await tickAllCuts(page)
  return projectId
}

export interface HowToFold {
  readonly grain?: string
  readonly tray?: string
  readonly order?: string
}

/** Starts folding a row of the fold station and waits for the table. */
export async function startFolding(
  page: Page,
  what: string,
  { grain, tray, order }: HowToFold = {},
): Promise<void> {
  const row = page
    .getByRole('listitem')
    .filter({ has: page.getByRole('button', { name: `Start folding ${what}` }) })
  if (grain !== undefined || tray !== undefined || order !== undefined) {
    await row.locator('summary').click()
    if (tray !== undefined) await row.getByLabel('In a tray').fill(tray)
    if (grain !== undefined) await row.getByLabel('Tap').selectOption({ label: grain })
    if (order !== undefined) await row.getByLabel('Order').selectOption({ label: order })
  }
  await row.getByRole('button', { name: `Start folding ${what}` }).click()
  await page.waitForURL(/\/runs\//)
  await page.locator('main[data-ready="true"]').waitFor()
}

/** "Just fold": nine of a design, narrow leaves if nothing else is said, from any scrap, no project and no paper needed. Waits for the table. */
export async function justFold(
  page: Page,
  address: string,
  { tray, order, design = 'narrow-leaf' }: HowToFold & { readonly design?: string } = {},
): Promise<void> {
  await page.goto(`${address}/designs/${design}`)
  await field(page, 'loose-pieces').fill('9')
  if (tray !== undefined) await field(page, 'loose-tray').fill(tray)
  if (order !== undefined) await field(page, 'loose-order').selectOption({ label: order })
  await page.getByRole('button', { name: 'Start folding' }).click()
  await page.waitForURL(/\/runs\//)
  await page.locator('main[data-ready="true"]').waitFor()
}

/** Checks a tray off by the button that says so. */
export async function checkTray(page: Page, tray: number): Promise<void> {
  await page.getByRole('heading', { name: `Check tray ${tray}` }).waitFor()
  await page.getByRole('button', { name: 'Tray is right' }).click()
}

/** The last fold of a design's first variant: what a tap for a whole piece names. */
function lastFold(designName: string): { readonly step: number; readonly repeat: number } {
  const design = LIBRARY.find(({ name }) => name === designName) as DesignSource
  const [variant] = design.variants
  const steps = stagesOf(mainPart(design), variant!).flatMap((stage) => stage.steps)
  return { step: steps.length - 1, repeat: steps.at(-1)?.repeats ?? 1 }
}

/** Folds all pieces of the run on the page through the route that taps go by, and looks every tray over. */
export async function foldByRoute(page: Page, designName: string, units: number): Promise<void> {
  const runId = new URL(page.url()).pathname.split('/').at(-1) ?? ''
  const base = { lane: 1, atMs: Date.now() }
  const taps = Array.from({ length: units }, (_, index) => ({
    ...base,
    id: `route-${runId.slice(0, 8)}-${String(index).padStart(4, '0')}`,
    kind: 'done',
    piece: index + 1,
    ...lastFold(designName),
    grain: 'piece',
    attempt: 0,
    lapMs: 60_000,
  }))
  const pieces = taps.map(({ piece }) => piece)
  const look = { ...base, id: `route-${runId.slice(0, 8)}-look`, kind: 'inspect', pieces }
  const { origin } = new URL(page.url())
  const answer = await page.request.post(`${origin}/api/runs/${runId}/events`, {
    headers: { origin },
    data: { epoch: '', since: 0, events: [...taps, look] },
  })
  expect(await answer.json()).toMatchObject({ ok: true, value: { refused: [] } })
  await page.reload()
  await expect(page.getByRole('heading', { name: /folded$/, level: 2 })).toBeVisible()
}

/** Sends a press of the page so many times more, each under an id of its own, and loads the page anew. */
export async function pressAgain(page: Page, pressed: Request, times: number): Promise<void> {
  const body = pressed.postData() ?? ''
  const press = (JSON.parse(body) as unknown[]).at(-1)
  if (typeof press !== 'string') throw new Error(`no id of a press in ${body}`)
  const { 'content-length': _length, ...headers } = await pressed.allHeaders()
  for (let more = 0; more < times; more++) {
    const data = body.replace(press, `${press.slice(0, -4)}${String(more).padStart(4, '0')}`)
    const answer = await page.request.post(pressed.url(), { headers, data })
    expect(answer.status()).toBe(200)
  }
  await page.reload()
}
