import { sameSupply, standingOfSupply, suppliesOf, wantedTogether } from './supplies'

const piece = { acrossMm: 60, highMm: 90 }
const guide = (supplies: readonly { readonly name: string; readonly perPiece: number }[]) => ({
  skill: 'easy' as const,
  tools: [],
  supplies,
  adhesive: null,
  dryingMinutes: 0,
  test: '',
  rescue: [],
  cautions: [],
})

test('bottles of flowers want a stem a flower, once: not as measured and as counted', () => {
  const making = { kind: 'bouquet' as const, values: { bouquets: 14, each: 3, stem: 180 } }
  const wanted = suppliesOf({ making, piece, pieces: 42, guide: guide([{ name: 'stem', perPiece: 1 }]) })
  expect(wanted).toEqual({ measured: [{ what: 'stem', count: 42, eachMm: 180 }], counted: [] })
})

test('loose flowers still want theirs, and a spinner its pin and two beads', () => {
  const making = { kind: 'batch' as const, values: {} }
  const supplies = [
    { name: 'pin', perPiece: 1 },
    { name: 'bead', perPiece: 2 },
  ]
  expect(suppliesOf({ making, piece, pieces: 6, guide: guide(supplies) }).counted).toEqual([
    { name: 'pin', count: 6 },
    { name: 'bead', count: 12 },
  ])
  expect(suppliesOf({ making, piece, pieces: 6, guide: undefined })).toEqual({ measured: [], counted: [] })
})

test('numbers that do not go together, as a file from outside may hold them, take nothing and break nothing', () => {
  for (const values of [
    {},
    { pieces: 3, long: 500, every: 100, tail: 0, knot: 0 },
    { long: 1, every: 100, tail: 0, knot: 0 },
  ])
    expect(suppliesOf({ making: { kind: 'garland', values }, piece, pieces: 3, guide: undefined })).toEqual({
      measured: [],
      counted: [],
    })
})

describe('what is wanted against what is kept', () => {
  const stems = { name: 'Stems', measured: false, amount: 36, eachMm: 300 }
  const string = { name: 'string', measured: true, amount: 5000, eachMm: null }
  const of = (what: string, count: number, eachMm: number | null) => ({ what, count, eachMm })
  test('one of 30 cm gives one of 18, or two of 15, or three of 10', () => {
    const taken = (count: number, eachMm: number) => standingOfSupply([of('stem', count, eachMm)], [stems])
    expect(taken(40, 180)).toEqual({ status: 'kept', measured: false, wanted: 40, short: 4 })
    expect(taken(40, 150)).toEqual({ status: 'kept', measured: false, wanted: 20, short: 0 })
    expect(taken(40, 100)).toMatchObject({ wanted: 14 })
    expect(taken(1, 301)).toEqual({ status: 'too short', eachMm: 300 })
  })
  test('lengths add up; several wishes for one thing too', () => {
    const wanted = [of('string', 1, 2310), of('string', 2, 1400)]
    expect(standingOfSupply(wanted, [string])).toEqual({
      status: 'kept',
      measured: true,
      wanted: 5110,
      short: 110,
    })
    expect(standingOfSupply([of('pin', 3, null)], [stems, string])).toEqual({ status: 'not kept' })
  })
  test('names in one or many are one thing, and equal wishes are counted together', () => {
    expect(sameSupply(' Stems', 'stem')).toBe(true)
    expect(sameSupply('stem', 'string')).toBe(false)
    expect(wantedTogether([of('pin', 3, null), of('pins', 2, null), of('stem', 1, 180)])).toEqual([
      of('pins', 5, null),
      of('stem', 1, 180),
    ])
  })
})
