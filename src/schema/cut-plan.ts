import { z } from 'zod'
import { idText } from './fields'

const um = z.int().min(1).max(100_000_000)
const place = z.int().min(0).max(100_000_000)
const size = z.object({ widthUm: um, heightUm: um })
const paperName = z.string().max(64)
/** Layouts that a browser may send, and pieces on all of them: beyond them it is no plan of a person's, and long to check. */
const [MOST_LAYOUTS, MOST_PLACES] = [500, 20_000]

const tools = z.object({
  stages: z.union([z.literal(2), z.literal(3)]),
  marginUm: z.int().min(0),
  trimmerUm: z.int().min(1).nullable(),
  stackSheets: z.int().min(1),
  keepUm: z.int().min(1).exactOptional(),
})

const multipliers = z.object({
  worth: z.array(z.int().min(0)),
  scale: z.int().min(1),
})

const proof = z.object({
  paperId: paperName,
  least: z.enum(['money', 'sheets', 'area']),
  cost: z.int().min(0),
  bound: z.int().min(0),
  by: z.enum(['multipliers', 'all patterns']),
  multipliers,
  missing: z.object({ least: z.int().min(0), multipliers }).exactOptional(),
})

const layout = z.object({
  id: z.string(),
  stockId: z.string(),
  sheetUm: size,
  sheets: z.int().min(1),
  placements: z.array(z.object({ demand: z.string(), xUm: place, yUm: place, turned: z.boolean() })),
  offcuts: z.array(z.object({ xUm: place, yUm: place, widthUm: um, heightUm: um })),
})

/** What cuts were planned for. */
export const cutProblem = z.object({
  demands: z.array(
    z.object({
      key: z.string().regex(/^\S{1,64} \S{1,64} \S{1,64}$/),
      paperId: paperName,
      sizeUm: size,
      count: z.int().min(0).max(1e6),
      turnable: z.boolean(),
    }),
  ),
  stock: z.array(
    z.object({
      stockId: z.string(),
      paperId: paperName,
      sizeUm: size,
      available: z.int().min(0),
      offcut: z.boolean(),
      priceMinor: z.int().min(0).nullable().default(null),
      toleranceUm: z.int().min(0).max(20_000).exactOptional(),
      oneWay: z.literal(true).exactOptional(),
    }),
  ),
  tools: tools.exactOptional(),
})

/** A plan as it is stored. Whether it can be cut is checked geometrically where it is read. */
export const cutPlanMade = z.intersection(
  z.object({
    boundSheets: z.int().min(0),
    proofs: z.array(proof).exactOptional(),
    layouts: z.array(layout),
  }),
  z.discriminatedUnion('status', [
    z.object({ status: z.literal('proven') }),
    z.object({ status: z.literal('within'), sheets: z.int().min(1) }),
    z.object({
      status: z.literal('short'),
      missing: z.array(z.object({ demand: z.string(), count: z.int().min(1) })),
      sure: z.literal(true).exactOptional(),
    }),
  ]),
)

/** Layouts that a browser found for a stored plan, and what it says proves their bounds: nothing else of it is taken. */
export const foundPlan = z.strictObject({
  planId: idText('a plan'),
  layouts: z
    .array(layout)
    .max(MOST_LAYOUTS)
    .refine(
      (all) =>
        all.reduce((sum, { placements, offcuts }) => sum + placements.length + offcuts.length, 0) <=
        MOST_PLACES,
    ),
  proofs: z
    .array(
      z.object({
        paperId: paperName,
        multipliers,
        missing: z.object({ multipliers }).exactOptional(),
      }),
    )
    .max(1000),
})
