import { finishedSizes, variantOf } from '@/core/design'
import { demandOf } from '@/core/plan'
import type { LineView } from '@/flows/read/line-view'
import type { ProjectView } from '@/flows/read/project'
import { formatExact, formatLength, formatPiece, nounMany, pieceNoun, type Preferences } from '@/ui/format'
import { DeedButton } from '@/ui/forms/DeedButton'
import { JudgeProof } from '@/ui/project/ProofCard'
import { acceptProofAction, askProofAgainAction, cutProofAction, skipProofAction } from '../../actions'

interface LineProps {
  readonly project: ProjectView
  readonly line: LineView
  readonly preferences: Preferences
}

/** Whether a line waits for its proof piece: nothing of it is cut in bulk before. */
export const proofOpen = ({ proof, papers }: LineView, project: ProjectView): boolean =>
  proof.status === 'cut' ||
  (proof.status === 'none' &&
    project.facts.proofsToCut > 0 &&
    papers.some((row) => row.unitsToCut > 0) &&
    papers.every((row) => row.cutUnits === 0 && row.usableUnits === 0))

export function lineTitle(line: LineView, preferences: Preferences): string {
  const parts = line.parts.map(
    (part) =>
      `${nounMany(pieceNoun(part.perSquare, part.highPerWide))} of ${formatPiece(part.sheetMm, part.highPerWide, preferences)}`,
  )
  return `${line.design.name}, ${parts.join(' and ')}`
}

export function LineProof({ project, line, preferences }: LineProps) {
  const words = proofLine(line, preferences)
  if (!proofOpen(line, project) && words === '') return null
  return (
    <section aria-labelledby={`line-${line.id}`}>
      <h2 id={`line-${line.id}`} className="text-2xl">
        {lineTitle(line, preferences)}
      </h2>
      <p className="second">{words}</p>
      {line.proof.status === 'cut' ? (
        <Judge project={project} line={line} preferences={preferences} />
      ) : proofOpen(line, project) ? (
        <ProofFirst project={project} line={line} />
      ) : null}
    </section>
  )
}

function proofLine({ proof, design, variantKey }: LineView, preferences: Preferences): string {
  if (proof.status === 'accepted' && proof.measuredMm !== null) {
    const label = variantOf(design, variantKey).sizes.find((size) => size.axis === proof.axis)?.label ?? ''
    return `The proof piece is right: it came out at ${formatExact(proof.measuredMm, preferences)} ${label}.`
  }
  if (proof.status === 'accepted') return 'The proof piece is right.'
  if (proof.status === 'skipped') return 'No proof piece.'
  return ''
}

function plannedSizes({ design, variantKey, sheetMm, gauges }: LineView, preferences: Preferences): string {
  return finishedSizes(design, variantOf(design, variantKey), sheetMm, gauges)
    .map((size) => `${formatLength(size.sizeMm, preferences)} ${size.label}`)
    .join(', ')
}

function ProofFirst({ project, line }: Omit<LineProps, 'preferences'>) {
  const row = line.papers.find(({ paper, part }) =>
    project.cutPlan?.layouts.some((layout) =>
      layout.placements.some(({ demand }) => {
        const of = demandOf(demand)
        return of.lineId === line.id && of.partKey === part.key && of.paperId === paper.id
      }),
    ),
  )
  return (
    <div className="note mt-4 flex flex-col gap-3">
      <p>
        <strong>Cut one proof piece first.</strong> It sets the gauge and shows whether the size comes out,
        before you cut the rest.
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
          Skip the proof piece
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
