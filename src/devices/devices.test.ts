import { FEELS, type Feel } from '@/core/paper'
import { StandInScale, USUAL_FAULTS } from './kitchen-scale'
import { standInShop } from './paper-shop'

describe('the scale that stands in', () => {
  const LAID_G = 49.9
  const rested = (seed: number) => {
    const scale = new StandInScale(seed)
    scale.tare(0)
    scale.lay(LAID_G, 0)
    return scale
  }
  test('reads in its steps, near what lies on it, and not always the same', () => {
    const readings = Array.from({ length: 200 }, (_, seed) => rested(seed).read(2000))
    expect(readings.every(({ steady }) => steady)).toBe(true)
    for (const { massG } of readings) {
      expect(
        Math.abs(massG / USUAL_FAULTS.readsToG - Math.round(massG / USUAL_FAULTS.readsToG)),
      ).toBeLessThan(1e-9)
      expect(Math.abs(massG - LAID_G)).toBeLessThan(2)
    }
    expect(new Set(readings.map(({ massG }) => massG)).size).toBeGreaterThan(1)
    const mean = readings.reduce((sum, { massG }) => sum + massG, 0) / readings.length
    expect(Math.abs(mean - LAID_G)).toBeLessThan(0.15)
  })
  test('shakes until it rests, its zero wanders until it is set again, the same seed does the same', () => {
    const scale = rested(7)
    expect(scale.read(100).steady).toBe(false)
    const hour = 3600_000
    const drifted = scale.read(hour).massG - LAID_G
    expect(drifted).toBeGreaterThan(0.4 * 60 - 3)
    scale.lay(0, hour)
    scale.tare(hour)
    expect(Math.abs(scale.read(hour + 2000).massG)).toBeLessThanOrEqual(1)
    expect(rested(3).read(2000)).toEqual(rested(3).read(2000))
  })
  test('zero takes what lies on it for nothing', () => {
    const scale = rested(1)
    scale.tare(2000)
    expect(Math.abs(scale.read(4000).massG)).toBeLessThanOrEqual(1)
  })
})

describe('the shop that stands in', () => {
  const papers = Array.from({ length: 60 }, (_, index) => ({
    id: `paper-${index}`,
    feel: Object.keys(FEELS)[index % 4] as Feel,
  }))
  test('has packs of every paper at a price, with days; some are sold out, and these come later', () => {
    const offers = papers.flatMap((paper) => standInShop.offers(paper, 20_000))
    for (const { sheets, price, leadDays, soldOut, widthMm, heightMm } of offers) {
      expect(Math.min(sheets, price, leadDays, widthMm, heightMm)).toBeGreaterThan(0)
      expect(leadDays).toBeLessThanOrEqual(soldOut ? 20 : 6)
    }
    const soldOut = offers.filter((one) => one.soldOut).length / offers.length
    expect(soldOut).toBeGreaterThan(0.1)
    expect(soldOut).toBeLessThan(0.25)
  })
  test('says the same all week, something else the next; larger packs are cheaper by the sheet', () => {
    const [paper] = papers
    const monday = 20_000 - (20_000 % 7)
    expect(standInShop.offers(paper!, monday)).toEqual(standInShop.offers(paper!, monday + 6))
    expect(standInShop.offers(paper!, monday)).not.toEqual(standInShop.offers(paper!, monday + 7))
    const a4 = standInShop.offers(paper!, monday).filter(({ widthMm }) => widthMm === 210)
    const each = a4.map(({ price, sheets }) => price / sheets)
    expect(each.at(-1)).toBeLessThan(each[0]!)
  })
})
