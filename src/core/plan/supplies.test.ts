import { suppliesOf } from './supplies'

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
