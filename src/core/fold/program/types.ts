/**
 * A fold program: plain JSON that says how paper is folded, in the words of a folder. Lengths are shares of the
 * sheet's side; a gauge stands in as a multiple. See docs/formats/fold-program.md.
 */

/** A share of the side, or one with multiples of gauges (gauges as shares of the side too). */
export type Amount = number | { readonly share?: number; readonly gauges: Readonly<Record<string, number>> }

/** A place on the sheet, from its lower left corner. */
export type SheetPoint = readonly [Amount, Amount]

export type PointSpec =
  /** Where this point of the sheet lies now. */
  | { readonly sheet: SheetPoint }
  /** A place in the plane the piece lies in. */
  | { readonly plane: SheetPoint }
  /** So far to the right and up from a point, as the piece lies. */
  | { readonly from: PointSpec; readonly by: SheetPoint }
  | { readonly meet: readonly [LineSpec, LineSpec] }
  /** Between two points, in the middle unless a share says otherwise. */
  | { readonly between: readonly [PointSpec, PointSpec]; readonly share?: Amount }

export type LineSpec =
  | { readonly through: readonly [PointSpec, PointSpec] }
  /** The first point onto the second. */
  | { readonly onto: readonly [PointSpec, PointSpec] }
  /** The first line onto the second; of the two folds the one that runs nearer. */
  | { readonly lineOnto: readonly [LineSpec, LineSpec]; readonly near: PointSpec }
  | { readonly square: LineSpec; readonly via: PointSpec }
  /** A point onto a line, the fold running through another point. */
  | {
      readonly point: PointSpec
      readonly ontoLine: LineSpec
      readonly via: PointSpec
      readonly near: PointSpec
    }
  /** A point onto a line, the fold square to another line. */
  | { readonly point: PointSpec; readonly ontoLine: LineSpec; readonly square: LineSpec }
  /** Two points onto two lines at once. */
  | {
      readonly points: readonly [PointSpec, PointSpec]
      readonly ontoLines: readonly [LineSpec, LineSpec]
      readonly near: PointSpec
    }
  /** In parallel, so far towards a point. */
  | { readonly beside: LineSpec; readonly by: Amount; readonly towards: PointSpec }
  /** Turned about a point, counter-clockwise as seen now. */
  | { readonly turned: LineSpec; readonly about: PointSpec; readonly degrees: number }

export type LetterSpec = 'M' | 'V' | 'U'
export type StretchSpec = readonly [from: SheetPoint, to: SheetPoint]
export type CreaseSpec = readonly [from: SheetPoint, to: SheetPoint, letter: LetterSpec]

/** "This point of the sheet lies above that one afterwards." */
export type HintSpec = readonly [above: SheetPoint, below: SheetPoint]

export interface TakeSpec {
  readonly at: PointSpec
  readonly layers: number
}

/** A line and which side of it goes; without `moves`, the side of the point that is brought onto something. */
interface Folding {
  readonly line: LineSpec
  readonly moves?: PointSpec
}

/** What hands do to a flat piece to give it its form. */
export const SHAPING_NAMES = [
  'curl',
  'roll',
  'round',
  'open',
  'inflate',
  'bend',
  'raise',
  'cup',
  'draw together',
] as const
export type ShapingName = (typeof SHAPING_NAMES)[number]

/** An angle in degrees: as it is usually set, and how far hands differ. */
export type AngleSpec = number | { readonly usual: number; readonly least: number; readonly most: number }

/** What paper is rolled over; see `TOOL_RADIUS_MM`. */
export const SHAPING_TOOLS = ['toothpick', 'skewer', 'pencil', 'pen'] as const
export type ShapingTool = (typeof SHAPING_TOOLS)[number]

/** A radius as a share of the side, or that of a tool: the first one unless another is chosen. */
export type RadiusSpec = Amount | { readonly tools: readonly [ShapingTool, ...ShapingTool[]] }

/**
 * How a bent flap runs on from its line, part after part: turned at a crease, straight on, or rolled over a round.
 * Angles are towards the viewer, below zero away from them.
 */
export type CurvePartSpec =
  | { readonly turn: AngleSpec }
  | { readonly straight: Amount }
  | { readonly roll: AngleSpec; readonly over: RadiusSpec }

/** One thing that hands do to give a flat piece its form in space; all in the plane it lies in. */
export type ShapeAct =
  /** What lies beyond a line leaves the plane: the layers that hang together with these places, or all of them. */
  | (Required<Folding> & {
      readonly act: 'bend'
      readonly layers?: readonly SheetPoint[]
      readonly curve: readonly CurvePartSpec[]
    })
  /** The flap that a fold of an earlier step made, each time or one time of it, leaves the plane along its crease. */
  | {
      readonly act: 'lift'
      readonly flap: string
      readonly round?: number
      readonly curve: readonly CurvePartSpec[]
    }
  /**
   * Pages that lie on one another beside an axis are spread evenly around it, two to a petal; from `bendsAt` up the axis
   * on the petals lean outwards and run on along a curve. Between the page below and the petal above, the paper makes a
   * part of a cone around that place: between these two angles from the axis's foot, in degrees.
   */
  | {
      readonly act: 'petals'
      readonly foot: PointSpec
      readonly tip: PointSpec
      readonly bendsAt: Amount
      readonly lean: AngleSpec
      readonly fan: readonly [from: number, to: number]
      readonly curve: readonly CurvePartSpec[]
    }
  /**
   * A hollow around an axis filled until it is round. Its walls are told by their corners on the sheet; corners of one name
   * are one place. A wall bends along lines from its first corner to all others; where it will face is told in degrees
   * around the axis, 0 to the right of it, 90 towards the viewer. What lies on a wall goes with it.
   */
  | {
      readonly act: 'fill'
      readonly foot: PointSpec
      readonly tip: PointSpec
      readonly walls: readonly {
        readonly faces: number
        readonly corners: readonly { readonly name: string; readonly at: SheetPoint }[]
      }[]
    }
  /**
   * The tip of a flap peeled away from what it lies on: the layers at these places of the sheet are bent back over a crease
   * that runs across them at `from`, so that they go on outwards, so many degrees from where their tip points now. Told of
   * the form so far.
   */
  | {
      readonly act: 'peel'
      readonly layers: readonly SheetPoint[]
      readonly from: SheetPoint
      readonly tip: SheetPoint
      readonly degrees: AngleSpec
    }
  /**
   * The whole of it turned about the level axis, so that it stands: 90 puts what was up in the plane upright. What is thin
   * from straight above says from how far over the table it is looked down on.
   */
  | { readonly act: 'stand'; readonly degrees: number; readonly lookDownDegrees?: number }

export type MoveSpec =
  | (Folding & {
      readonly kind: 'fold'
      readonly way: 'valley' | 'mountain'
      /** All layers unless said. */
      readonly take?: TakeSpec
      /** The physical stop: from a line where it surely folds, as far towards `line` as it will go. */
      readonly stopFrom?: LineSpec
    })
  /** Fold and unfold: a crease stays, over all of it or between two points of the line. */
  | (Folding & {
      readonly kind: 'crease'
      readonly way: 'valley' | 'mountain'
      readonly take?: TakeSpec
      readonly between?: readonly [PointSpec, PointSpec]
    })
  /** A flap back along its crease. */
  | (Folding & { readonly kind: 'unfold'; readonly way: 'valley' | 'mountain'; readonly take: TakeSpec })
  | { readonly kind: 'turn over'; readonly axis: 'upright' | 'level' }
  | { readonly kind: 'rotate'; readonly degrees: number }
  | (Folding & {
      readonly kind: 'reverse'
      readonly way: 'inside' | 'outside'
      readonly at: PointSpec
      /** Layers lying above the flap at that place. */
      readonly from?: number
      readonly upper: number
      readonly layers: number
      readonly hints?: readonly HintSpec[]
    })
  | {
      readonly kind: 'refold'
      readonly name:
        | 'squash'
        | 'petal fold'
        | 'rabbit ear'
        | 'collapse'
        | 'twist'
        | 'swivel'
        | 'crimp'
        | 'sink'
        | 'open out'
      readonly open: readonly StretchSpec[]
      readonly add: readonly CreaseSpec[]
      readonly stays: SheetPoint
      readonly hints?: readonly HintSpec[]
      /** For the picture: a point of the sheet that travels furthest. */
      readonly shows: SheetPoint
      /** Others that have an arrow of their own: one of each pleat. */
      readonly showsToo?: readonly SheetPoint[]
    }
  | (Folding & {
      readonly kind: 'tuck'
      readonly name: 'tuck' | 'pull out'
      readonly take: readonly SheetPoint[]
      readonly hints: readonly HintSpec[]
    })
  | (Folding & { readonly kind: 'cut'; readonly take?: TakeSpec })
  /** What flat folds cannot tell: estimated, by the form its acts give, or by a stated range of factors. */
  | {
      readonly kind: 'shape'
      readonly name: ShapingName
      readonly model: string
      /** What is done, in this order; what moves as a whole stands after what is bent within it. */
      readonly acts?: readonly ShapeAct[]
      /** The acts are told of the piece as it lay before this step, where that is easier seen. */
      readonly before?: string
      /** Where there are no acts: each finished size times a factor in this range; of these axes only, if named. */
      readonly factor?: readonly [lowest: number, highest: number]
      readonly axes?: readonly string[]
    }
  /** Work that folds nothing, at these places of the piece: the paper stays as it lies. */
  | {
      readonly kind: 'work'
      readonly name: 'write' | 'mark' | 'glue' | 'attach' | 'pierce'
      readonly places: readonly PointSpec[]
      /** Width and height of what comes to lie there, upright as the piece lies, in sides. */
      readonly size?: readonly [width: number, height: number]
    }

export type MoveKind = MoveSpec['kind']

export type Rigour = 'strict' | 'even' | 'free'
export type CreaseStrength = 'pinch' | 'light' | 'firm' | 'burnished' | 'rolled' | 'none'

/** One time of a step: the first and the last may be done or said otherwise. */
export interface Round {
  readonly moves: readonly MoveSpec[]
  readonly say?: string
}

export interface ProgramStep {
  readonly key: string
  readonly say: string
  readonly each: string
  readonly crease: CreaseStrength
  readonly rigour: Rigour
  readonly rounds: readonly Round[]
  readonly note?: string
}

export type SheetSpec =
  /** `turnedDegrees`: how it is laid down, counter-clockwise; 45 has one corner towards you. */
  | { readonly kind: 'square'; readonly turnedDegrees?: number }
  /** Width 1, height as said. */
  | { readonly kind: 'rectangle'; readonly height: number }
  /** Regular, corner to corner 1, a corner to the left and one to the right. */
  | { readonly kind: 'hexagon' }
  | { readonly kind: 'polygon'; readonly corners: readonly (readonly [number, number])[] }

/** A finished size along a named axis: the extent in a direction, or between two points of the sheet. */
export interface MeasureSpec {
  readonly axis: string
  readonly label: string
  readonly measure: { readonly extentDegrees: number } | { readonly between: readonly [PointSpec, PointSpec] }
}

/** A part of the sheet where no crease may run, pinches included. */
export interface ClearZone {
  readonly name: string
  readonly corners: readonly (readonly [number, number])[]
}

export interface FoldProgram {
  readonly sheet: SheetSpec
  readonly steps: readonly ProgramStep[]
  readonly measures: readonly MeasureSpec[]
  readonly keepClear?: readonly ClearZone[]
}

/** Settings of gauges as shares of the side. */
export type GaugeShares = Readonly<Record<string, number>>
