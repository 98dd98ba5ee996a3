import { z } from 'zod'

/**
 * A file in the FOLD format 1.2 (Flexible Origami List Datastructure; E. D. Demaine, J. S. Ku, R. J. Lang), as far as
 * flat sheets go. Keys of the specification only; a program's own keys carry a colon and are passed over.
 */
export const MOST_EDGES = 2000
const MOST_FRAMES = 50

const index = z.int().min(0)
const text = z.string().max(5000)
const texts = z.array(text).max(50)
const coordinates = z.array(z.number()).min(2).max(3)

const frameKeys = {
  frame_author: text.optional(),
  frame_title: text.optional(),
  frame_description: text.optional(),
  frame_classes: texts.optional(),
  frame_attributes: texts.optional(),
  frame_unit: text.optional(),
  vertices_coords: z
    .array(coordinates)
    .max(2 * MOST_EDGES)
    .optional(),
  vertices_vertices: z.unknown().optional(),
  vertices_edges: z.unknown().optional(),
  vertices_faces: z.unknown().optional(),
  edges_vertices: z
    .array(z.tuple([index, index]))
    .max(MOST_EDGES)
    .optional(),
  edges_faces: z.unknown().optional(),
  edges_assignment: z
    .array(z.enum(['B', 'M', 'V', 'F', 'U', 'C', 'J']))
    .max(MOST_EDGES)
    .optional(),
  edges_foldAngle: z.array(z.number().nullable()).max(MOST_EDGES).optional(),
  edges_length: z.unknown().optional(),
  faces_vertices: z.array(z.array(index).min(3).max(500)).max(MOST_EDGES).optional(),
  faces_edges: z.unknown().optional(),
  faces_faces: z.unknown().optional(),
  faceOrders: z
    .array(z.tuple([index, index, z.union([z.literal(-1), z.literal(0), z.literal(1)])]))
    .max(100_000)
    .optional(),
  edgeOrders: z.unknown().optional(),
}

export const frameSchema = z.strictObject({
  ...frameKeys,
  frame_parent: index.optional(),
  frame_inherit: z.boolean().optional(),
})

export const fileSchema = z.strictObject({
  file_spec: z.number().optional(),
  file_creator: text.optional(),
  file_author: text.optional(),
  file_title: text.optional(),
  file_description: text.optional(),
  file_classes: texts.optional(),
  file_frames: z.array(frameSchema).max(MOST_FRAMES).optional(),
  ...frameKeys,
})

export type FoldFile = z.output<typeof fileSchema>
export type FoldFrame = z.output<typeof frameSchema>
