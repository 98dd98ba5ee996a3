'use client'

import type { DeedResult } from '@/flows/deed'
import { paperFields } from '@/schema/paper'
import { SaveButton } from '../forms/SaveButton'
import { Form } from '../forms/Form'
import { useDeedForm } from '../forms/useDeedForm'
import { PaperDetails, PaperFace, PaperFeel, type PaperTyped } from './PaperFields'

interface PaperFormProps {
  readonly initial: PaperTyped
  readonly save: (values: PaperTyped) => Promise<DeedResult<{ readonly paperId: string }>>
}

/** Changes a paper. */
export function PaperForm({ initial, save }: PaperFormProps) {
  const form = useDeedForm({ schema: paperFields, initial, act: save })
  return (
    <Form form={form}>
      <PaperFace form={form} />
      <PaperFeel form={form} />
      <PaperDetails form={form} />
      <SaveButton deed="Save" form={form} />
    </Form>
  )
}
