import { cutOrder } from '@/core/cut'
import { finishedSizes, variantOf } from '@/core/design'
import { mmFromUm } from '@/core/units'
import type { LineView } from '@/flows/read/line-view'
import type { PaperView } from '@/flows/read/papers'
import type { ProjectView } from '@/flows/read/project'
import type { ProofChoice, ProofFrom } from '@/flows/read/proofs'
import {
  formatExact,
  formatLength,
  formatPiece,
  formatSheet,
  nounMany,
  pieceNoun,
  type Preferences,
} from '@/ui/format'
import { CutDrawing } from '@/ui/cut/CutDrawing'
import { CutSteps } from '@/ui/cut/CutSteps'
import { DeedButton } from '@/ui/forms/DeedButton'
import { Swatch } from '@/ui/paper/Swatch'
import { JudgeProof } from '@/ui/project/ProofCard'
import { acceptProofAction, askProofAgainAction, cutProofAction, skipProofAction } from '../../actions'

interface LineProps {
  readonly project: ProjectView
  readonly line: LineView
  readonly preferences: Preferences
}

/** Whether a line waits for its proof piece: nothing of it is cut in bulk before. */
export const proofOpen = ({ proof, papers }: LineView, { facts }: Pick<ProjectView, 'facts'>): boolean =>
  proof.status === 'cut' ||
  (proof.status === 'none' &&
    facts.proofsToCut > 0 &&
    papers.some((row) => row.unitsToCut > 0) &&
    papers.every((row) => row.cutUnits === 0 && row.usableUnits === 0))

export function lineTitle(line: LineView, preferences: Preferences): string {
  const parts = line.parts.map(
    (part) =>
      `${nounMany(pieceNoun(part.perSquare, part.highPerWide))} of ${formatPiece(part.sheetMm, part.highPerWide, preferences)}`,
  )
  return `${line.design.name}, ${parts.join(' and ')}`
}

interface LineProofProps extends LineProps {
  /** What it may be cut from, where none is cut yet. */
  readonly choice: ProofChoice | null
  /** The paper it was folded from in place of the line's own. */
  readonly standIn: PaperView | null
}

export function LineProof({ project, line, preferences, choice, standIn }: LineProofProps) {
  const words = proofLine(line, preferences)
  if (!proofOpen(line, project) && words === '') return null
  return (
    <section aria-labelledby={`line-${line.id}`}>
      <h2 id={`line-${line.id}`} className="text-2xl">
        {lineTitle(line, preferences)}
      </h2>
      <p className="second">{words}</p>
      {standIn && line.proof.status !== 'none' ? (
        <p className="flex items-center gap-3">
          <Swatch front={standIn.frontColour} back={standIn.backColour} />
          It stands in, in {standIn.name}: it is none of the ordered pieces.
        </p>
      ) : null}
      {line.proof.status === 'cut' ? (
        <Judge project={project} line={line} preferences={preferences} />
      ) : proofOpen(line, project) ? (
        <ProofFirst project={project} line={line} choice={choice} preferences={preferences} />
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

function ProofFirst({
  project,
  line,
  choice,
  preferences,
}: LineProps & { readonly choice: ProofChoice | null }) {
  const own = choice?.own ?? null
  const standIns = choice?.standIns ?? []
  return (
    <div className="note mt-4 flex flex-col gap-3">
      <p>
        <strong>Cut one proof piece first.</strong> It sets the gauge and shows whether the size comes out,
        before you cut the rest.
      </p>
      {own ? <ProofDrawing from={own} preferences={preferences} /> : null}
      <div className="flex flex-wrap gap-3">
        {own ? (
          <DeedButton
            className="btn btn-primary"
            act={cutProofAction.bind(null, project.id, { lineId: line.id, paperId: own.paper.id })}
          >
            One is cut, from {own.paper.name}
          </DeedButton>
        ) : (
          <p className="font-semibold">There is no sheet to cut it from. Add paper first.</p>
        )}
        <DeedButton act={skipProofAction.bind(null, project.id, line.id)} className="btn btn-ghost">
          Skip the proof piece
        </DeedButton>
      </div>
      {standIns.length === 0 ? null : (
        <details>
          <summary className="cursor-pointer">Try it in another paper as thick</summary>
          <p className="second mt-1">
            What is folded of it is no piece of the order, and no reject either: it only shows whether the
            size comes out.
          </p>
          <ul className="mt-2 flex flex-col gap-4">
            {standIns.map((from) => (
              <li key={from.paper.id} className="flex flex-col gap-2">
                <ProofDrawing from={from} preferences={preferences} />
                <DeedButton
                  className="btn btn-outline btn-sm"
                  act={cutProofAction.bind(null, project.id, { lineId: line.id, paperId: from.paper.id })}
                >
                  One is cut, from {from.paper.name} in its place
                </DeedButton>
              </li>
            ))}
          </ul>
        </details>
      )}
    </div>
  )
}

/** Where the proof piece lies on its sheet, in the colour of the paper it is cut from. */
function ProofDrawing({
  from,
  preferences,
}: {
  readonly from: ProofFrom
  readonly preferences: Preferences
}) {
  const { layout, paper, pieceUm } = from
  const [placement] = layout.placements
  const order = placement && cutOrder(layout, [{ key: placement.demand, sizeUm: pieceUm }], undefined)
  const { widthUm, heightUm } = layout.sheetUm
  const sheet = formatSheet(mmFromUm(widthUm), mmFromUm(heightUm), preferences)
  return (
    <div className="grid max-w-2xl gap-4 tablet:grid-cols-[14rem_1fr]">
      <CutDrawing
        layout={layout}
        sizes={new Map(placement ? [[placement.demand, pieceUm]] : [])}
        colour={paper.frontColour}
        describe={`One piece out of ${sheet} of ${paper.name}`}
      />
      <div>
        <p>
          Out of {sheet} of {paper.name}.
        </p>
        {order ? (
          <CutSteps
            order={order}
            sheetUm={layout.sheetUm}
            piecesOf={() => '1 proof piece'}
            preferences={preferences}
          />
        ) : null}
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
