import { mainPart, stagesOf, variantOf, type DesignPart } from '@/core/design'
import { CoreError } from '@/core/errors'
import {
  BASES,
  type Base,
  type CreaseStrength,
  type FoldPicture,
  type FoldProgram,
  type GaugeShares,
  type Rigour,
  type ShownProgram,
} from '@/core/fold'
import { shownBase, shownDesign, type Shown, type ShownFolds } from '../figures'
import type { FlowContext } from '../flow-context'
import { readSource } from './designs'

/** A step in words: what is said each time, and how it is creased. */
export interface FoldWords {
  readonly stageName: string | null
  readonly each: string
  /** One line for each round. */
  readonly says: readonly string[]
  readonly crease: CreaseStrength
  readonly rigour: Rigour
  readonly note: string | null
}

/** What shaping does to the finished sizes: a range of factors by a stated model, never computed. */
export interface Shaping {
  readonly name: string
  readonly model: string
  readonly factor: readonly [lowest: number, highest: number]
  /** The axes it acts on; `null` for all. */
  readonly axes: readonly string[] | null
}

/** Something that can be followed fold by fold. */
export interface Followed {
  readonly sideUp: DesignPart['sideUp']
  readonly words: readonly FoldWords[]
  readonly shown: ShownProgram
  readonly shaping: readonly Shaping[]
}

function followed(
  { program, shown }: ShownFolds,
  sideUp: DesignPart['sideUp'],
  stages: readonly string[],
): Followed {
  const words = program.steps.map(({ say, each, rounds, crease, rigour, note }, index): FoldWords => ({
    stageName: stages[index] ?? null,
    each,
    says: rounds.map((round) => round.say ?? say),
    crease,
    rigour,
    note: note ?? null,
  }))
  const shaping = program.steps.flatMap(({ rounds }) =>
    rounds.flatMap(({ moves }) =>
      moves.flatMap((move) =>
        move.kind === 'shape'
          ? [{ name: move.name, model: move.model, factor: move.factor, axes: move.axes ?? null }]
          : [],
      ),
    ),
  )
  return { sideUp, words, shown, shaping }
}

/** A version's folds with their pictures and figures; `null` where it is told in words only. *Throws* what folding throws. */
export async function readFolds(context: FlowContext, hash: string, shown: Shown): Promise<Followed | null> {
  const source = await readSource(context, hash)
  const folds = source && (await shownDesign(context, hash, source, shown))
  if (!folds) return null
  const part = mainPart(source)
  const stages = stagesOf(part, variantOf(source, shown.variantKey)).flatMap((stage) =>
    stage.steps.map(() => stage.name),
  )
  return followed(folds, part.sideUp, stages)
}

/** The finished piece from both sides, and what it was folded from. */
export interface FoldedEndView {
  readonly program: FoldProgram
  readonly shares: GaugeShares
  readonly sideUp: DesignPart['sideUp']
  readonly front: FoldPicture
  readonly back: FoldPicture
  /** Layers at the thickest place of any step. */
  readonly mostLayers: number
}

/** How a version ends; `null` where it has no moves. */
export async function readEnd(
  context: FlowContext,
  hash: string,
  shown: Shown,
): Promise<FoldedEndView | null> {
  const source = await readSource(context, hash)
  const folds = source && (await shownDesign(context, hash, source, shown))
  return folds && endView(folds, mainPart(source).sideUp)
}

const endView = (
  { program, shares, shown: { front, back, moves } }: ShownFolds,
  sideUp: DesignPart['sideUp'],
): FoldedEndView => ({
  program,
  shares,
  sideUp,
  front,
  back,
  mostLayers: Math.max(1, ...moves.map(({ figures }) => figures.after.mostLayers)),
})

/** A base with its folds; `null` where there is none of that name. */
export async function readBase(
  context: FlowContext,
  baseId: string,
): Promise<{ readonly base: Base; readonly folds: Followed } | null> {
  const base = BASES.find((one) => one.id === baseId)
  return base ? { base, folds: followed(await shownBase(context, base), base.sideUp, []) } : null
}

/** Every base with the picture it ends in. */
export async function readBases(
  context: FlowContext,
): Promise<readonly { readonly base: Base; readonly end: FoldedEndView }[]> {
  const bases = []
  for (const base of BASES) {
    bases.push({ base, end: endView(await shownBase(context, base), base.sideUp) })
  }
  return bases
}

/** The picture before one move of a step, as the table shows it. */
export interface StepPicture {
  readonly step: number
  readonly round: number
  readonly picture: FoldPicture
}

/** All pictures of a run, with the page: a table goes on folding when nothing answers. */
export interface RunPictures {
  readonly sideUp: DesignPart['sideUp']
  readonly moves: readonly StepPicture[]
  readonly end: FoldPicture
}

// The same object for the same folds: what was packed for one page serves the next.
const runPictures = new WeakMap<ShownProgram, RunPictures>()

/** The pictures of a version for the table; `null` where it has none, or cannot be folded at this size. */
export async function readRunPictures(
  context: FlowContext,
  hash: string,
  shown: Shown,
): Promise<RunPictures | null> {
  const folds = await readFolds(context, hash, shown).catch((error: unknown) => {
    // A run that was started goes on in words: its folds were refused where it was planned.
    if (error instanceof CoreError) return null
    throw error
  })
  if (!folds) return null
  const { sideUp, shown: all } = folds
  const made = runPictures.get(all) ?? {
    sideUp,
    moves: all.moves.map(({ step, round, picture }) => ({ step, round, picture })),
    end: all.front,
  }
  runPictures.set(all, made)
  return made
}
