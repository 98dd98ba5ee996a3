import { MEASURED } from '../../test/library'
import { typedBrief, typedLine } from '../../test/typed'
import { z } from 'zod'
import { BAD_TEXTS } from '../../test/generators/bad-texts'
import { LIBRARY } from '@/core/design'
import { briefFields } from './brief'
import { readDesignSource } from './design-document'
import { exact } from './exact'
import { parseFields } from './field-errors'
import { dateText, nameText, noteText } from './fields'
import { BLANK_PAPER, countFields, packFields, paperFields, sheetsFields, weighFields } from './paper'
import { supplyFields } from './supply'
import { runEvent, runEventBatch } from './run-event'
import { passphraseText } from './passphrase'
import { looseRunFields, projectRunFields } from './run-start'
import { settingsFields } from './settings'

const DESIGNS = MEASURED

const WORLD = {
  unit: 'cm' as const,
  ruler: 'mm-0.5' as const,
  designs: DESIGNS,
  papers: [
    { id: 'orange', sheets: [] },
    { id: 'green', sheets: [] },
  ],
}

const rosetteLine = typedLine({
  id: 'new-1',
  designId: 'corner-folded-rosette',
  variantKey: 'plain',
  axis: 'edge-to-edge',
  size: '5',
  gauges: { overhang: '0.3' },
  pieces: '36',
  papers: [{ paperId: 'orange', pieces: '36' }],
})
const leafLine = typedLine({
  id: 'new-2',
  designId: 'narrow-leaf',
  variantKey: 'halved',
  axis: 'tip-to-tip',
  size: '8.5',
  gauges: {},
  pieces: '',
  attachedTo: 'new-1',
  perPiece: '2',
  papers: [{ paperId: 'green', pieces: '72' }],
})
const brief = typedBrief([rosetteLine, leafLine], { name: 'Lids', dueOn: '2026-12-05' })
const withLine = (change: object) => ({ ...brief, lines: [{ ...rosetteLine, ...change }] })
const errorsOf = (input: unknown) => {
  const parsed = parseFields(briefFields(WORLD), input)
  return parsed.ok ? {} : parsed.fields
}

describe('a brief', () => {
  test('is read with its sizes in mm and two leaves for each rosette', () => {
    const parsed = parseFields(briefFields(WORLD), brief)
    if (!parsed.ok) throw new Error(JSON.stringify(parsed.fields))
    expect(parsed.value.lines.map((line) => line.pieces)).toEqual([36, 72])
    expect(parsed.value.lines[0]?.sheet.exactMm).toBeCloseTo(124.451, 3)
    expect(parsed.value.lines[1]?.attachedTo).toBe('new-1')
  })

  const fields: readonly (readonly [string, (text: string) => unknown])[] = [
    ['lines.0.size', (text) => withLine({ size: text })],
    ['lines.0.pieces', (text) => withLine({ pieces: text })],
    [
      'lines.0.papers.0.pieces',
      (text) =>
        withLine({
          papers: [
            { paperId: 'orange', pieces: text },
            { paperId: 'green', pieces: '1' },
          ],
        }),
    ],
    ['lines.0.designId', (text) => withLine({ designId: text })],
    ['lines.0.variantKey', (text) => withLine({ variantKey: text })],
    ['lines.0.axis', (text) => withLine({ axis: text })],
    ['lines.0.papers.0.paperId', (text) => withLine({ papers: [{ paperId: text, pieces: '36' }] })],
    ['certainty', (text) => ({ ...brief, certainty: text })],
  ]
  describe.each(fields)('%s', (path, make) => {
    test.each(BAD_TEXTS)('%s gives a message there', (_, text) => {
      const message = errorsOf(make(text))[path]
      expect(message).toMatch(/^[A-Z].*[.]$/)
      expect(message?.length).toBeLessThan(160)
    })
  })

  test.each(BAD_TEXTS.filter(([what]) => !['zero', 'empty', 'blank'].includes(what)))(
    'gauge: %s is refused',
    (_, text) => {
      expect(errorsOf(withLine({ gauges: { overhang: text } }))['lines.0.gauges.overhang']).toBeDefined()
    },
  )
  test('every complaint is told at once, whatever kind it is', () => {
    const input = { ...withLine({ size: '', pieces: 'x' }), name: '', dueOn: 'soon' }
    expect(Object.keys(errorsOf(input)).sort()).toEqual(['dueOn', 'lines.0.pieces', 'lines.0.size', 'name'])
  })
  test('the only paper of a line takes all its pieces', () => {
    const papers = [{ paperId: 'orange', pieces: '' }]
    const parsed = parseFields(briefFields(WORLD), withLine({ papers }))
    expect(parsed.ok && parsed.value.lines[0]?.papers).toEqual([{ paperId: 'orange', pieces: 36 }])
    // How many is missing: it is asked for where it can be typed.
    expect(Object.keys(errorsOf(withLine({ papers, pieces: '' })))).toEqual(['lines.0.pieces'])
  })
  test('a gauge left empty stands as the design has it', () => {
    const parsed = parseFields(briefFields(WORLD), withLine({ gauges: { overhang: '' } }))
    expect(parsed.ok && parsed.value.lines[0]?.gauges).toEqual({})
  })

  test.each([
    ['2026-02-30', 'does not exist'],
    ['2026-13-01', 'does not exist'],
    ['yesterday', 'does not exist'],
    ['1899-01-01', 'from 2000'],
    ['9999-12-31', 'from 2000'],
  ])('the date %s is refused at the field', (dueOn, words) => {
    expect(errorsOf({ ...brief, dueOn })['dueOn']).toContain(words)
  })
  test.each([['2020-01-01'], ['']])('the date %p is allowed: a past one only warns', (dueOn) => {
    expect(errorsOf({ ...brief, dueOn })).toEqual({})
  })

  test.each([
    [
      'papers that do not add up',
      withLine({ papers: [{ paperId: 'orange', pieces: '35' }] }),
      'lines.0.papers',
      '35 of 36',
    ],
    ['no paper', withLine({ papers: [] }), 'lines.0.papers', 'Choose a paper'],
    ['no line', { ...brief, lines: [] }, 'lines', 'at least one line'],
    [
      'a paper twice',
      withLine({
        papers: [
          { paperId: 'orange', pieces: '18' },
          { paperId: 'orange', pieces: '18' },
        ],
      }),
      'lines.0.papers.1.paperId',
      'already',
    ],
    ['smaller than its overhang', withLine({ size: '0.5' }), 'lines.0.size', 'overhang alone'],
    [
      'a gauge beyond its range',
      withLine({ gauges: { overhang: '2' } }),
      'lines.0.gauges.overhang',
      '0.8 cm',
    ],
    ['larger than any sheet', withLine({ size: '149' }), 'lines.0.size', 'sheet of'],
    ['glued to itself', withLine({ attachedTo: 'new-1', perPiece: '1' }), 'lines.0.attachedTo', 'on its own'],
    [
      'glued to what is glued',
      { ...brief, lines: [rosetteLine, leafLine, { ...leafLine, id: 'new-3', attachedTo: 'new-2' }] },
      'lines.2.attachedTo',
      'on its own',
    ],
    ['two lines of one mark', { ...brief, lines: [rosetteLine, rosetteLine] }, 'lines', 'same mark'],
  ])('%s: the message is at its field', (_, input, path, words) => {
    expect(errorsOf(input)[path]).toContain(words)
  })

  test.each([[null], [42], ['text'], [[]], [{}], [{ ...brief, extra: 1 }], [{ ...brief, lines: 'x' }]])(
    'what is no brief at all (%p) is refused without throwing',
    (input) => expect(Object.keys(errorsOf(input)).length).toBeGreaterThan(0),
  )
})

const how = {
  grain: 'fold',
  order: 'piece by piece',
  traySize: '6',
  hand: 'right',
  way: 'whole',
  pieces: '12',
}
const forms: readonly (readonly [string, z.ZodType, Record<string, unknown>, readonly string[]])[] = [
  [
    'paper',
    paperFields,
    {
      ...BLANK_PAPER,
      name: 'Reed Green',
      feel: 'thin',
      pattern: 'fine',
      grammageGsm: '60',
      caliperMm: '0.07',
      toleranceMm: '0.5',
    },
    [
      'grammageGsm',
      'caliperMm',
      'toleranceMm',
      'feel',
      'pattern',
      'texture',
      'grain',
      'turning',
      'frontColour',
      'backColour',
    ],
  ],
  [
    'sheets',
    sheetsFields('cm'),
    { paperId: 'a', width: '21', height: '29.7', offcut: false, amount: '10', price: '0.14', soldAs: '' },
    ['width', 'height', 'amount', 'price'],
  ],
  [
    'pack',
    packFields('cm'),
    { paperId: 'a', form: 'pad', width: '15', height: '15', sheets: '50', price: '4.20', leadDays: '3' },
    ['form', 'width', 'height', 'sheets', 'price', 'leadDays'],
  ],
  ['weighing', weighFields, { stockItemId: 'a', massG: '120', readsToG: '1' }, ['massG', 'readsToG']],
  [
    'supply',
    supplyFields('cm'),
    { name: 'stem', told: 'counted', each: '30', amount: '12', note: '' },
    ['told', 'each', 'amount'],
  ],
  ['count', countFields, { stockItemId: 'a', amount: '3' }, ['amount']],
  [
    'project run',
    projectRunFields,
    { lineId: 'a', partKey: 'unit', paperId: 'b', ...how },
    ['pieces', 'traySize', 'grain', 'order', 'hand'],
  ],
  [
    'loose run',
    looseRunFields('cm'),
    { designId: 'a', variantKey: 'b', paperId: '', size: '15', ...how },
    ['size', 'pieces', 'traySize', 'grain'],
  ],
  [
    'settings',
    settingsFields,
    {
      unit: 'cm',
      ruler: 'mm-1',
      zone: 'Europe/London',
      currency: 'EUR',
      certainty: '0.9',
      evening: '120',
      tones: true,
      hand: 'left',
    },
    ['unit', 'ruler', 'zone', 'currency', 'certainty', 'hand'],
  ],
]
/** Empty means "not known" in these, and nothing means nothing in those. */
const MAY_BE_EMPTY = [
  'grammageGsm',
  'caliperMm',
  'toleranceMm',
  'sheets.price',
  'supply.each',
  'supply.amount',
]
const MAY_BE_ZERO = ['price', 'leadDays', 'toleranceMm', 'count.amount', 'supply.amount']

describe.each(forms)('the %s form', (form, schema, good, fields) => {
  test('takes what is right', () => {
    expect(parseFields(schema, good).ok).toBe(true)
  })
  test.each(fields.flatMap((field) => BAD_TEXTS.map(([what, text]) => [field, what, text] as const)))(
    '%s: %s',
    (field, what, text) => {
      const allowed =
        (text.trim() === '' && (MAY_BE_EMPTY.includes(field) || MAY_BE_EMPTY.includes(`${form}.${field}`))) ||
        (what === 'zero' && (MAY_BE_ZERO.includes(field) || MAY_BE_ZERO.includes(`${form}.${field}`)))
      const parsed = parseFields(schema, { ...good, [field]: text })
      expect(parsed.ok ? undefined : parsed.fields[field]).toEqual(
        allowed ? undefined : expect.stringMatching(/^[A-Z]/),
      )
    },
  )
})

describe('texts', () => {
  test('names keep what was written, scripts and emoji too: they are shown as text', () => {
    expect(nameText('a name').parse(' <script> \u{1F33F} ')).toBe('<script> \u{1F33F}')
    expect(() => nameText('a name').parse('')).toThrow('Enter a name')
    expect(() => nameText('a name').parse('x'.repeat(10_000))).toThrow('under 120')
    expect(() => noteText('the note').parse('a\u0007b')).toThrow('control characters')
    expect(dateText('the date').parse('')).toBeNull()
    for (const broken of ['a\ud800', '\udc00b', 'a\uffff', '\ufffe', '\ufdd0', '\u{1ffff}'])
      expect(() => noteText('the note').parse(broken)).toThrow('is broken')
    for (const parted of ['two\nlines', 'two\r\nlines', 'two\u2028lines', 'two\u0085lines'])
      expect(() => nameText('a name').parse(parted)).toThrow('on one line')
    expect(noteText('the note').parse('two\nlines')).toBe('two\nlines')
  })
})

test('every design that ships survives being stored and read', () => {
  for (const design of LIBRARY) expect(readDesignSource(JSON.stringify(design))).toEqual(design)
  expect(() => readDesignSource('{"format":3}')).toThrow(z.ZodError)
  const [first] = LIBRARY
  expect(() => readDesignSource(JSON.stringify({ ...first, format: 3 }))).toThrow('format')
})

describe('run events', () => {
  const tap = {
    id: 'abcdefghij',
    lane: 1,
    atMs: 1_795_600_000_000,
    kind: 'done',
    piece: 1,
    step: 0,
    repeat: 1,
    attempt: 0,
    lapMs: 900,
  }
  const batch = (event: object) => ({ epoch: 'e', since: 0, events: [event] })
  const taken = (event: object) =>
    parseFields(runEventBatch, batch(event)).ok && runEvent.safeParse(event).success
  test.each([[tap], [{ ...tap, atMs: 0 }], [{ ...tap, atMs: 7_258_118_400_001 }]])('%j is taken', (event) => {
    expect(taken(event)).toBe(true)
  })
  test.each([
    [{ ...tap, piece: 0 }],
    [{ ...tap, piece: 1.5 }],
    [{ ...tap, lapMs: -1 }],
    [{ ...tap, lapMs: Infinity }],
    [{ ...tap, id: 'short' }],
    [{ ...tap, id: '<script>alert(1)</script>' }],
    [{ ...tap, kind: 'dance' }],
    [{ ...tap, extra: 1 }],
    [{ ...tap, atMs: 9e15 }],
    [{ id: 'abcdefghij', lane: 1, atMs: tap.atMs, kind: 'grade', piece: 1, grade: 'perfect' }],
    [{ id: 'abcdefghij', lane: 1, atMs: tap.atMs, kind: 'inspect', pieces: [] }],
  ])('%j is refused', (event) => {
    expect(taken(event)).toBe(false)
  })
  test('one that cannot be does not stop the batch it comes in, unless it cannot even be named', () => {
    expect(parseFields(runEventBatch, batch({ ...tap, piece: 0 })).ok).toBe(true)
    expect(parseFields(runEventBatch, batch({ ...tap, id: 'short' })).ok).toBe(false)
  })
})

test('exact() refuses at compile time a schema with a missing, an extra or a mistyped field', () => {
  interface Point {
    readonly x: number
    readonly y: number
  }
  exact<Point>()(z.strictObject({ x: z.number(), y: z.number() }))
  // @ts-expect-error a field is missing
  exact<Point>()(z.strictObject({ x: z.number() }))
  // @ts-expect-error a field too many
  exact<Point>()(z.strictObject({ x: z.number(), y: z.number(), z: z.number() }))
  // @ts-expect-error a field of another type
  exact<Point>()(z.strictObject({ x: z.number(), y: z.string() }))
})

test('a passphrase must not be short or endless', () => {
  const problem = (text: string) => passphraseText.safeParse(text).error?.issues[0]?.message
  expect(problem('1234567')).toContain('8 characters')
  expect(problem('x'.repeat(201))).toContain('under 200')
  expect(problem('oyster lamp')).toBeUndefined()
})
