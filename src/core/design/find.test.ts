import { measured } from '../../../test/library'
import {
  highPerWide,
  LIBRARY,
  locksHold,
  LOOSE_LOCK,
  mainPart,
  stagesOf,
  unitsOf,
  variantOf,
  waysOf,
  withoutWords,
  type DesignDocument,
} from '.'

const design = (id: string): DesignDocument => {
  const found = LIBRARY.find((one) => one.id === id)
  if (!found) throw new Error(`no design ${id}`)
  return measured(found)
}
const keysOf = (id: string, variantKey: string, way: 'whole' | 'direct' | 'from base') => {
  const one = design(id)
  return stagesOf(mainPart(one), variantOf(one, variantKey), way).flatMap(({ steps }) =>
    steps.map(({ key }) => key),
  )
}

test('the ways of a design: whole always, directly where creases are made first, on from a base where it has one', () => {
  const ways = (id: string) => {
    const one = design(id)
    const [first] = one.variants
    return first ? waysOf(mainPart(one), first) : []
  }
  expect(ways('tulip')).toEqual(['whole', 'direct', 'from base'])
  expect(ways('rolled-stem')).toEqual(['whole', 'direct'])
  expect(ways('pleated-gourd')).toEqual(['whole', 'from base'])
  expect(ways('narrow-leaf')).toEqual(['whole'])
})
test('directly, the creases made beforehand are left out and nothing else', () => {
  const [whole, direct] = [keysOf('tulip', 'plain', 'whole'), keysOf('tulip', 'plain', 'direct')]
  expect(whole.filter((key) => !direct.includes(key))).toEqual(['diagonals', 'over', 'halves', 'over-again'])
  expect(direct[0]).toBe('collapse')
})
test('from a base, its stages are left out: the first step is the one after it', () => {
  expect(keysOf('crane', 'plain', 'from base')[0]).toBe('narrow-one')
  expect(keysOf('field-flower', 'plain', 'from base')[0]).toBe('half-turn')
  expect(keysOf('lobed-leaf', 'plain', 'from base')[0]).toBe('narrow')
})
test('a variant’s own steps stay left out whatever the way', () => {
  for (const way of ['whole', 'direct', 'from base'] as const)
    expect(keysOf('crane', 'plain', way)).not.toContain('other-card')
  expect(keysOf('crane', 'with-cards', 'from base').slice(-4)).toEqual([
    'card',
    'card-over',
    'other-card',
    'card-back',
  ])
})
test('units follow the variant; other designs are of one', () => {
  const [kites, ring, heart] = [design('window-star'), design('ring-star'), design('simple-heart')]
  const units = (one: DesignDocument, key: string) => unitsOf(mainPart(one), variantOf(one, key))
  expect([units(kites, 'eight'), units(kites, 'sixteen')]).toEqual([8, 16])
  expect(['nine', 'ten', 'twelve'].map((key) => units(ring, key))).toEqual([9, 10, 12])
  expect(units(heart, 'rounded')).toBe(1)
})
test('height by width of what is cut: squares, a 2:1 piece, strips; a hexagon is 0.866 of its corners high', () => {
  const high = (id: string) => highPerWide(mainPart(design(id)))
  expect(['simple-heart', 'hexagon-flake', 'framed-heart', 'message-heart', 'rolled-stem'].map(high)).toEqual(
    [1, Math.sqrt(3) / 2, 0.5, 0.25, 0.25],
  )
})
test('without its words a design still has its sizes, and no steps', () => {
  const [whole, light] = [design('crane'), withoutWords(design('crane'))]
  expect(light.variants).toEqual(whole.variants)
  expect(light.gauges).toEqual(whole.gauges)
  expect(light.guide).toBeUndefined()
  expect(light.parts[0]?.stages).toEqual([])
})
test('a design with a lock that does not hold is not offered, and its step says so', () => {
  const tulip = design('tulip')
  expect(locksHold(tulip)).toBe(true)
  const variants = tulip.variants.map((variant) => ({ ...variant, looseLocks: ['left'] }))
  const loose = { ...tulip, variants }
  expect(locksHold(loose)).toBe(false)
  const notes = stagesOf(mainPart(loose), variants[0]!).flatMap(({ steps }) =>
    steps.flatMap(({ key, note }) => (note === LOOSE_LOCK ? [key] : [])),
  )
  expect(notes).toEqual(['left'])
})
