import type { Metadata } from 'next'
import { openStation, type StationParams } from '@/app/_server/open-station'
import type { CutLayout } from '@/core/cut'
import { finishedSizes, variantOf } from '@/core/design'
import { mmFromUm } from '@/core/units'
import { sweepPapers } from '@/flows/read/sweep-papers'
import type { ProjectView } from '@/flows/read/project'
import type { LinePaperView, LineView } from '@/flows/read/project-lines'
import {
  countOf,
  formatExact,
  formatLength,
  formatMoment,
  formatPiece,
  formatSheet,
  nounMany,
  pieceNoun,
  plural,
  type Preferences,
} from '@/ui/format'
import { DeedButton } from '@/ui/forms/DeedButton'
import { CutDrawing } from '@/ui/paper/CutDrawing'
import { Swatch } from '@/ui/paper/Swatch'
import { JudgeProof } from '@/ui/project/ProofCard'
import { SizeSweep } from '@/ui/project/SizeSweep'
import { StationFrame } from '@/ui/project/StationFrame'
import { TickCut } from '@/ui/project/TickCut'
import {
  acceptProofAction,
  askProofAgainAction,
  cutProofAction,
  skipProofAction,
  tickCutAction,
  undoCutAction,
} from '../../actions'

export const metadata: Metadata = { title: 'Cut' }

interface LineProps {
  readonly project: ProjectView
  readonly line: LineView
  readonly preferences: Preferences
}

export default async function CutPage(props: StationParams) {
  const { preferences, project } = await openStation(props)
  return (
    <StationFrame project={project} open="cut" preferences={preferences}>
      <div className="flex flex-col gap-10">
        {project.lines.map((line) => (
          <LineCuts key={line.id} project={project} line={line} preferences={preferences} />
        ))}
        <CutsDone project={project} preferences={preferences} />
      </div>
    </StationFrame>
  )
}

function LineCuts({ project, line, preferences }: LineProps) {
  const toCut = line.papers.some((row) => row.unitsToCut > 0)
  const proofOpen = line.proof.status === 'none' && toCut && line.papers.every((row) => row.cutUnits === 0)
  return (
    <section aria-labelledby={`line-${line.id}`}>
      <h2 id={`line-${line.id}`} className="text-2xl">
        {line.design.name}, {nounMany(pieceNoun(line.perSquare, line.highPerWide))} of{' '}
        {formatPiece(line.sheetMm, line.highPerWide, preferences)}
      </h2>
      <p className="second">{proofLine(line, preferences)}</p>
      {proofOpen ? <ProofFirst project={project} line={line} preferences={preferences} /> : null}
      {line.proof.status === 'cut' ? <Judge project={project} line={line} preferences={preferences} /> : null}
      {proofOpen || line.proof.status === 'cut' ? null : (
        <div className="mt-4 flex flex-col gap-6">
          {line.papers.map((row) => (
            <PaperCuts key={row.paper.id} project={project} line={line} row={row} preferences={preferences} />
          ))}
        </div>
      )}
      {toCut ? (
        <SizeSweep
          papers={sweepPapers(project, line)}
          sideMm={line.sheetMm}
          preferences={preferences}
          part={line.partName}
        />
      ) : null}
    </section>
  )
}

function proofLine({ proof, design, variantKey }: LineView, preferences: Preferences): string {
  if (proof.status === 'accepted' && proof.measuredMm !== null) {
    const label = variantOf(design, variantKey).sizes.find((size) => size.axis === proof.axis)?.label ?? ''
    return `Proof piece is right: it came out at ${formatExact(proof.measuredMm, preferences)} ${label}.`
  }
  if (proof.status === 'accepted') return 'Proof piece is right.'
  if (proof.status === 'skipped') return 'Without a proof piece.'
  return ''
}

function plannedSizes({ design, variantKey, sheetMm, gauges }: LineView, preferences: Preferences): string {
  return finishedSizes(design, variantOf(design, variantKey), sheetMm, gauges)
    .map((size) => `${formatLength(size.sizeMm, preferences)} ${size.label}`)
    .join(', ')
}

function ProofFirst({ project, line }: LineProps) {
  const row = line.papers.find((candidate) => candidate.layouts.length > 0)
  return (
    <div className="note mt-4 flex flex-col gap-3">
      <p>
        <strong>Cut one proof piece first.</strong> It sets the gauge and shows whether the size comes out,
        before the bulk is cut.
      </p>
      <div className="flex flex-wrap gap-3">
        {row ? (
          <DeedButton
            className="btn btn-primary"
            act={cutProofAction.bind(null, project.id, { lineId: line.id, paperId: row.paper.id })}
          >
            One is cut, from {row.paper.name}
          </DeedButton>
        ) : (
          <p className="font-semibold">There is no sheet to cut it from. Add paper first.</p>
        )}
        <DeedButton act={skipProofAction.bind(null, project.id, line.id)} className="btn btn-ghost">
          Go on without one
        </DeedButton>
      </div>
    </div>
  )
}

function Judge({ project, line, preferences }: LineProps) {
  return (
    <div className="note mt-4">
      <JudgeProof
        lineId={line.id}
        sizes={variantOf(line.design, line.variantKey).sizes}
        unit={preferences.unit}
        planned={plannedSizes(line, preferences)}
        accept={acceptProofAction.bind(null, project.id)}
        again={askProofAgainAction.bind(null, project.id, line.id)}
      />
    </div>
  )
}

function PaperCuts({ project, line, row, preferences }: LineProps & { readonly row: LinePaperView }) {
  const { paper, layouts, unitsToCut, waitingUnits, missingUnits } = row
  return (
    <div className="border-t hairline pt-4">
      <h3 className="flex flex-wrap items-center gap-3 text-lg">
        <Swatch front={paper.frontColour} back={paper.backColour} />
        {paper.name}
        <span className="second text-base">
          {unitsToCut === 0
            ? `all cut, ${countOf(waitingUnits, line.partName)} waiting to be folded`
            : `${countOf(unitsToCut, line.partName)} to cut${waitingUnits > 0 ? `, ${waitingUnits} cut already` : ''}`}
        </span>
      </h3>
      {missingUnits > 0 ? (
        <p className="note mt-3">
          The drawer has no sheet for {countOf(missingUnits, line.partName)} of these. Cut what there is; the
          rest shows at the Paper station.
        </p>
      ) : null}
      <ul className="mt-3 grid gap-6 tablet:grid-cols-2">
        {layouts.map((layout) => (
          <li key={`${layout.stockId}-${layout.piecesPerSheet}`} className="grid grid-cols-[13rem_1fr] gap-5">
            <CutDrawing
              layout={layout}
              pieceMm={line.sheetMm}
              highPerWide={line.highPerWide}
              colour={paper.frontColour}
              describe={layoutText(layout, line, preferences)}
            />
            <div className="flex flex-col gap-2">
              <p>
                <span className="figure text-2xl">{plural(layout.sheets, 'sheet')}</span>
                <span className="second"> {sheetText(layout, preferences)}</span>
              </p>
              <p>{layoutText(layout, line, preferences)}</p>
              <TickCut
                id={`tick-${row.paper.id}-${line.id}-${layout.stockId}-${layout.piecesPerSheet}`}
                sheets={layout.sheets}
                what={`${plural(layout.sheets, 'sheet')} of ${paper.name} for ${line.design.name}`}
                tick={tick.bind(null, project.id, line.id, paper.id, layout.stockId, layout.piecesPerSheet)}
              />
            </div>
          </li>
        ))}
      </ul>
    </div>
  )
}

async function tick(
  projectId: string,
  lineId: string,
  paperId: string,
  stockId: string,
  piecesPerSheet: number,
  sheets: string,
  press: string,
) {
  'use server'
  return tickCutAction(projectId, { lineId, paperId, stockId, piecesPerSheet, sheets }, press)
}

const sheetText = ({ sheetUm }: CutLayout, preferences: Preferences): string =>
  `of ${formatSheet(mmFromUm(sheetUm.widthUm), mmFromUm(sheetUm.heightUm), preferences)}`

function layoutText(
  { piecesPerSheet, offcutsUm }: CutLayout,
  line: LineView,
  preferences: Preferences,
): string {
  const kept = offcutsUm.map((size) =>
    formatSheet(mmFromUm(size.widthUm), mmFromUm(size.heightUm), preferences),
  )
  const pieces = `${countOf(piecesPerSheet, line.highPerWide === 1 ? 'square' : 'piece')} from each`
  return kept.length === 0
    ? `${pieces}, nothing worth keeping left.`
    : `${pieces}; keep ${kept.join(' and ')}.`
}

function CutsDone({ project, preferences }: Omit<LineProps, 'line'>) {
  if (project.cuts.length === 0) return null
  return (
    <section aria-labelledby="cuts-done">
      <h2 id="cuts-done" className="text-2xl">
        Cut already
      </h2>
      <ul className="mt-3">
        {project.cuts.map((cut) => {
          const line = project.lines.find((candidate) => candidate.id === cut.line_id)
          const paper = line?.papers.find((row) => row.paper.id === cut.paper_id)?.paper
          const what = `${countOf(cut.pieces, line?.partName ?? 'piece')}, ${paper?.name ?? 'paper no longer on this line'}`
          return (
            <li
              key={cut.id}
              className="flex flex-wrap items-center justify-between gap-3 border-t hairline py-2"
            >
              <span>
                {cut.proof === 1 ? 'Proof piece: ' : ''}
                {what}{' '}
                <span className="second">
                  from {plural(cut.sheets, 'sheet')}, {formatMoment(cut.at_ms, preferences)}
                </span>
              </span>
              <DeedButton
                act={undoCutAction.bind(null, project.id, cut.id)}
                className="btn btn-ghost btn-sm"
                label={`Undo cut: ${what}`}
              >
                Undo
              </DeedButton>
            </li>
          )
        })}
      </ul>
    </section>
  )
}
