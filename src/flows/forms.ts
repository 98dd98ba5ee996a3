import { createHash } from 'node:crypto'
import {
  defaultGauges,
  finishedForm,
  gaugeShares,
  shownSheetMm,
  variantOf,
  type DesignSource,
} from '@/core/design'
import {
  checkForm,
  FORM_ENGINE_VERSION,
  paintForm,
  passes,
  type Box,
  type ShapeSettings,
  type ViewName,
} from '@/core/shape'
import { toPng } from '@/formats/painted/png'
import { contentHash } from './content-hash'
import type { FlowContext } from './flow-context'

/** A painted view as it is kept: its file, and what it covers in sides of the sheet. */
export interface KeptView {
  readonly file: string
  readonly width: number
  readonly height: number
  readonly frame: Box
  readonly piece: Box
}

/** The finished piece of a variant, painted; and the piece before and after each of its shaping steps. */
export interface KeptForms {
  /** Whether hands shape it; what is only folded lies flat. */
  readonly shaped: boolean
  /** Whether it stands upright; else it lies, and is seen as it is meant from above. */
  readonly stands: boolean
  readonly views: Readonly<Partial<Record<ViewName, KeptView>>>
  readonly shapings: readonly { readonly step: string; readonly before: KeptView; readonly after: KeptView }[]
}

/** How large the piece is painted, in pixels across its largest view; beside a shaping step; what lies flat has no front. */
const ACROSS_PX = 400
const STEP_PX = 260
const SHAPED_VIEWS: readonly ViewName[] = ['front', 'above', 'angle']
const FLAT_VIEWS: readonly ViewName[] = ['above', 'angle']

/** The name under which a variant's forms are kept: by the design's hash, the variant and the engine that shapes. */
export const formsKey = (hash: string, variantKey: string): string =>
  `${hash} ${FORM_ENGINE_VERSION} ${variantKey}`

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
  // What misses a gate stays flat.
  const shapings = passes(checkForm(finished.form)) ? finished.shapedBy : []
  const all = shapings.length
  const views = painted(all, all > 0 ? SHAPED_VIEWS : FLAT_VIEWS, ACROSS_PX)
  const stages = [...shapings, null].flatMap((_, done) =>
    all === 0 ? [] : painted(done, ['angle'], STEP_PX).map(([, view]) => view),
  )
  return {
    shaped: all > 0,
    stands: finished.form.stands,
    views: Object.fromEntries(views),
    shapings: shapings.flatMap((step, index) => {
      const [before, after] = [stages[index], stages[index + 1]]
      return before && after ? [{ step, before, after }] : []
    }),
  }
}

/** A variant as it was painted when the library was built; `null` where it was not: then it is drawn flat. */
export const readForms = ({ caches }: FlowContext, hash: string, variantKey: string): KeptForms | null =>
  caches.forms.get(formsKey(hash, variantKey)) ?? null

/** What is painted with a build: every variant of every design, by the name it is kept under. */
export const formsToPaint = (
  library: readonly DesignSource[],
): readonly { readonly key: string; readonly source: DesignSource; readonly variantKey: string }[] =>
  library.flatMap((source) => {
    const { hash } = contentHash(source)
    return source.variants.map(({ key: variantKey }) => ({
      key: formsKey(hash, variantOf(source, variantKey).key),
      source,
      variantKey,
    }))
  })
