import type { ViewName } from '@/core/shape'
import type { KeptForms, KeptView } from '@/flows/kept-forms'

export const VIEW_WORDS: Readonly<Record<ViewName, string>> = {
  front: 'from the front',
  above: 'from above',
  angle: 'at an angle',
}

/** All views there are, in the order of the words. */
export const viewsOf = ({
  views,
}: KeptForms): readonly { readonly name: ViewName; readonly view: KeptView }[] =>
  (Object.keys(VIEW_WORDS) as ViewName[]).flatMap((name) => {
    const view = views[name]
    return view ? [{ name, view }] : []
  })
