import { gaugesIn } from '@/core/fold'
import {
  mainPart,
  stagesOf,
  variantOf,
  wordsFor,
  type CreaseStrength,
  type Rigour,
  type Step,
} from '@/core/design'
import {
  believedAtMs,
  timeBelieved,
  type RunEvent,
  type RunPlan,
  type TapGrain,
  type TrayOrder,
} from '@/core/run'
import type { RunEventRow, RunRow } from '@/data/tables'
import { readDesigns, readSource } from './designs'
import type { FlowContext } from './flow-context'

/** A step as the fold screen says it. */
export interface SaidStep {
  readonly stageName: string
  readonly say: string
  readonly each: string
  readonly repeats: number
  readonly crease: CreaseStrength
  readonly rigour: Rigour
  readonly note: string | null
  readonly normal: string | null
  readonly look: readonly string[]
  /** Its fold meets no mark: how deep the flap is, is told from the picture. */
  readonly tellsDepth: boolean
  /** Keys of the gauges it is folded to. */
  readonly gauges: readonly string[]
}

/** Events of a run after some sequence number, and the marks a client needs to go on from there. */
export interface RunFeed {
  readonly epoch: string
  readonly seq: number
  readonly events: readonly RunEvent[]
}

/** The plan a run was started with, from its row and its pinned design. */
export async function runPlan(
  context: FlowContext,
  run: RunRow,
): Promise<{ plan: RunPlan; steps: readonly SaidStep[] }> {
  const design = (await readDesigns(context, [run.design_hash])).get(run.design_hash)
  if (!design) throw new Error(`run ${run.id} pins a design that is not stored`)
  const part = design.parts.find((candidate) => candidate.key === run.part_key) ?? mainPart(design)
  const stages = stagesOf(part, variantOf(design, run.variant_key), run.way)
  const source = await readSource(context, run.design_hash)
  const moves = source?.parts
    .filter(({ key }) => key === part.key)
    .flatMap((one) => stagesOf(one, variantOf(source, run.variant_key), run.way))
    .flatMap((stage) => stage.steps.map(({ rounds }) => rounds))
  const steps = stages.flatMap((stage, index) =>
    stage.steps.map((step) => ({ stage: index, stageName: stage.name, step })),
  )
  return {
    plan: {
      steps: steps.map(({ stage, step }) => ({ stage, repeats: step.repeats })),
      grain: run.grain as TapGrain,
      order: run.tray_order as TrayOrder,
      traySize: run.tray_size,
      wanted: run.wanted,
    },
    steps: steps.map(({ stageName, step }, index) =>
      saidStep(stageName, wordsFor(run.hand, step), moves?.[index] ?? []),
    ),
  }
}

/** A step as the table says it. */
export const saidStep = (
  stageName: string,
  step: Step,
  rounds: Parameters<typeof gaugesIn>[0],
): SaidStep => ({
  stageName,
  say: step.say,
  each: step.each,
  repeats: step.repeats,
  crease: step.crease,
  rigour: step.rigour,
  note: step.note ?? null,
  normal: step.normal ?? null,
  look: step.look ?? [],
  tellsDepth: step.tellsDepth ?? false,
  gauges: gaugesIn(rounds),
})

type Started = Pick<RunRow, 'started_at_ms'>

const receipt = ({ started_at_ms }: Started, { received_at_ms }: RunEventRow) => ({
  startedAtMs: started_at_ms,
  receivedAtMs: received_at_ms,
})

/**
 * Events as they were stored; bodies were checked on their way in. A tap whose clock cannot be right is kept, but taken
 * to have been when it arrived.
 */
export const storedEvents = (run: Started, rows: readonly RunEventRow[]): readonly RunEvent[] =>
  rows.map((row) => {
    const event = JSON.parse(row.body) as RunEvent
    return { ...event, atMs: believedAtMs(event.atMs, receipt(run, row)) }
  })

/** How many taps bear a time that cannot be. */
export const oddClocksOf = (run: Started, rows: readonly RunEventRow[]): number =>
  rows.filter((row) => !timeBelieved(row.at_ms, receipt(run, row))).length
