import type { CutDemand, CutProblem, CutTools, StockSheets } from '../src/core/cut'
import type { SizeUm } from '../src/core/sheet'
import { seededRandom } from '../demo/random'

/**
 * Made-up projects for the cut planner, written down before it was tuned: what it reaches is measured on these and on
 * nothing else. Seeds 1 to 30, one a project.
 *
 * - Pieces: 20 to 1,000 in all, evenly by ratio. Papers: 3 to 12, evenly.
 * - Sizes of one paper: one 35 %, two 30 %, three 20 %, four 10 %, five 5 %. The pieces of a project fall on all its sizes
 *   by weights of 1 to 5.
 * - A size is a square in 65 % (a third of them a side that divides a sheet, the others 35 to 160 mm in half
 *   millimetres), a strip in 15 % (10 to 30 by 100 to 280 mm), twice as long as wide in 12 % (30 to 90 mm wide), a card in
 *   8 %. It may be turned in 85 %.
 * - A paper lies there as A4 in 55 %, else as A3, Letter, a 20, 24 or 35 cm square; in a second format in 25 %. What is too
 *   small for its largest piece is A3. Sheets: enough in 85 %, else about as many as the area needs and a tenth.
 * - 60 % of papers have prices, a few cents to half a unit by area. 40 % have one to six odd offcuts.
 * - Cut in three stages in 80 %, else in two. Margin none in 70 %, else 3 or 5 mm. A trimmer of 310 mm in half of them.
 */
export const CUT_PROJECT_SEEDS: readonly number[] = Array.from({ length: 30 }, (_, index) => index + 1)

export interface CutProject {
  readonly seed: number
  readonly pieces: number
  /** One problem for each paper. */
  readonly problems: readonly CutProblem[]
}

const DIVIDING_MM = [42, 49.5, 52.5, 59.4, 60, 63.5, 70, 74.25, 76.2, 85, 99, 105, 118, 124.5, 148.5] as const
const CARDS_MM = [
  [105, 148],
  [99, 210],
] as const
const FORMATS_MM = {
  a4: [210, 297],
  a3: [297, 420],
  letter: [215.9, 279.4],
  twenty: [200, 200],
  twentyFour: [240, 240],
  thirtyFive: [350, 350],
} as const
type FormatName = keyof typeof FORMATS_MM
const OTHERS = ['a3', 'letter', 'twenty', 'twentyFour', 'thirtyFive'] as const

const sizeUm = ([width, height]: readonly [number, number]): SizeUm => ({
  widthUm: Math.round(width * 1000),
  heightUm: Math.round(height * 1000),
})
const fits = (piece: SizeUm, sheet: SizeUm, marginUm: number): boolean => {
  const [width, height] = [sheet.widthUm - 2 * marginUm, sheet.heightUm - 2 * marginUm]
  // Upright and turned: what may not be turned counts as the larger way.
  return Math.max(piece.widthUm, piece.heightUm) <= Math.min(width, height)
}

class Dice {
  readonly #random: () => number
  constructor(seed: number) {
    this.#random = seededRandom(seed)
  }
  chance = (share: number): boolean => this.#random() < share
  /** A whole number of both ends and all between. */
  whole = (from: number, to: number): number => from + Math.floor(this.#random() * (to - from + 1))
  of = <One>(all: readonly One[]): One => all[this.whole(0, all.length - 1)] as One
  byRatio = (from: number, to: number): number => Math.round(from * (to / from) ** this.#random())
}

function pieceMm(dice: Dice): readonly [number, number] {
  const kind = dice.whole(1, 100)
  if (kind <= 65) {
    const side = dice.chance(1 / 3) ? dice.of(DIVIDING_MM) : dice.whole(70, 320) / 2
    return [side, side]
  }
  if (kind <= 80) return [dice.whole(10, 30), dice.whole(100, 280)]
  if (kind <= 92) {
    const width = dice.whole(60, 180) / 2
    return [width, 2 * width]
  }
  return dice.of(CARDS_MM)
}

const sizesOfOne = (dice: Dice): number => {
  const kind = dice.whole(1, 100)
  return kind <= 35 ? 1 : kind <= 65 ? 2 : kind <= 85 ? 3 : kind <= 95 ? 4 : 5
}

function stockOf(
  dice: Dice,
  paperId: string,
  demands: readonly CutDemand[],
  marginUm: number,
): StockSheets[] {
  const area = demands.reduce(
    (sum, { sizeUm: piece, count }) => sum + count * piece.widthUm * piece.heightUm,
    0,
  )
  const names: FormatName[] = [dice.chance(0.55) ? 'a4' : dice.of(OTHERS)]
  if (dice.chance(0.25)) names.push(dice.of(OTHERS.filter((one) => one !== names[0])))
  const holdsAll = (name: FormatName) =>
    demands.every(({ sizeUm: piece }) => fits(piece, sizeUm(FORMATS_MM[name]), marginUm))
  const formats = [...new Set(names.map((name) => (holdsAll(name) ? name : ('a3' as const))))]
  const priced = dice.chance(0.6)
  const enough = dice.chance(0.85)
  const price = dice.whole(8, 40)
  const sheets = formats.map((name): StockSheets => {
    const size = sizeUm(FORMATS_MM[name])
    const inArea = Math.ceil(area / (size.widthUm * size.heightUm))
    return {
      stockId: `${paperId}-${name}`,
      paperId,
      sizeUm: size,
      available: enough ? 3 * inArea + 10 : Math.ceil(1.1 * inArea) + 1,
      offcut: false,
      priceMinor: priced
        ? Math.round((price * (size.widthUm * size.heightUm)) / 6.237e10) + dice.whole(0, 4)
        : null,
    }
  })
  const offcuts = dice.chance(0.4) ? dice.whole(1, 6) : 0
  return [
    ...sheets,
    ...Array.from({ length: offcuts }, (_, index): StockSheets => ({
      stockId: `${paperId}-offcut-${index}`,
      paperId,
      sizeUm: sizeUm([dice.whole(30, 200), dice.whole(60, 280)]),
      available: dice.whole(1, 2),
      offcut: true,
      priceMinor: null,
    })),
  ]
}

export function cutProject(seed: number): CutProject {
  const dice = new Dice(seed)
  const pieces = dice.byRatio(20, 1000)
  const papers = dice.whole(3, 12)
  const tools: CutTools = {
    stages: dice.chance(0.8) ? 3 : 2,
    marginUm: dice.chance(0.7) ? 0 : dice.of([3000, 5000]),
    trimmerUm: dice.chance(0.5) ? 310_000 : null,
    stackSheets: dice.whole(1, 8),
  }
  const wanted = Array.from({ length: papers }, (_, paper) =>
    Array.from({ length: sizesOfOne(dice) }, () => ({
      paperId: `paper-${paper}`,
      sizeUm: sizeUm(pieceMm(dice)),
      turnable: dice.chance(0.85),
      weight: dice.whole(1, 5),
    })),
  )
  const weights = wanted.flat().reduce((sum, { weight }) => sum + weight, 0)
  return {
    seed,
    pieces,
    problems: wanted.map((sizes, paper) => {
      const demands = sizes.map(({ weight, ...one }, index): CutDemand => ({
        ...one,
        key: `${one.paperId} ${index}`,
        count: Math.max(1, Math.round((pieces * weight) / weights)),
      }))
      return { demands, stock: stockOf(dice, `paper-${paper}`, demands, tools.marginUm), tools }
    }),
  }
}
