import { FORM_ENGINE_VERSION, type Box, type ViewName } from '@/core/shape'
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
  /** The view in which it is best known again, and the one it turns to who looks at what it hangs in. */
  readonly best: ViewName
  readonly faceOn: ViewName
  readonly views: Readonly<Partial<Record<ViewName, KeptView>>>
  readonly shapings: readonly { readonly step: string; readonly before: KeptView; readonly after: KeptView }[]
}

/** The name under which a variant's forms are kept: by the design's hash, the variant and the engine that shapes. */
export const formsKey = (hash: string, variantKey: string): string =>
  `${hash} ${FORM_ENGINE_VERSION} ${variantKey}`

/** A variant as it was painted when the library was built; `null` where it was not: then it is drawn flat. */
export const readForms = ({ caches }: FlowContext, hash: string, variantKey: string): KeptForms | null =>
  caches.forms.get(formsKey(hash, variantKey)) ?? null
