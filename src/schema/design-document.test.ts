import { LIBRARY } from '@/core/design'
import { readDesignSource } from './design-document'

/** A document that ships, as plain JSON to be spoiled. */
const shipped = (id: string): Record<string, unknown> => {
  const found = LIBRARY.find((design) => design.id === id)
  if (!found) throw new Error(`no design ${id}`)
  return JSON.parse(JSON.stringify(found)) as Record<string, unknown>
}
const first = (document: Record<string, unknown>, key: string): Record<string, unknown> => {
  const list = document[key]
  if (!Array.isArray(list)) throw new Error(`no ${key}`)
  return list[0] as Record<string, unknown>
}
/** The path of the first complaint; none where the document is taken. */
function complaint(document: Record<string, unknown>): string | null {
  try {
    readDesignSource(JSON.stringify(document))
    return null
  } catch (error) {
    const { issues } = error as {
      issues: { path: (string | number)[]; errors?: { path: (string | number)[] }[][] }[]
    }
    const [issue] = issues
    const inner = issue?.errors?.flat()[0]?.path ?? []
    return [...(issue?.path ?? []), ...inner].join('.')
  }
}

test('every document that ships is taken', () => {
  for (const { id } of LIBRARY) expect({ id, at: complaint(shipped(id)) }).toEqual({ id, at: null })
})

test.each<[what: string, id: string, spoil: (document: Record<string, unknown>) => void]>([
  ['a skill that is none', 'tulip', (d) => Object.assign(d['guide'] as object, { skill: 'wizard' })],
  ['a guide without its test', 'tulip', (d) => delete (d['guide'] as Record<string, unknown>)['test']],
  [
    'a supply of less than none',
    'tulip',
    (d) => Object.assign(d['guide'] as object, { supplies: [{ name: 'stem', perPiece: -1 }] }),
  ],
  ['drying for ever', 'tulip', (d) => Object.assign(d['guide'] as object, { dryingMinutes: Infinity })],
  [
    'a way to match that is none',
    'twist-blossom',
    (d) => Object.assign(first(d, 'gauges'), { match: ['guess'] }),
  ],
  [
    'an assembly of one',
    'ring-star',
    (d) => Object.assign(first(d, 'variants')['assembly'] as object, { units: 1 }),
  ],
  [
    'half a unit',
    'ring-star',
    (d) => Object.assign(first(d, 'variants')['assembly'] as object, { units: 7.5 }),
  ],
  [
    'a join of both kinds',
    'ring-star',
    (d) =>
      Object.assign((first(d, 'variants')['assembly'] as { join: object }).join, {
        centre: { sheet: [0, 0] },
      }),
  ],
  [
    'a turn that is neither way',
    'ring-star',
    (d) => Object.assign(first(d, 'variants')['assembly'] as object, { turns: 'about' }),
  ],
  [
    'an assembled size that is none',
    'window-star',
    (d) => Object.assign((first(d, 'variants')['sizes'] as object[])[0] ?? {}, { assembled: 'weight' }),
  ],
  [
    'a base of no stages',
    'crane',
    (d) => Object.assign(first(d, 'parts'), { base: { id: 'bird', stages: 0 } }),
  ],
  [
    'marks without a place',
    'message-heart',
    (d) => Object.assign(first(d, 'parts')['marks'] as object, { at: [] }),
  ],
  [
    'a clear zone of two corners',
    'message-heart',
    (d) =>
      Object.assign((first(d, 'parts')['keepClear'] as object[])[0] ?? {}, {
        corners: [
          [0, 0],
          [1, 1],
        ],
      }),
  ],
  ['an unknown key beside the folds', 'tulip', (d) => Object.assign(d['guide'] as object, { mood: 'calm' })],
])('%s is refused', (_, id, spoil) => {
  const document = shipped(id)
  spoil(document)
  expect(complaint(document)).not.toBeNull()
})

test('a step left out when folding directly says just that, nothing else', () => {
  const document = shipped('rolled-stem')
  const stages = first(document, 'parts')['stages'] as { steps: Record<string, unknown>[] }[]
  const [step] = stages[0]?.steps ?? []
  Object.assign(step ?? {}, { direct: true })
  expect(complaint(document)).not.toBeNull()
})
