import fc from 'fast-check'
import { sceneOf, workOut, type Making, type SetShare } from '.'

const FLOWER = { acrossMm: 60, highMm: 60 }
const LEAF = { acrossMm: 20, highMm: 90 }
const bouquet = (bouquets: number, each: number): Making => ({ kind: 'bouquet', values: { bouquets, each } })
const table = (places: number, each: number): Making => ({ kind: 'table', values: { places, each } })
const sceneAt = (making: Making, share: SetShare) => {
  const { piece } = share.members[share.at]!
  return sceneOf(making, workOut(making, piece), piece, share)!
}

test.each([
  ['bottles', bouquet],
  ['a table', table],
] as const)('%s: each kind has its own places, as many as it has pieces, none twice', (_, make) => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 5 }),
      fc.array(fc.integer({ min: 1, max: 7 }), { minLength: 2, maxLength: 4 }),
      (sets, eachs) => {
        const members = eachs.map((each, at) => ({ each, piece: at % 2 === 0 ? FLOWER : LEAF }))
        const scenes = eachs.map((each, at) => sceneAt(make(sets, each), { members, at }))
        scenes.forEach((scene, at) => expect(scene.places).toHaveLength(sets * eachs[at]!))
        const all = scenes.flatMap(({ places }) =>
          places.map(({ xMm, yMm }) => `${xMm.toFixed(3)} ${yMm.toFixed(3)}`),
        )
        expect(new Set(all).size).toBe(sets * eachs.reduce((sum, each) => sum + each, 0))
      },
    ),
    { numRuns: 60 },
  )
})
test('two leaves stand at the rim of a bottle of five, on opposite sides of its flowers', () => {
  const members = [
    { each: 3, piece: FLOWER },
    { each: 2, piece: LEAF },
  ]
  const flowers = sceneAt(bouquet(1, 3), { members, at: 0 }).places
  const leaves = sceneAt(bouquet(1, 2), { members, at: 1 }).places
  const out = ({ xMm, yMm }: { xMm: number; yMm: number }) => Math.hypot(xMm, yMm)
  expect(Math.min(...leaves.map(out))).toBeGreaterThan(Math.min(...flowers.map(out)))
  const [one, other] = leaves.map(({ xMm, yMm }) => Math.atan2(yMm, xMm))
  const between = Math.abs(((one! - other! + 3 * Math.PI) % (2 * Math.PI)) - Math.PI)
  expect(between).toBeGreaterThan(Math.PI / 2)
})
test('neighbours are told among a kind alone, and stay within a bottle', () => {
  const members = [
    { each: 5, piece: FLOWER },
    { each: 2, piece: LEAF },
  ]
  const { neighbours } = sceneAt(bouquet(3, 5), { members, at: 0 })
  expect(Array.isArray(neighbours)).toBe(true)
  for (const [one, other] of neighbours as readonly (readonly [number, number])[]) {
    expect(Math.floor(one / 5)).toBe(Math.floor(other / 5))
    expect(Math.max(one, other)).toBeLessThan(15)
  }
})
test('alone, it stands as it did', () => {
  const making = bouquet(2, 7)
  const made = workOut(making, FLOWER)
  expect(sceneOf(making, made, FLOWER, { members: [{ each: 7, piece: FLOWER }], at: 0 })).toEqual(
    sceneOf(making, made, FLOWER),
  )
})
