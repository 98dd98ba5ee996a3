import { useEffect } from 'react'
import { useWatch } from 'react-hook-form'
import { setsOf } from '@/core/arrange'
import { parseLength } from '@/core/units'
import { partOfLength, sizeHost, withHost } from '@/schema/following'
import { lengthInput } from '../format'
import type { LineFieldsProps } from './line-props'

/** What another line says of this one goes into its own fields, so that all that reads them follows. */
export function useFollowed({
  index,
  form,
  preferences,
}: Pick<LineFieldsProps, 'index' | 'form' | 'preferences'>): void {
  const at = `lines.${index}` as const
  const lines = useWatch({ control: form.control, name: 'lines' })
  const line = lines[index]
  const host = line && withHost(lines, line)
  const made = host?.made
  const sets = made ? setsOf(made) : null
  const count = host && sets ? (host.measures[sets] ?? '') : null
  const sized = line && sizeHost(lines, line)
  const part = sized ? partOfLength(sized.size, line.sizePercent, preferences.unit) : null
  const read = part === null ? null : parseLength(part, preferences.unit)
  const size = read?.ok ? lengthInput(read.mm, preferences) : null
  useEffect(() => {
    if (made && sets && count !== null) {
      form.setValue(`${at}.made`, made)
      form.setValue(`${at}.measures.${sets}`, count)
    }
  }, [at, form, made, sets, count])
  useEffect(() => {
    if (size !== null) form.setValue(`${at}.size`, size)
  }, [at, form, size])
  // What cannot be followed any more is followed by nothing: the line stands by itself, as it is.
  const lost = {
    goesWith: line !== undefined && line.goesWith !== '' && !host,
    sizeOf: line !== undefined && line.sizeOf !== '' && !sized,
  }
  useEffect(() => {
    if (lost.goesWith) form.setValue(`${at}.goesWith`, '')
    if (lost.sizeOf) form.setValue(`${at}.sizeOf`, '')
  }, [at, form, lost.goesWith, lost.sizeOf])
  const sizing = sized?.sizing
  useEffect(() => {
    if (sizing !== undefined) form.setValue(`${at}.sizing`, sizing)
  }, [at, form, sizing])
}
