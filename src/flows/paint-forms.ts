import { createHash } from 'node:crypto'
import { defaultGauges, finishedForm, gaugeShares, shownSheetMm, type DesignSource } from '@/core/design'
import { paintForm, type ShapeSettings, type ViewName } from '@/core/shape'
import { toPng } from '@/formats/painted/png'
import { contentHash } from './content-hash'
import { formsKey } from './forms'
import type { KeptForms, KeptView } from './kept-forms'

/** How large the piece is painted, in pixels across its largest view; beside a shaping step; what lies flat has no front. */
const ACROSS_PX = 400
const STEP_PX = 260
const SHAPED_VIEWS: readonly ViewName[] = ['front', 'above', 'angle']
const FLAT_VIEWS: readonly ViewName[] = ['above', 'angle']

/** Paints a design's variant as it is shown, each picture given to `keep`; `null` where it has no moves. */
export function paintVariant(
  source: DesignSource,
  variantKey: string,
  keep: (file: string, png: Uint8Array) => void,
): KeptForms | null {
  const sheetMm = shownSheetMm(source)
  const settings: ShapeSettings = { gauges: gaugeShares(source, defaultGauges(source), sheetMm), sheetMm }
  const finished = finishedForm(source, variantKey, settings)
  if (!finished) return null
  const painted = (shapings: number, views: readonly ViewName[], acrossPx: number) => {
    const form = finishedForm(source, variantKey, settings, shapings)?.form ?? finished.form
    return paintForm(form, views, acrossPx).map((view): readonly [ViewName, KeptView] => {
      const png = toPng(view)
      const file = `${createHash('sha256').update(png).digest('hex').slice(0, 32)}.png`
      keep(file, png)
      const { width, height, frame, piece } = view
      return [view.view, { file, width, height, frame, piece }]
    })
  }
  const shapings = finished.shapedBy
  const all = shapings.length
  const views = painted(all, all > 0 ? SHAPED_VIEWS : FLAT_VIEWS, ACROSS_PX)
  const stages = [...shapings, null].flatMap((_, done) =>
    all === 0 ? [] : painted(done, ['angle'], STEP_PX).map(([, view]) => view),
  )
  return {
    shaped: all > 0,
    // What lies flat is known from above; what stands hangs as it stands, all else faces who looks at it.
    best: all > 0 ? 'angle' : 'above',
    faceOn: all > 0 && finished.form.stands ? 'front' : 'above',
    views: Object.fromEntries(views),
    shapings: shapings.flatMap((step, index) => {
      const [before, after] = [stages[index], stages[index + 1]]
      return before && after ? [{ step, before, after }] : []
    }),
  }
}

/** What is painted with a build: every variant of every design, by the name it is kept under. */
export const formsToPaint = (
  library: readonly DesignSource[],
): readonly { readonly key: string; readonly source: DesignSource; readonly variantKey: string }[] =>
  library.flatMap((source) => {
    const { hash } = contentHash(source)
    return source.variants.map(({ key: variantKey }) => ({
      key: formsKey(hash, variantKey),
      source,
      variantKey,
    }))
  })
