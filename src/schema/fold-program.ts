import { z } from 'zod'
import {
  SHAPING_NAMES,
  SHAPING_TOOLS,
  type Amount,
  type AngleSpec,
  type ClearZone,
  type LineSpec,
  type MoveKind,
  type MoveSpec,
  type PointSpec,
  type Round,
  type ShapeAct,
  type SheetSpec,
} from '@/core/fold'

/** Specifications may stand in one another so deep; no fold needs half of it. */
const DEEPEST = 24

const key = z.string().min(1).max(64)
const number = z.number().min(-1000).max(1000)
const amount: z.ZodType<Amount> = z.union([
  number,
  z
    .strictObject({ share: number.optional(), gauges: z.record(key, number) })
    .transform(({ share, gauges }) => (share === undefined ? { gauges } : { share, gauges })),
])
const spot = z.tuple([amount, amount]).readonly()
const layers = z.int().min(1).max(500)

export const pointSchema: z.ZodType<PointSpec> = z.lazy(() =>
  z.union([
    z.strictObject({ sheet: spot }),
    z.strictObject({ plane: spot }),
    z.strictObject({ from: point, by: spot }),
    z.strictObject({ meet: z.tuple([line, line]).readonly() }),
    z
      .strictObject({ between: z.tuple([point, point]).readonly(), share: amount.optional() })
      .transform(({ between, share }) => (share === undefined ? { between } : { between, share })),
  ]),
)

const point = pointSchema

const line: z.ZodType<LineSpec> = z.lazy(() =>
  z.union([
    z.strictObject({ through: z.tuple([point, point]).readonly() }),
    z.strictObject({ onto: z.tuple([point, point]).readonly() }),
    z.strictObject({ lineOnto: z.tuple([line, line]).readonly(), near: point }),
    z.strictObject({ square: line, via: point }),
    z.strictObject({ point, ontoLine: line, via: point, near: point }),
    z.strictObject({ point, ontoLine: line, square: line }),
    z.strictObject({
      points: z.tuple([point, point]).readonly(),
      ontoLines: z.tuple([line, line]).readonly(),
      near: point,
    }),
    z.strictObject({ beside: line, by: amount, towards: point }),
    z.strictObject({ turned: line, about: point, degrees: z.number().min(-360).max(360) }),
  ]),
)

const take = z.strictObject({ at: point, layers })
const hints = z
  .array(z.tuple([spot, spot]).readonly())
  .max(200)
  .readonly()
const stretch = z.tuple([spot, spot]).readonly()
const crease = z.tuple([spot, spot, z.enum(['M', 'V', 'U'])]).readonly()
const way = z.enum(['valley', 'mountain'])

const angle = z.number().min(-720).max(720)
const angleOrRange: z.ZodType<AngleSpec> = z.union([
  angle,
  z
    .strictObject({ usual: angle, least: angle, most: angle })
    .refine(({ usual, least, most }) => (usual - least) * (most - usual) >= 0, {
      message: 'The usual angle lies between the least and the most.',
    }),
])
const tool = z.enum(SHAPING_TOOLS)
const curve = z
  .array(
    z.union([
      z.strictObject({ turn: angleOrRange }),
      z.strictObject({ straight: amount }),
      z.strictObject({
        roll: angleOrRange,
        over: z.union([amount, z.strictObject({ tools: z.tuple([tool], tool).readonly() })]),
      }),
    ]),
  )
  .min(1)
  .max(40)
  .readonly()
/** How each act of shaping is written. */
const act = z
  .discriminatedUnion('act', [
    z.strictObject({
      act: z.literal('bend'),
      line,
      moves: point,
      layers: z.array(spot).min(1).max(200).readonly().optional(),
      curve,
    }),
    z.strictObject({ act: z.literal('lift'), flap: key, round: z.int().min(0).max(500).optional(), curve }),
    z.strictObject({
      act: z.literal('petals'),
      foot: point,
      tip: point,
      bendsAt: amount,
      lean: angleOrRange,
      fan: z.tuple([z.number().min(1).max(179), z.number().min(1).max(179)]).readonly(),
      curve,
    }),
    z.strictObject({
      act: z.literal('fill'),
      foot: point,
      tip: point,
      walls: z
        .array(
          z.strictObject({
            faces: angle,
            corners: z
              .array(z.strictObject({ name: key, at: spot }))
              .min(3)
              .max(20)
              .readonly(),
          }),
        )
        .min(2)
        .max(12)
        .readonly(),
    }),
    z.strictObject({
      act: z.literal('peel'),
      layers: z.array(spot).min(1).max(200).readonly(),
      from: spot,
      tip: spot,
      degrees: angleOrRange,
    }),
    z.strictObject({
      act: z.literal('stand'),
      degrees: angle,
      lookDownDegrees: z.number().min(1).max(90).optional(),
    }),
  ])
  .transform((read): ShapeAct => read as ShapeAct)

/** The same with `undefined` for what is left out: a parse does not tell the two apart. */
type WithUndefined<T> = {
  [Key in keyof T]: Record<string, never> extends Pick<T, Key> ? T[Key] | undefined : T[Key]
}

/** How each kind of move is written. A kind that is added to `MoveSpec` and not here does not compile. */
const MOVES = {
  fold: z.strictObject({
    kind: z.literal('fold'),
    way,
    line,
    moves: point.optional(),
    take: take.optional(),
    stopFrom: line.optional(),
  }),
  crease: z.strictObject({
    kind: z.literal('crease'),
    way,
    line,
    moves: point.optional(),
    take: take.optional(),
    between: z.tuple([point, point]).readonly().optional(),
  }),
  unfold: z.strictObject({ kind: z.literal('unfold'), way, line, moves: point.optional(), take }),
  'turn over': z.strictObject({ kind: z.literal('turn over'), axis: z.enum(['upright', 'level']) }),
  rotate: z.strictObject({ kind: z.literal('rotate'), degrees: z.number().min(-360).max(360) }),
  reverse: z.strictObject({
    kind: z.literal('reverse'),
    way: z.enum(['inside', 'outside']),
    line,
    moves: point.optional(),
    at: point,
    from: z.int().min(0).max(500).optional(),
    upper: layers,
    layers,
    hints: hints.optional(),
  }),
  refold: z.strictObject({
    kind: z.literal('refold'),
    name: z.enum([
      'squash',
      'petal fold',
      'rabbit ear',
      'collapse',
      'twist',
      'swivel',
      'crimp',
      'sink',
      'open out',
    ]),
    open: z.array(stretch).max(2000).readonly(),
    add: z.array(crease).max(2000).readonly(),
    stays: spot,
    hints: hints.optional(),
    shows: spot,
    showsToo: z.array(spot).max(12).readonly().optional(),
  }),
  tuck: z.strictObject({
    kind: z.literal('tuck'),
    name: z.enum(['tuck', 'pull out']),
    line,
    moves: point.optional(),
    take: z.array(spot).min(1).max(200).readonly(),
    hints,
  }),
  cut: z.strictObject({ kind: z.literal('cut'), line, moves: point.optional(), take: take.optional() }),
  shape: z
    .strictObject({
      kind: z.literal('shape'),
      name: z.enum(SHAPING_NAMES),
      model: z.string().min(1).max(500),
      acts: z.array(act).min(1).max(100).readonly().optional(),
      before: key.optional(),
      factor: z
        .tuple([z.number().positive().max(10), z.number().positive().max(10)])
        .readonly()
        .optional(),
      axes: z.array(key).min(1).max(20).readonly().optional(),
    })
    .refine(({ acts, factor }) => (acts === undefined) !== (factor === undefined), {
      message: 'Say either what is done (acts) or by what the size changes (factor).',
    }),
  work: z.strictObject({
    kind: z.literal('work'),
    name: z.enum(['write', 'mark', 'glue', 'attach', 'pierce']),
    places: z.array(point).min(1).max(40).readonly(),
    size: z
      .tuple([z.number().positive().max(2), z.number().positive().max(2)])
      .readonly()
      .optional(),
  }),
} satisfies { readonly [Kind in MoveKind]: z.ZodType<WithUndefined<Extract<MoveSpec, { kind: Kind }>>> }

const { fold: firstMove, ...otherMoves } = MOVES
const move = z.discriminatedUnion('kind', [firstMove, ...Object.values(otherMoves)])

/** Fields left out and fields set to `undefined` are one in JSON; the types of the core tell them apart. */
const asMove = (read: WithUndefined<MoveSpec>): MoveSpec => read as MoveSpec

export const roundSchema: z.ZodType<Round> = z
  .strictObject({
    moves: z.array(move.transform(asMove)).max(20).readonly(),
    say: z.string().min(1).max(120).optional(),
  })
  .transform(({ moves, say }) => (say === undefined ? { moves } : { moves, say }))

const corner = z.tuple([number, number]).readonly()
export const sheetSchema: z.ZodType<SheetSpec> = z.union([
  z
    .strictObject({ kind: z.literal('square'), turnedDegrees: z.number().min(-360).max(360).optional() })
    .transform(({ kind, turnedDegrees }) =>
      turnedDegrees === undefined ? { kind } : { kind, turnedDegrees },
    ),
  z.strictObject({ kind: z.literal('rectangle'), height: z.number().min(0.01).max(100) }),
  z.strictObject({ kind: z.literal('hexagon') }),
  z.strictObject({ kind: z.literal('polygon'), corners: z.array(corner).min(3).max(60).readonly() }),
])

/** A convex part of the sheet where no crease may run. */
export const clearZoneSchema: z.ZodType<ClearZone> = z.strictObject({
  name: key,
  corners: z.array(corner).min(3).max(50).readonly(),
})

export const measureSchema = z.union([
  z.strictObject({ extentDegrees: z.number().min(-360).max(360) }),
  z.strictObject({ between: z.tuple([point, point]).readonly() }),
])

/** Whether a parsed text nests no deeper than a program may: asked before the schema walks it. */
export function nestsTooDeep(value: unknown, left: number = 4 * DEEPEST): boolean {
  if (typeof value !== 'object' || value === null) return false
  return left === 0 || Object.values(value).some((inner) => nestsTooDeep(inner, left - 1))
}
