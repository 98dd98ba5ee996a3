import { largest } from '@/core/numeric'
import {
  finishedSizes,
  formSizesMm,
  gaugesSet,
  hardestFolds,
  mainPart,
  shapedRange,
  stagesOf,
  variantOf,
  type DesignDocument,
  type DesignPart,
  type FoldToMake,
  type GaugeSet,
  type DrawnDesign,
  type JoiningPictures,
  type Step,
} from '@/core/design'
import { CoreError } from '@/core/errors'
import {
  BASES,
  flapDepth,
  gaugesIn,
  type Base,
  type CreaseStrength,
  type FoldPicture,
  type HalfwayPicture,
  type FoldProgram,
  type GaugeShares,
  type Rigour,
  type DrawnProgram,
} from '@/core/fold'
import { measuredDesign, drawnBase, drawnDesign, type FoldsAsked, type DrawnFolds } from '../figures'
import type { FlowContext } from '../flow-context'
import { readSource } from '../designs'
import { readForms } from '../forms'
import type { KeptForms, KeptView } from '../kept-forms'

/** A step in words: what is said each time, and how it is creased. */
export interface FoldWords {
  /** The key of its step. */
  readonly key: string
  readonly stageName: string | null
  readonly each: string
  /** One line for each round. */
  readonly says: readonly string[]
  readonly crease: CreaseStrength
  readonly rigour: Rigour
  readonly note: string | null
  readonly normal: string | null
  readonly look: readonly string[]
  /** How deep its flap is, in sides, where its fold meets no mark. */
  readonly depthShare: number | null
  /** The gauges it is folded to, as they are set. */
  readonly gauges: readonly GaugeSet[]
  /** Layers at each later fold that pushes in here: room is left for them. */
  readonly roomForLayers: readonly number[]
}

/** What shaping makes of a piece: what is done, and the sizes that are to be expected, in sides; all estimated. */
export interface Shaping {
  readonly says: readonly { readonly name: string; readonly model: string }[]
  readonly sizes: readonly { readonly label: string; readonly low: number; readonly high: number }[]
}

/** Something that can be followed fold by fold. */
export interface Followed {
  readonly sideUp: DesignPart['sideUp']
  readonly words: readonly FoldWords[]
  readonly shown: DrawnProgram
  readonly shaping: Shaping
  /** The finished piece as it was painted, and the piece before and after each of its shaping steps. */
  readonly forms: KeptForms | null
}

/** How deep the flap of a step's first fold is, in sides. */
const depthAt = ({ moves }: Pick<DrawnProgram, 'moves'>, step: number): number | null => {
  const move = moves.find((one) => one.step === step)
  return move ? flapDepth(move.picture.symbols) : null
}

/** The most layers at any fold of a step. */
function layersAt(
  { steps }: FoldProgram,
  { moves }: Pick<DrawnProgram, 'moves'>,
  key: string,
): readonly number[] {
  const step = steps.findIndex((one) => one.key === key)
  const layers = moves.flatMap((move) => (move.step === step ? [move.figures.foldLayers] : []))
  return layers.length === 0 ? [] : [largest(layers)]
}

function followed(
  { program, shown }: DrawnFolds,
  sideUp: DesignPart['sideUp'],
  beside: readonly { readonly stageName: string; readonly step: Step }[],
  set: readonly GaugeSet[] = [],
  formed: { readonly forms: KeptForms | null; readonly sizes: Shaping['sizes'] } = { forms: null, sizes: [] },
): Followed {
  const words = program.steps.map(({ key, say, each, rounds, crease, rigour, note }, index): FoldWords => ({
    key,
    stageName: beside[index]?.stageName ?? null,
    each,
    says: rounds.map((round) => round.say ?? say),
    crease,
    rigour,
    note: beside[index]?.step.note ?? note ?? null,
    normal: beside[index]?.step.normal ?? null,
    look: beside[index]?.step.look ?? [],
    depthShare: beside[index]?.step.tellsDepth ? depthAt(shown, index) : null,
    gauges: set.filter(({ key }) => gaugesIn(rounds).includes(key)),
    roomForLayers: (beside[index]?.step.leavesRoomFor ?? []).flatMap((later) =>
      layersAt(program, shown, later),
    ),
  }))
  const says = program.steps.flatMap(({ rounds }) =>
    rounds.flatMap(({ moves }) =>
      moves.flatMap((move) => (move.kind === 'shape' ? [{ name: move.name, model: move.model }] : [])),
    ),
  )
  return { sideUp, words, shown, shaping: { says, sizes: formed.sizes }, forms: formed.forms }
}

/** Sizes after shaping, in sides: those of the flat piece as they change, then those that only the form has. */
function shapedSizes(design: DesignDocument, { variantKey, sheetMm, gauges }: FoldsAsked): Shaping['sizes'] {
  const variant = variantOf(design, variantKey)
  const flat = finishedSizes(design, variant, sheetMm, gauges)
  const changed = variant.sizes.flatMap((axis, index) => {
    const [low, high] = shapedRange(variant, axis, sheetMm) ?? []
    const share = (flat[index]?.sizeMm ?? 0) / sheetMm
    return low === undefined || high === undefined
      ? []
      : [{ label: axis.label, low: low * share, high: high * share }]
  })
  const own = formSizesMm(variant, sheetMm).map(({ label, lowMm, highMm }) => ({
    label,
    low: lowMm / sheetMm,
    high: highMm / sheetMm,
  }))
  return [...changed, ...own]
}

/** A version's folds with their pictures and figures; `null` where it is told in words only. *Throws* what folding throws. */
export async function readFolds(
  context: FlowContext,
  hash: string,
  shown: FoldsAsked,
): Promise<Followed | null> {
  const source = await readSource(context, hash)
  const folds = source && (await drawnDesign(context, hash, source, shown))
  if (!folds) return null
  const part = mainPart(source)
  // A base one has is still shown as it is folded; only the table begins after it.
  const way = shown.way === 'direct' ? shown.way : 'whole'
  const design = await measuredDesign(context, hash, source)
  const beside = stagesOf(part, variantOf(design, shown.variantKey), way).flatMap((stage) =>
    stage.steps.map((step) => ({ stageName: stage.name, step })),
  )
  return followed(folds, part.sideUp, beside, gaugesSet(design, shown.gauges, shown.sheetMm), {
    forms: readForms(context, hash, shown.variantKey),
    sizes: shapedSizes(design, shown),
  })
}

/** The finished piece from both sides, and what it was folded from. */
export interface FoldedEndView {
  readonly program: FoldProgram
  readonly shares: GaugeShares
  readonly sideUp: DesignPart['sideUp']
  readonly front: FoldPicture
  readonly back: FoldPicture
  /** The finished piece as it was painted; `null` where it was not. */
  readonly forms: KeptForms | null
  /** Of a piece made of several units: its joins. */
  readonly joining: JoiningPictures | null
  /** Likewise: where to look while joining, as a share of the side. */
  readonly sight: number | null
  /** Layers at the thickest place of any step. */
  readonly mostLayers: number
  /** The folds that are hardest to make small: of equally thick ones the shortest. */
  readonly hardest: readonly FoldToMake[]
}

type EndOf = DrawnProgram & Partial<Pick<DrawnDesign, 'assembled'>>

/** How a version ends; `null` where it has no moves. */
export async function readEnd(
  context: FlowContext,
  hash: string,
  shown: FoldsAsked,
): Promise<FoldedEndView | null> {
  const source = await readSource(context, hash)
  const folds = source && (await drawnDesign(context, hash, source, shown))
  return folds && endView(folds, mainPart(source).sideUp, readForms(context, hash, shown.variantKey))
}

/** Folds as hands meet them; pinches are as short as one likes. */
const foldsToMake = ({ steps }: FoldProgram, { moves }: DrawnProgram): readonly FoldToMake[] =>
  moves.flatMap(({ step, round, kind, figures: { foldLayers, foldLength, after } }): FoldToMake[] => {
    const one = steps[step]
    if (!one || one.crease === 'pinch' || kind === 'cut' || foldLayers === 0) return []
    return [
      {
        says: one.rounds[round]?.say ?? one.say,
        layers: foldLayers,
        lengthShare: foldLength,
        pieceShare: Math.max(after.width, after.height),
      },
    ]
  })

// Worked out once for the same pictures: every card of the library asks.
const endViews = new WeakMap<EndOf, FoldedEndView>()

function endView(
  { program, shares, shown }: DrawnFolds<EndOf>,
  sideUp: DesignPart['sideUp'],
  forms: KeptForms | null = null,
): FoldedEndView {
  const known = endViews.get(shown)
  if (known) return known
  const { front, back, moves, assembled } = shown
  const view = {
    program,
    shares,
    sideUp,
    front: assembled?.front ?? front,
    back: assembled?.back ?? back,
    forms,
    joining: assembled?.joining ?? null,
    sight: assembled?.sight ?? null,
    mostLayers: largest(
      moves.map(({ figures }) => figures.after.mostLayers),
      1,
    ),
    hardest: hardestFolds(foldsToMake(program, shown)),
  }
  endViews.set(shown, view)
  return view
}

/** A base with its folds; `null` where there is none of that name. */
export async function readBase(
  context: FlowContext,
  baseId: string,
): Promise<{ readonly base: Base; readonly folds: Followed } | null> {
  const base = BASES.find((one) => one.id === baseId)
  return base ? { base, folds: followed(await drawnBase(context, base), base.sideUp, []) } : null
}

/** Every base with the picture it ends in. */
export async function readBases(
  context: FlowContext,
): Promise<readonly { readonly base: Base; readonly end: FoldedEndView }[]> {
  const bases = []
  for (const base of BASES) {
    bases.push({ base, end: endView(await drawnBase(context, base), base.sideUp) })
  }
  return bases
}

/** The picture before one move of a step, as the table shows it. */
export interface StepPicture {
  readonly step: number
  readonly round: number
  readonly picture: FoldPicture
  /** The piece half way through it, where it lifts and turns in space. */
  readonly halfway: HalfwayPicture | null
  /** The piece before and after it, where it shapes. */
  readonly shaping: KeptForms['shapings'][number] | null
}

/** All pictures of a run, with the page: a table goes on folding when nothing answers. */
export interface RunPictures {
  readonly sideUp: DesignPart['sideUp']
  readonly moves: readonly StepPicture[]
  /** Of each step, layers at the later folds that it leaves room for. */
  readonly roomForLayers: readonly (readonly number[])[]
  readonly end: FoldPicture
  /** The end as it was painted. */
  readonly painted: KeptView | null
}

// The same object for the same folds: what was packed for one page serves the next.
const runPictures = new WeakMap<DrawnProgram, Map<number, RunPictures>>()

/** How many steps are folded at the table: fewer where one starts from a base. */
async function stepsOfRun(context: FlowContext, hash: string, shown: FoldsAsked): Promise<number> {
  const source = await readSource(context, hash)
  if (!source) return 0
  return stagesOf(mainPart(source), variantOf(source, shown.variantKey), shown.way).flatMap(
    ({ steps }) => steps,
  ).length
}

/** The pictures of a version for the table; `null` where it has none, or cannot be folded at this size. */
export async function readRunPictures(
  context: FlowContext,
  hash: string,
  shown: FoldsAsked,
): Promise<RunPictures | null> {
  const folds = await readFolds(context, hash, shown).catch((error: unknown) => {
    // A run that was started goes on in words: its folds were refused where it was planned.
    if (error instanceof CoreError) return null
    throw error
  })
  if (!folds) return null
  const { sideUp, shown: all, words, forms } = folds
  const skipped = words.length - (await stepsOfRun(context, hash, shown))
  const known = runPictures.get(all) ?? new Map<number, RunPictures>()
  runPictures.set(all, known)
  const made = known.get(skipped) ?? {
    sideUp,
    moves: all.moves.flatMap(({ step, round, kind, picture, halfway }) =>
      step < skipped
        ? []
        : [
            {
              step: step - skipped,
              round,
              picture,
              halfway,
              shaping:
                (kind === 'shape' && forms?.shapings.find((one) => one.step === words[step]?.key)) || null,
            },
          ],
    ),
    roomForLayers: words.slice(skipped).map((word) => word.roomForLayers),
    end: all.front,
    painted: forms?.views[forms.best] ?? null,
  }
  known.set(skipped, made)
  return made
}
