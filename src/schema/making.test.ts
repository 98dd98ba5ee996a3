import { measured } from '../../test/library'
import fc from 'fast-check'
import { MADE, MADE_KINDS, type MadeInput, type Making } from '@/core/arrange'
import { LIBRARY } from '@/core/design'
import { typedBrief, typedLine } from '../../test/typed'
import { BAD_TEXTS } from '../../test/generators/bad-texts'
import { briefFields } from './brief'
import { parseFields } from './field-errors'
import { keptMaking, madeInputs, makingFromText, makingText, readMaking, workedOut } from './making'
import { hasTurns, turnFault } from './turns'

const design = (id: string) => measured(LIBRARY.find((one) => one.id === id)!)
const [leaf, star, rosette] = [design('narrow-leaf'), design('ring-star'), design('corner-folded-rosette')]
const WORLD = {
  unit: 'cm' as const,
  ruler: 'mm-0.5' as const,
  designs: [leaf, star, rosette],
  papers: ['a', 'b', 'c'].map((id) => ({ id, sheets: [] })),
}
const garland = typedLine({
  id: 'new-1',
  designId: 'narrow-leaf',
  variantKey: 'open',
  axis: 'tip-to-tip',
  size: '14',
  gauges: {},
  pieces: '',
  made: 'garland',
  measures: { long: '600', pieces: '', every: '20', tail: '30', knot: '3', across: '' },
  papers: [{ paperId: 'a', pieces: '' }],
})
const brief = (...lines: readonly object[]) => ({ ...typedBrief([]), name: 'Rail', lines })
const read = (...lines: readonly object[]) => parseFields(briefFields(WORLD), brief(...lines))
const errors = (...lines: readonly object[]) => {
  const parsed = read(...lines)
  return parsed.ok ? {} : parsed.fields
}

describe('what a line is made into', () => {
  test('a garland of 6 m, a leaf every 20 cm, is 30 leaves, and its only paper takes them all', () => {
    const parsed = read(garland)
    if (!parsed.ok) throw new Error(JSON.stringify(parsed.fields))
    const [line] = parsed.value.lines
    expect(line).toMatchObject({ pieces: 30, papers: [{ paperId: 'a', pieces: 30 }] })
    expect(line?.making).toEqual({
      kind: 'garland',
      values: { long: 6000, every: 200, tail: 300, knot: 30 },
    })
  })
  test('what is glued to each follows from the garland, whatever stands in its field of pieces', () => {
    const glued = {
      ...garland,
      id: 'new-2',
      designId: 'corner-folded-rosette',
      variantKey: 'plain',
      axis: 'edge-to-edge',
      size: '5',
      made: 'batch',
      measures: {},
      attachedTo: 'new-1',
      perPiece: '2',
      goesWith: '',
      sizeOf: '',
      sizePercent: '',
    }
    const parsed = read({ ...garland, pieces: '7' }, glued)
    if (!parsed.ok) throw new Error(JSON.stringify(parsed.fields))
    expect(parsed.value.lines.map(({ pieces }) => pieces)).toEqual([30, 60])
  })
  test.each([
    ['both', { pieces: '12' }, 'pieces', 'Give how many or the length, not both.'],
    ['neither', { long: '' }, 'pieces', 'Give how many or the length.'],
    ['hooks too far', { across: '700' }, 'across', 'The hooks can be up to 585.7 cm apart'],
    ['room for none', { long: '2' }, 'long', 'Set the length from 5.8 cm to 10000 cm.'],
    ['no pitch', { every: '' }, 'every', 'Enter how far from one to the next.'],
    ['a pitch of nothing', { every: '0' }, 'every', 'Enter how far from one to the next from 0.1 cm'],
    ['more than can be planned', { long: '10000', every: '0.1' }, 'long', 'up to'],
  ])('%s: said where it stands', (_, change, key, words) => {
    const found = errors({ ...garland, measures: { ...garland.measures, ...change } })
    expect(found[`lines.0.measures.${key}`]).toContain(words)
  })
  test('every bad text in every number of every kind is refused in words at that number', () => {
    for (const kind of MADE_KINDS.filter((one) => one !== 'batch'))
      for (const { key, open } of madeInputs(kind))
        for (const [what, text] of BAD_TEXTS) {
          // What is left open, nothing at all, and none where none is allowed are no faults.
          if (what === 'empty' || what === 'blank' ? open : what === 'zero') continue
          const made = readMaking({ made: kind, measures: { [key]: text } }, 'cm')
          const told = made.ok ? [] : made.complaints.filter((complaint) => complaint.key === key)
          expect({ kind, key, what, told: told.map(({ message }) => /^[A-Z].*\.$/.test(message)) }).toEqual({
            kind,
            key,
            what,
            told: [true],
          })
        }
  })
  test('what is kept comes back as it was, in whole micrometres', () => {
    const value = ({ is, min, max }: MadeInput) =>
      is === 'count' ? fc.integer({ min, max }) : fc.integer({ min, max: max - 1 }).map((mm) => mm + 0.125)
    const making = fc
      .constantFrom(...MADE_KINDS)
      .chain((kind) =>
        fc
          .record(
            Object.fromEntries(
              (MADE[kind].inputs as readonly MadeInput[]).map((one) => [one.key, value(one)]),
            ),
          )
          .map((values): Making => ({ kind, values })),
      )
    fc.assert(fc.property(making, (one) => expect(makingFromText(makingText(one))).toEqual(one)))
  })
  test.each([
    ['a kind of none', { kind: 'crown', values: {} }],
    ['a number of none', { kind: 'wreath', values: { length: 3 } }],
    ['a number that is no number', { kind: 'wreath', values: { radius: '3' } }],
    ['turns that are no turns', { kind: 'batch', values: {}, inTurn: false }],
  ])('%s is not believed in a file from outside', (_, body) => {
    expect(keptMaking.safeParse(body).success).toBe(false)
  })
  test('what does not fit is told in the unit of who reads it', () => {
    const making = { kind: 'bouquet', values: { bouquets: 2, each: 3, stem: 100, vase: 127 } } as const
    expect(workedOut(making, { acrossMm: 50, highMm: 50 }, 'in')).toMatchObject({
      ok: false,
      key: 'stem',
      message: expect.stringContaining('from 5 in') as unknown,
    })
  })
})

describe('units of a piece in several papers by turns', () => {
  test.each([
    [9, 2, false],
    [9, 3, true],
    [10, 2, true],
    [10, 3, false],
    [12, 2, true],
    [12, 3, true],
    [12, 5, false],
  ])('%d units, %d papers: closes %s', (units, papers, closes) => {
    const key = star.variants.find(
      (one) => one.key === ({ 9: 'nine', 10: 'ten', 12: 'twelve' } as const)[units],
    )!
    // Counted out by hand: the last must differ from the first, and whole turns fit.
    const around = Array.from({ length: units }, (_, at) => at % papers)
    const fits = around.at(-1) === papers - 1
    expect(fits).toBe(closes)
    expect(turnFault(star, key.key, papers) === null).toBe(closes)
  })
  test('nine in two cannot, and it says what would', () => {
    expect(turnFault(star, 'nine', 2)).toBe(
      '9 units cannot take 2 papers in turn: two alike would meet. 10 or 12 units, or 3 papers would do.',
    )
    expect(hasTurns(star, 'nine')).toBe(true)
    expect(hasTurns(rosette, 'plain')).toBe(false)
  })
  test('three stars of nine units are nine units of each of three papers, and two papers are refused', () => {
    const stars = {
      ...garland,
      designId: 'ring-star',
      variantKey: 'nine',
      axis: 'across',
      size: '25',
      made: 'batch',
      measures: {},
      pieces: '3',
      colours: 'in turn',
      papers: ['a', 'b', 'c'].map((paperId) => ({ paperId, pieces: '' })),
    }
    const parsed = read(stars)
    if (!parsed.ok) throw new Error(JSON.stringify(parsed.fields))
    const [line] = parsed.value.lines
    expect(line?.making.inTurn).toBe(true)
    expect(line?.papers.map(({ pieces }) => Math.round(pieces * 9))).toEqual([9, 9, 9])
    // Chosen for a design before: a piece of one sheet has no turns, and its shares are asked for as ever.
    const one = {
      ...stars,
      designId: 'corner-folded-rosette',
      variantKey: 'plain',
      axis: 'edge-to-edge',
      size: '5',
    }
    expect(Object.keys(errors(one))).toEqual([
      'lines.0.papers.0.pieces',
      'lines.0.papers.1.pieces',
      'lines.0.papers.2.pieces',
    ])
    expect(errors({ ...stars, papers: stars.papers.slice(0, 2) })['lines.0.colours']).toContain(
      '10 or 12 units',
    )
  })
})

describe('what else is kept of a line', () => {
  const [leafCard] = [
    { ...garland, made: 'topper', measures: { gifts: '12', each: '1', margin: '1', panels: '2' } },
  ]
  const making = (change: object) => {
    const result = read({ ...leafCard, ...change })
    return result.ok ? result.value.lines[0]!.making : result.fields
  }
  test('a message on cards; none on what has no card', () => {
    expect(making({ message: ' for you ' })).toMatchObject({ message: 'for you' })
    expect(making({})).not.toHaveProperty('message')
    expect(making({ message: 'x'.repeat(501) })).toHaveProperty(['lines.0.message'])
    expect(making({ ...garland, message: 'for you' })).not.toHaveProperty('message')
  })
  test('a card folded once is cut twice as high', () => {
    const worked = (panels: string) => {
      const kept = making({ measures: { gifts: '12', each: '1', margin: '1', panels } }) as Making
      const result = workedOut(kept, { acrossMm: 50, highMm: 40 }, 'cm')
      return result.ok ? result.made.supplies : []
    }
    expect(worked('1')).toEqual([{ what: 'card', count: 12, eachMm: 70, highMm: 60 }])
    expect(worked('')).toEqual(worked('1'))
    expect(worked('2')).toEqual([{ what: 'card', count: 12, eachMm: 70, highMm: 120 }])
    expect(making({ measures: { gifts: '12', each: '1', margin: '1', panels: '3' } })).toHaveProperty([
      'lines.0.measures.panels',
    ])
  })
  test('character, of a design that has a gauge', () => {
    const rosettes = {
      designId: 'corner-folded-rosette',
      variantKey: 'plain',
      axis: 'edge-to-edge',
      size: '5',
    }
    expect(making({ ...rosettes, character: 'some' })).toMatchObject({ character: 'some' })
    expect(making({ ...rosettes, character: 'alike' })).not.toHaveProperty('character')
    expect(making({ character: 'some' })).not.toHaveProperty('character')
  })
  test('shares as they were written, while the counts are theirs', () => {
    const shared = (a: string, b: string, shares = '2/1') =>
      making({
        shares,
        papers: [
          { paperId: 'a', pieces: a },
          { paperId: 'b', pieces: b },
        ],
      })
    expect(shared('8', '4')).toMatchObject({ shares: { text: '2/1', by: 'largest remainder' } })
    expect(shared('7', '5')).not.toHaveProperty('shares')
    expect(shared('8', '4', '')).not.toHaveProperty('shares')
    expect(shared('8', '4', 'much/little')).not.toHaveProperty('shares')
  })
  test('all of it comes back as it was kept', () => {
    const kept: Making = {
      kind: 'topper',
      values: { gifts: 12, each: 1, margin: 10, panels: 2 },
      shares: { text: '2/1', by: 'sainte-lague' },
      character: 'lively',
      message: 'for you',
    }
    expect(makingFromText(makingText(kept))).toEqual(kept)
    for (const bad of [{ character: 'alike' }, { message: '' }, { shares: { text: '2/1', by: 'whim' } }])
      expect(keptMaking.safeParse({ ...kept, ...bad }).success).toBe(false)
  })
})
