import type { ViewName } from '@/core/shape'
import type { KeptForms, KeptView } from '@/flows/forms'

export const VIEW_WORDS: Readonly<Record<ViewName, string>> = {
  front: 'from the front',
  above: 'from above',
  angle: 'at an angle',
}

/** The view in which a piece is best known again: what lies flat from above, all else at an angle. */
export const bestView = ({ shaped, views }: KeptForms): KeptView | undefined =>
  shaped ? (views.angle ?? views.above) : (views.above ?? views.angle)

/** The side a piece turns to who looks at what it hangs in: what stands from the front, what lies from above. */
export const faceOn = ({ stands, views }: KeptForms): KeptView | undefined =>
  stands ? (views.front ?? views.above) : (views.above ?? views.front)

/** All views there are, in the order of the words. */
export const viewsOf = ({
  views,
}: KeptForms): readonly { readonly name: ViewName; readonly view: KeptView }[] =>
  (Object.keys(VIEW_WORDS) as ViewName[]).flatMap((name) => {
    const view = views[name]
    return view ? [{ name, view }] : []
  })
