import type { Control, UseFormRegister, UseFormSetValue } from 'react-hook-form'
import type { BriefDesign, DesignChoice } from '@/flows/read/brief-designs'
import type { DrawerPaper } from '@/flows/read/papers'
import type { FieldErrors } from '@/schema/field-errors'
import type { Preferences } from '../format'
import type { BriefValues } from './form-values'

/** What the fields of one line are given. */
export interface LineFieldsProps {
  readonly index: number
  readonly control: Control<BriefValues>
  readonly register: UseFormRegister<BriefValues>
  readonly setValue: UseFormSetValue<BriefValues>
  readonly choices: readonly DesignChoice[]
  /** Those that were loaded: a line's design is always among them. */
  readonly designs: readonly BriefDesign[]
  /** Loads a design that is not there yet; `null` where it cannot be had now. */
  readonly load: (id: string) => Promise<BriefDesign | null>
  readonly papers: readonly DrawerPaper[]
  readonly preferences: Preferences
  readonly errors: FieldErrors
  readonly remove: () => void
}
