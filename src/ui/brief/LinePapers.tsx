'use client'

import { useEffect, useRef } from 'react'
import { useFieldArray, useWatch } from 'react-hook-form'
import { apportion, MOST_SHARED } from '@/core/colour'
import { mainPart, unitsOf, type DesignDocument } from '@/core/design'
import { sharedAs } from '@/schema/ratio'
import { hasTurns, turnFault } from '@/schema/turns'
import { Swatch } from '../paper/Swatch'
import { FieldError } from '../forms/Field'
import { SelectField, TextField } from '../forms/fields'
import type { LineValues } from './form-values'
import type { LineFieldsProps } from './line-props'
import { ShareOut } from './ShareOut'
import { wantedPieces } from './wanted-pieces'

interface LinePapersProps extends LineFieldsProps {
  readonly design: DesignDocument | undefined
}

/** The papers of a line and how many pieces in each. */
export function LinePapers({ index, form, papers, design }: LinePapersProps) {
  const { control, setValue } = form
  const at = `lines.${index}` as const
  const rows = useFieldArray({ control, name: `${at}.papers`, keyName: 'key' })
  const line = useWatch({ control, name: at })
  const wanted = wantedPieces(line, useWatch({ control, name: 'lines' }))
  const given = line.papers.reduce((sum, row) => sum + (Number(row.pieces) || 0), 0)
  const free = papers.find((paper) => !line.papers.some((row) => row.paperId === paper.id))
  // One paper takes all pieces by itself.
  const only = line.papers.length === 1
  const several = !only && design !== undefined && hasTurns(design, line.variantKey)
  const inTurn = several && line.colours === 'in turn'
  useEffect(() => {
    if (only && wanted !== null) setValue(`${at}.papers.0.pieces`, String(wanted))
  }, [at, only, setValue, wanted])
  useSharesFollow(wanted, line, (row, pieces) => setValue(`${at}.papers.${row}.pieces`, String(pieces)))
  return (
    <div role="group" aria-label={`Papers of line ${index + 1}`} aria-describedby={`${at}.papers-error`}>
      <div className="flex flex-wrap items-start gap-3">
        {rows.fields.map((row, position) => (
          <PaperOfLine
            key={row.key}
            line={index}
            position={position}
            form={form}
            papers={papers}
            only={only || inTurn}
            canGo={!only}
            takeOff={() => rows.remove(position)}
          />
        ))}
        <div className="flex flex-col items-start gap-2">
          <button
            type="button"
            className="btn btn-sm btn-outline"
            disabled={free === undefined}
            onClick={() => free && rows.append({ paperId: free.id, pieces: '' })}
          >
            Another paper
          </button>
          {only || inTurn ? null : (
            <ShareOut
              form={form}
              line={index}
              pieces={wanted}
              papers={line.papers.length}
              onShared={(counts) =>
                counts.forEach((pieces, row) => setValue(`${at}.papers.${row}.pieces`, String(pieces)))
              }
            />
          )}
        </div>
      </div>
      <p
        className={`mt-2 text-sm ${wanted !== null && given !== wanted ? 'font-semibold' : 'second'}`}
        aria-live="polite"
      >
        {wanted === null || only || inTurn
          ? ''
          : given === wanted
            ? `All ${wanted} pieces have a paper.`
            : `${given} of ${wanted} pieces have a paper.`}
      </p>
      {several ? <Turns index={index} form={form} design={design} line={line} /> : null}
      <FieldError id={`${at}.papers`} error={form.error(`${at}.papers`)} />
    </div>
  )
}

interface TurnsProps extends Pick<LineFieldsProps, 'index' | 'form'> {
  readonly design: DesignDocument
  readonly line: LineValues
}

/** Whether every piece is of one paper, or its units of all of them by turns; whether that closes is said at once. */
function Turns({ index, form, design, line }: TurnsProps) {
  const name = `lines.${index}.colours` as const
  const fault = line.colours === 'in turn' ? turnFault(design, line.variantKey, line.papers.length) : null
  const each = unitsIn(design, line.variantKey) / line.papers.length
  return (
    <div className="mt-2 flex flex-wrap items-end gap-4">
      <SelectField
        form={form}
        name={name}
        label="Papers"
        control="w-64"
        choices={[
          ['whole', 'each piece of one paper'],
          ['in turn', 'in turn around each piece'],
        ]}
      />
      <p aria-live="polite" className={fault === null ? 'second' : 'font-semibold'}>
        {form.error(name) === undefined ? fault : null}
        {fault === null && line.colours === 'in turn' ? `${each} units of each paper to a piece.` : ''}
      </p>
    </div>
  )
}

const unitsIn = (design: DesignDocument, variantKey: string): number => {
  const variant = design.variants.find(({ key }) => key === variantKey)
  return variant ? unitsOf(mainPart(design), variant) : 1
}

/**
 * Several papers go on sharing all pieces when there are more or fewer: as it was written, else in the parts they had.
 */
function useSharesFollow(
  wanted: number | null,
  { papers, shares, sharing }: Pick<LineValues, 'papers' | 'shares' | 'sharing'>,
  set: (row: number, pieces: number) => void,
): void {
  const before = useRef(wanted)
  useEffect(() => {
    if (wanted === null || wanted === before.current) return
    const counts = papers.map(({ pieces }) => Number(pieces))
    const follow = counts.length > 1 && counts.reduce((sum, count) => sum + count, 0) === before.current
    before.current = wanted
    if (!follow || wanted > MOST_SHARED) return
    const written = shares.trim() === '' ? null : sharedAs(shares, wanted, counts.length, sharing)
    const weights = counts.map((weight) => ({ weight, locked: null }))
    const next = written?.ok ? written.counts : apportion(wanted, weights, 'sainte-lague')
    next.forEach((pieces, row) => set(row, pieces))
  }, [wanted, papers, shares, sharing, set])
}

interface PaperOfLineProps extends Pick<LineFieldsProps, 'form' | 'papers'> {
  readonly line: number
  readonly position: number
  /** The only paper of a line takes all its pieces. */
  readonly only: boolean
  readonly canGo: boolean
  readonly takeOff: () => void
}

/** One paper of a line, and how many pieces in it. */
function PaperOfLine({ line, position, form, papers, only, canGo, takeOff }: PaperOfLineProps) {
  const base = `lines.${line}.papers.${position}` as const
  const paperId = useWatch({ control: form.control, name: `${base}.paperId` })
  const paper = papers.find((one) => one.id === paperId)
  // What is counted by hand is shared by nothing any more.
  const byHand = () => form.setValue(`lines.${line}.shares`, '')
  return (
    <div className="flex items-end gap-2 border hairline bg-base-200 p-3">
      {paper ? <Swatch front={paper.frontColour} back={paper.backColour} className="mb-2 h-6 w-9" /> : null}
      <SelectField
        form={form}
        name={`${base}.paperId`}
        label="Paper"
        choices={papers.map(({ id, name }) => [id, name])}
        control="w-40 max-tablet:w-32"
      />
      {only ? null : (
        <TextField
          form={form}
          name={`${base}.pieces`}
          label="Pieces"
          control="w-20"
          numeric
          onChange={byHand}
        />
      )}
      {canGo ? (
        <button
          type="button"
          className="btn btn-ghost btn-square"
          onClick={takeOff}
          aria-label={`Take ${paper?.name ?? 'this paper'} off line ${line + 1}`}
        >
          <span aria-hidden>×</span>
        </button>
      ) : null}
    </div>
  )
}
