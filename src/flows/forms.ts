import { FORM_ENGINE_VERSION } from '@/core/shape'
import type { FlowContext } from './flow-context'
import type { KeptForms } from './kept-forms'

/** The name under which a variant's forms are kept: by the design's hash, the variant and the engine that shapes. */
export const formsKey = (hash: string, variantKey: string): string =>
  `${hash} ${FORM_ENGINE_VERSION} ${variantKey}`

/** A variant as it was painted when the library was built; `null` where it was not: then it is drawn flat. */
export const readForms = ({ caches }: FlowContext, hash: string, variantKey: string): KeptForms | null =>
  caches.forms.get(formsKey(hash, variantKey)) ?? null
