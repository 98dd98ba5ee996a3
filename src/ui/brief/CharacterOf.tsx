import { CHARACTERS } from '@/core/arrange'
import { gaugesSet, siblingGauges, type DesignDocument } from '@/core/design'
import { readGauges } from '@/schema/asked-size'
import { SelectField } from '../forms/fields'
import { formatLength } from '../format'
import type { LineValues } from './form-values'
import type { LineFieldsProps } from './line-props'

interface CharacterProps extends LineFieldsProps {
  readonly line: LineValues
  readonly design: DesignDocument
  readonly sheetMm: number | null
}

/** How far its pieces may differ from each other: siblings rather than clones. */
export function CharacterOf({ index, form, line, design, sheetMm, preferences }: CharacterProps) {
  const { ruler, unit } = preferences
  const gauges = readGauges(line.gauges, unit)
  const kinds =
    sheetMm === null ? [] : siblingGauges(design, { sheetMm, gauges, character: line.character, ruler })
  const sets = kinds.map((kind) => gaugesSet(design, kind, sheetMm ?? 0))
  // Gauge by gauge: what it is on each kind of piece.
  const told = design.gauges.map(
    ({ key, name }) =>
      `${name} ${sets
        .map((set) => formatLength(set.find((gauge) => gauge.key === key)?.mm ?? 0, preferences))
        .join(', ')}`,
  )
  return (
    <div className="flex flex-wrap items-end gap-4">
      <SelectField
        form={form}
        name={`lines.${index}.character`}
        label="Pieces may differ"
        control="w-40"
        choices={CHARACTERS.map((character) => [character, character === 'alike' ? 'not at all' : character])}
      />
      <p className="max-w-prose grow" aria-live="polite">
        {line.character === 'alike' || kinds.length === 0
          ? ''
          : kinds.length === 1
            ? 'No gauge has room for that at this size: all stay alike.'
            : `By turns: ${told.join('; ')}. At the table each piece is told its own.`}
      </p>
    </div>
  )
}
