import { type FEELS } from '@/core/paper'
import { writeDrawerCsv } from '@/formats/drawer-csv'
import type { DrawerTexts } from '@/schema/drawer-row'
import type { FlowContext } from '../flow-context'
import { currencyDigits } from '../money'
import { currentSettings } from '../settings'
import { readDrawer, type DrawerPaper, type SheetView } from './papers'

const number = (value: number | null): string => (value === null ? '' : String(value))

const NO_SHEETS = { width: '', height: '', unit: '', sheets: '', offcut: '', price: '', sold_as: '' }

function sheetTexts(sheet: SheetView, digits: number): typeof NO_SHEETS {
  return {
    // Whole micrometres, so that nothing is lost on the way out and in.
    width: String(Math.round(sheet.widthMm * 1000) / 1000),
    height: String(Math.round(sheet.heightMm * 1000) / 1000),
    unit: 'mm',
    sheets: String(sheet.amount),
    offcut: sheet.offcut ? 'yes' : 'no',
    price: sheet.priceMinor === null ? '' : (sheet.priceMinor / 10 ** digits).toFixed(digits),
    sold_as: sheet.soldAs,
  }
}

const paperTexts = (paper: DrawerPaper) => ({
  paper: paper.name,
  feel: paper.feel satisfies keyof typeof FEELS,
  grammage_gsm: number(paper.grammageGsm),
  thickness_mm: number(paper.caliperMeasuredMm),
  pattern: paper.pattern,
  texture: paper.texture,
  grain: paper.grain,
  turning: paper.turnable ? 'either way' : 'one way',
  smaller_by_mm: number(paper.toleranceMm),
  colour_side: paper.frontColour,
  other_side: paper.backColour,
  note: paper.note,
})

/** The whole drawer as a table that can be read in again. */
export async function drawerAsCsv(context: FlowContext): Promise<string> {
  const digits = currencyDigits((await currentSettings(context)).currency)
  const rows = (await readDrawer(context)).flatMap((paper): readonly DrawerTexts[] => {
    const sheets = paper.sheets.filter(({ amount }) => amount > 0)
    const texts = paperTexts(paper)
    return sheets.length === 0
      ? [{ ...texts, ...NO_SHEETS }]
      : sheets.map((sheet) => ({ ...texts, ...sheetTexts(sheet, digits) }))
  })
  return writeDrawerCsv(rows)
}
