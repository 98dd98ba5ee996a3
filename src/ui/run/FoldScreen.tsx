'use client'

import { Legend } from '../diagram/Legend'
import { Link } from '../shell/Link'
import type { ReactNode } from 'react'
import type { DesignDocument, GaugeSettings } from '@/core/design'
import type { RunPictures } from '@/flows/read/folds'
import { SPOIL_REASONS } from '@/core/run'
import type { RunView } from '@/flows/read/run'
import type { Preferences } from '../format'
import { useUnpacked, type Packed } from '../packed'
import { Folding } from './Folding'
import { InspectTray } from './InspectTray'
import { RunFinished } from './RunFinished'
import { TrayStrip } from './TrayStrip'
import { useAwake } from './useAwake'
import { useListening } from './useListening'
import { useRun, type RunAtTable } from './useRun'

interface FoldScreenProps {
  readonly run: RunView
  readonly design: DesignDocument
  readonly gauges: GaugeSettings
  readonly pictures: Packed<RunPictures> | null
  readonly tones: boolean
  readonly preferences: Preferences
}

/** The screen at the table: what the hands do now, k of n, the tray, and nothing else large. */
export function FoldScreen({ run, design, gauges, pictures: packed, tones, preferences }: FoldScreenProps) {
  const pictures = useUnpacked(packed)
  const table = useRun(run, tones)
  const { phase } = table.state
  const listening = useListening(table)
  const awake = useAwake()
  return (
    <main className="flex min-h-screen flex-col bg-base-100" data-ready={table.ready}>
      <h1 className="sr-only">
        Folding {run.designName}
        {run.paper === null ? '' : `, ${run.paper.name}`}
      </h1>
      <TopLine run={run} table={table} awake={awake} />
      <div className="flex grow flex-col">
        {phase.kind === 'fold' ? (
          <Folding
            run={run}
            design={design}
            gauges={gauges}
            pictures={pictures}
            cell={phase.cell}
            preferences={preferences}
          />
        ) : phase.kind === 'inspect' ? (
          <InspectTray run={run} table={table} tray={phase.tray} pieces={phase.pieces} />
        ) : phase.kind === 'elsewhere' ? (
          <p className="m-auto p-10 text-[3rem]" role="status">
            The trays that are left are in other hands.
          </p>
        ) : (
          <RunFinished run={run} table={table} />
        )}
      </div>
      <WhySpoiled table={table} />
      <TableBar run={run} table={table} />
      {listening ? null : (
        <p
          role="status"
          className="fixed inset-0 z-40 flex items-center justify-center bg-base-300/95 p-10 text-center font-serif text-7xl"
        >
          Not listening. Touch the screen.
        </p>
      )}
    </main>
  )
}

function TopLine({
  run,
  table,
  awake,
}: {
  readonly run: RunView
  readonly table: RunAtTable
  readonly awake: boolean
}) {
  const back = run.projectId === null ? `/designs/${run.designId}` : `/projects/${run.projectId}/fold`
  const kept =
    table.sync === 'waiting'
      ? `Kelpfield does not answer: ${table.unsent} taps are kept ${table.persistent ? 'in this browser' : 'on this page only, do not close it'}.`
      : table.sync === 'sending'
        ? 'Sending'
        : 'Every tap is kept.'
  return (
    <div className="flex flex-wrap items-center justify-between gap-x-6 gap-y-1 border-b hairline px-6 py-3 max-sm:px-4 max-sm:py-2">
      <Link href={back} className="font-semibold hover:underline">
        Leave the table
      </Link>
      <p className="second">
        {run.designName}
        {run.paper === null ? '' : `, ${run.paper.name}`}
        {run.projectName === null ? '' : `. ${run.projectName}`}
        {awake ? '' : '. The screen may sleep: set the tablet not to.'}
      </p>
      <Legend className="btn btn-xs btn-ghost" />
      <p
        role="status"
        data-sync={table.sync}
        className={table.sync === 'waiting' ? 'note py-1 font-semibold' : 'second'}
      >
        {kept}
        {table.refused > 0 ? ` ${table.refused} taps did not fit this run and were not counted.` : ''}
      </p>
    </div>
  )
}

function TableBar({ run, table }: { readonly run: RunView; readonly table: RunAtTable }) {
  const { phase, usable, spoiled, total } = table.state
  const piece = phase.kind === 'fold' ? phase.cell.piece : null
  return (
    <div className="sticky bottom-0 grid items-center gap-4 border-t hairline bg-base-300 px-6 py-4 tablet:grid-cols-[13rem_1fr_auto] max-sm:gap-2 max-sm:px-4 max-sm:py-3">
      <div className="max-sm:flex max-sm:items-baseline max-sm:gap-4">
        <p className="figure text-4xl max-sm:text-2xl" data-testid="piece">
          {piece === null ? `${usable} of ${run.plan.wanted}` : `${piece} of ${total}`}
        </p>
        <p className="text-lg max-sm:text-base">
          {usable} good, {spoiled > 0 ? `${spoiled} spoiled, ` : ''}
          {Math.max(0, run.plan.wanted - usable)} to go
        </p>
      </div>
      <TrayStrip run={run} table={table} />
      <div className="flex gap-3">
        <TableButton onPress={table.undo} disabled={!table.ready || table.state.lastAct === null}>
          Undo
        </TableButton>
        <TableButton onPress={table.spoil} disabled={!table.ready || phase.kind !== 'fold'}>
          Spoiled
        </TableButton>
        {phase.kind === 'inspect' ? (
          <TableButton onPress={table.checkOff} disabled={!table.ready} chief>
            Tray is right
          </TableButton>
        ) : (
          <TableButton onPress={table.next} disabled={!table.ready || phase.kind !== 'fold'} chief>
            Next
          </TableButton>
        )}
      </div>
    </div>
  )
}

/** Why the piece spoiled last was spoiled: by one key or touch at once, or at the end of the tray. */
function WhySpoiled({ table }: { readonly table: RunAtTable }) {
  const { justSpoiled } = table
  if (justSpoiled === null) return null
  return (
    <div
      role="group"
      aria-label={`Why piece ${justSpoiled} was spoiled`}
      className="flex flex-wrap items-center gap-2 border-t hairline bg-base-200 px-6 py-3"
    >
      <p className="mr-2 text-2xl">Piece {justSpoiled}: why? Or go on.</p>
      {SPOIL_REASONS.map((reason, index) => (
        <button
          key={reason}
          type="button"
          className="btn btn-outline min-h-12 text-lg"
          onClick={(event) => {
            table.reason(justSpoiled, reason)
            event.currentTarget.blur()
          }}
        >
          <span className="second">{index + 1}</span> {reason}
        </button>
      ))}
    </div>
  )
}

interface TableButtonProps {
  readonly onPress: () => void
  readonly disabled: boolean
  readonly chief?: boolean
  readonly children: ReactNode
}

/** A palm-sized button. It gives the focus back, so that Space stays "next" after a touch. */
function TableButton({ onPress, disabled, chief = false, children }: TableButtonProps) {
  return (
    <button
      type="button"
      disabled={disabled}
      className={`btn h-20 text-2xl max-tablet:grow max-sm:h-16 max-sm:px-2 max-sm:text-xl ${chief ? 'btn-primary sm:min-w-44' : 'btn-outline sm:min-w-28'}`}
      onClick={(event) => {
        onPress()
        if (event.detail > 0) event.currentTarget.blur()
      }}
    >
      {children}
    </button>
  )
}
