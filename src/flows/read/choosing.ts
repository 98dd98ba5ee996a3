import { NOTHING_TO_SEE } from '@/core/numeric'
import {
  highPerWide,
  mainPart,
  paperSuits,
  smallestSheet,
  unitsOf,
  type DesignDocument,
  type Family,
  type FoldToMake,
  type Skill,
} from '@/core/design'
import { USUAL_CALIPER_MM } from '@/core/paper'
import { bestGrid, pieceSizeUm } from '@/core/sheet'
import { umFromMm } from '@/core/units'
import type { DrawerPaper } from './papers'

/** What a folder asks the library for. What is `null` is not asked. */
export interface Wishes {
  readonly family: Family | null
  readonly skill: Skill | null
  /** Time there is, in minutes. */
  readonly minutes: number | null
  /** The paper it is to be made of. */
  readonly paper: DrawerPaper | null
  /** The side of the square there is. */
  readonly sheetMm: number | null
  /** Nothing but paper: no glue and no supplies. */
  readonly paperOnly: boolean
}

/** Why a design is left out; `null` where it stays. */
export type LeftOut = 'family' | 'skill' | 'time' | 'supplies' | 'thickness' | 'small' | 'sheet' | null

/** A design against the wishes: whether it stays, and how many pieces the paper and the time become. */
export interface Choice {
  readonly leftOut: LeftOut
  /** Whole pieces the time is enough for; `null` where no time is asked. */
  readonly byTime: number | null
  /** Whole pieces the sheets of the paper give at `sheetMm`; `null` where no paper is asked. */
  readonly byPaper: number | null
}

/** How many pieces of a design the sheets of a paper give, each part cut at that side. */
function piecesFrom(design: DesignDocument, paper: DrawerPaper, sheetMm: number): number {
  const part = mainPart(design)
  const [variant] = design.variants
  const piece = pieceSizeUm(umFromMm(sheetMm), highPerWide(part))
  const units = paper.sheets.reduce((sum, { widthMm, heightMm, amount }) => {
    const sheet = { widthUm: umFromMm(widthMm), heightUm: umFromMm(heightMm) }
    return sum + bestGrid(sheet, piece).count * amount
  }, 0)
  return Math.floor(units / (variant ? unitsOf(part, variant) : 1))
}

/** Whether wishes are about what only the folds can tell: how thick a paper, and how small a sheet. */
export const asksForFolds = ({ paper, sheetMm }: Pick<Wishes, 'paper' | 'sheetMm'>): boolean =>
  paper !== null || sheetMm !== null

/** A design against what is wished. `sheetMm` is the side its parts are cut at. */
export function choose(
  design: DesignDocument,
  wishes: Wishes,
  {
    secondsPerUnit,
    hardest,
    sheetMm,
  }: { readonly secondsPerUnit: number; readonly hardest: readonly FoldToMake[]; readonly sheetMm: number },
): Choice {
  const { family, skill, minutes, paper, paperOnly } = wishes
  const [variant] = design.variants
  const secondsPerPiece = secondsPerUnit * (variant ? unitsOf(mainPart(design), variant) : 1)
  const byTime = minutes === null ? null : Math.floor((minutes * 60) / secondsPerPiece)
  const byPaper = paper === null ? null : piecesFrom(design, paper, sheetMm)
  const guide = design.guide
  const leftOut = ((): LeftOut => {
    if (family !== null && design.family !== family) return 'family'
    if (skill !== null && guide && guide.skill !== skill) return 'skill'
    if (paperOnly && guide && (guide.adhesive !== null || guide.supplies.length > 0)) return 'supplies'
    if (byTime === 0) return 'time'
    if (paper !== null && paperSuits(hardest, paper.caliperMm).suits === 'too thick') return 'thickness'
    if (asksForFolds(wishes)) {
      const least = smallestSheet(hardest, paper?.caliperMm ?? USUAL_CALIPER_MM)
      if (least && sheetMm < least.sheetMm - NOTHING_TO_SEE) return 'small'
    }
    if (byPaper === 0) return 'sheet'
    return null
  })()
  return { leftOut, byTime, byPaper }
}
