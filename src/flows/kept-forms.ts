import type { Box, ViewName } from '@/core/shape'

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
