import type { CutTools } from '@/core/cut'
import type { BriefDesign, DesignChoice } from '@/flows/read/brief-designs'
import type { DrawerPaper } from '@/flows/read/papers'
import type { FormOf } from '../forms/useDeedForm'
import type { Preferences } from '../format'
import type { BriefTime } from './dial-time'
import type { BegunLine } from './spoiled-words'
import type { BriefValues, LineValues } from './form-values'

/** What the fields of one line are given. */
export interface LineFieldsProps {
  readonly index: number
  readonly form: FormOf<BriefValues>
  readonly choices: readonly DesignChoice[]
  /** Those that were loaded: a line's design is always among them. */
  readonly designs: readonly BriefDesign[]
  /** Loads a design that is not there yet; `null` where it cannot be had now. */
  readonly load: (id: string) => Promise<BriefDesign | null>
  readonly papers: readonly DrawerPaper[]
  readonly preferences: Preferences
  readonly time: BriefTime
  /** What sheets are cut with. */
  readonly tools: CutTools
  /** What is cut and folded already, by line. */
  readonly begun: Readonly<Record<string, BegunLine>>
  /** A new line, so changed; of this line's design, in its papers, where it is to be alike. */
  readonly add: (change: Partial<LineValues>, alike?: boolean) => void
  readonly remove: () => void
}
