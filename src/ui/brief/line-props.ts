import type { Control, UseFormRegister, UseFormSetValue } from 'react-hook-form'
import type { DesignDocument } from '@/core/design'
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
  readonly designs: readonly DesignDocument[]
  readonly papers: readonly DrawerPaper[]
  readonly preferences: Preferences
  readonly errors: FieldErrors
  readonly remove: () => void
}
