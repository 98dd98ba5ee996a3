import { flatSheet, type Crease, type CreasePattern, type Hint } from '@/core/fold'
import { CoreError } from '@/core/errors'
import { signedArea, type Point } from '@/core/geometry'
import { NEGLIGIBLE, largest, least } from '@/core/numeric'
import { FileError, type FileFault } from './fault'
import { fileSchema, MOST_EDGES, type FoldFile, type FoldFrame } from './file-schema'
import { outlineOf, requireNoCrossing } from './outline'
import { lastDigit, merged, snap, type FileEdge, type Snapped } from './snap'

/** Larger files are refused unread. */
export const MOST_FILE_BYTES = 5_000_000

/** A pattern as the engine takes it: the sheet's longest extent is 1. */
export interface ReadPattern {
  readonly title: string | null
  readonly pattern: CreasePattern
  /** How many of the file's own units the extent of 1 stands for, and their name where it is said. */
  readonly unitsPerExtent: number
  readonly unit: string | null
  readonly snapped: Snapped
}

export type ReadResult =
  { readonly ok: true; readonly read: ReadPattern } | { readonly ok: false; readonly fault: FileFault }

/** A short edge of nothing: nearer than this, longest extent 1, two ends are one. */
const SHORTEST = 1e-7
/** Ends nearer than half of this, longest extent 1, are one where a file has no more digits. */
const ROUNDED = 1e-4

/** Reads a FOLD 1.2 file. *Returns* the first crease pattern in it, or the one fault that stopped it. */
export function readFoldFile(text: string): ReadResult {
  try {
    if (text.length > MOST_FILE_BYTES) throw tooLarge(text.length)
    return { ok: true, read: patternOf(parsed(text)) }
  } catch (error) {
    if (error instanceof FileError) return { ok: false, fault: error.fault }
    throw error
  }
}

export const tooLarge = (bytes: number): FileError =>
  new FileError(
    `it has ${(bytes / 1e6).toFixed(1)} MB, more than the ${MOST_FILE_BYTES / 1e6} MB that are read`,
    'the file',
    'Export only the crease pattern.',
  )

function parsed(text: string): FoldFile {
  let json: unknown
  try {
    json = JSON.parse(text)
  } catch (error) {
    const why = error instanceof Error ? error.message : 'it does not parse'
    throw new FileError(`this is not JSON: ${why}`, 'the file', 'Choose a file saved as FOLD.')
  }
  const result = fileSchema.safeParse(withoutOwnKeys(json))
  if (result.success) return result.data
  const issue = result.error.issues[0]
  const place = issue?.path.map(String).join(' ')
  const where = place === '' || place === undefined ? 'the file' : place
  if (issue?.code === 'unrecognized_keys')
    throw new FileError(
      `"${issue.keys[0] ?? ''}" is no key of FOLD 1.2`.slice(0, 200),
      where,
      "Remove it, or give a program's own key its prefix with a colon.",
    )
  if (issue?.code === 'too_big')
    throw new FileError(
      `it lists more than can be folded here (${MOST_EDGES} edges)`,
      where,
      'Take a part of it.',
    )
  throw new FileError((issue?.message ?? 'it cannot be read').slice(0, 200), where, 'Mend the value there.')
}

/** Keys with a colon belong to the program that wrote them. */
function withoutOwnKeys(value: unknown): unknown {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return value
  const kept = Object.entries(value).filter(([key]) => !key.includes(':'))
  return Object.fromEntries(
    kept.map(([key, inner]) => [
      key,
      key === 'file_frames' && Array.isArray(inner) ? inner.map(withoutOwnKeys) : inner,
    ]),
  )
}

interface Drawing {
  /** Among all frames; the file's own is 0. */
  readonly number: number
  readonly where: string
  readonly frame: FoldFrame
}

/** The first frame that is no folded form and has edges. */
function creasePatternOf(file: FoldFile): Drawing {
  const { file_frames: more = [], ...own } = file
  const frames: readonly Drawing[] = [
    { number: 0, where: '', frame: own },
    ...more.map((frame, index) => ({ number: index + 1, where: `file_frames ${index} `, frame })),
  ]
  const found = frames.find(
    ({ frame }) =>
      frame.vertices_coords && frame.edges_vertices && !frame.frame_classes?.includes('foldedForm'),
  )
  if (!found)
    throw new FileError(
      'there is no crease pattern in it',
      'the file',
      'It needs vertices_coords and edges_vertices of the flat sheet.',
    )
  return found
}

/** Every edge with its letter, between corners that are there; edges of no length are left out where digits are few. */
function edgesOf(frame: FoldFrame, where: string, corners: readonly Point[], near: number) {
  const { edges_vertices: edges = [], edges_assignment: letters, edges_foldAngle: angles } = frame
  if (letters?.length !== edges.length)
    throw new FileError(
      `there are ${edges.length} edges and ${letters?.length ?? 0} assignments`,
      `${where}edges_assignment`,
      'Give every edge one of B, M, V, F or U.',
    )
  const one = merged(corners, near)
  let slivers = 0
  const read = edges.flatMap((ends, edge): FileEdge[] => {
    const [from, to] = [corners[ends[0]], corners[ends[1]]]
    if (!from || !to)
      throw new FileError(
        `it names vertex ${from ? ends[1] : ends[0]} of ${corners.length}`,
        `${where}edges_vertices ${edge}`,
        'Count vertices from 0.',
      )
    const [start, end] = [one[ends[0]] ?? ends[0], one[ends[1]] ?? ends[1]]
    if (start === end && (ends[0] === ends[1] || near <= SHORTEST))
      throw new FileError(
        'its two ends are one point',
        `${where}edges_vertices ${edge}`,
        'Remove this edge.',
        from,
      )
    const letter = letters[edge]
    if (letter === 'C' || letter === 'J')
      throw new FileError(
        letter === 'C' ? 'it is a cut' : 'it is a join',
        `${where}edges_assignment ${edge}`,
        'Only uncut sheets are read.',
        from,
      )
    requireFlat(angles?.[edge] ?? null, letter, `${where}edges_foldAngle ${edge}`, from)
    if (start === end) slivers++
    return start === end || letter === undefined ? [] : [{ from: start, to: end, letter }]
  })
  return { edges: read, slivers }
}

/** A stated angle must be that of a flat fold, and of the letter beside it. FOLD counts a valley positive. */
function requireFlat(degrees: number | null, letter: string | undefined, where: string, at: Point): void {
  if (degrees === null) return
  const fits =
    letter === 'V'
      ? degrees === 180
      : letter === 'M'
        ? degrees === -180
        : letter === 'F'
          ? degrees === 0
          : [-180, 0, 180].includes(degrees)
  if (fits) return
  const flat = [-180, 0, 180].includes(degrees)
  throw new FileError(
    flat
      ? `it says ${degrees} degrees and its assignment says ${letter}`
      : `it is folded by ${degrees} degrees`,
    where,
    flat ? 'Make both say the same fold.' : 'Only flat folds are read: 180, -180 or 0 degrees.',
    at,
  )
}

function patternOf(file: FoldFile): ReadPattern {
  const { where, frame, number } = creasePatternOf(file)
  const { vertices_coords: coords = [], edges_vertices: ends = [] } = frame
  const used = new Set(ends.flat())
  const written = coords.filter((_, vertex) => used.has(vertex))
  const { corners, unitsPerExtent } = scaled(coords, written, where)
  const digit = lastDigit(written) / unitsPerExtent
  const { edges, slivers } = edgesOf(frame, where, corners, Math.max(SHORTEST, Math.min(digit, ROUNDED) / 2))
  const { corners: places, snapped } = snap(corners, edges, digit)
  requireNoCrossing(
    places,
    edges.map(({ from, to }) => [from, to]),
  )
  const outline = outlineOf(
    places,
    edges.flatMap(({ from, to, letter }) => (letter === 'B' ? [[from, to] as const] : [])),
  )
  requireSheet(outline)
  const creases = edges.flatMap(({ from: start, to: end, letter }): Crease[] => {
    const [from, to] = [places[start], places[end]]
    return from && to && letter !== 'B' ? [{ from, to, letter }] : []
  })
  return {
    title: file.file_title ?? frame.frame_title ?? null,
    pattern: { outline, creases, hints: hintsOf(foldedOf(file, number, frame), places) },
    unitsPerExtent,
    unit: frame.frame_unit ?? null,
    snapped: snapped.kind === 'moved' ? { ...snapped, slivers } : snapped,
  }
}

/** Corners in shares of the longest extent of those that are used: a stray vertex is no part of the sheet. */
function scaled(
  coords: readonly (readonly number[])[],
  used: readonly (readonly number[])[],
  where: string,
): { readonly corners: readonly Point[]; readonly unitsPerExtent: number } {
  coords.forEach(([, , z = 0], vertex) => {
    if (z !== 0)
      throw new FileError(
        'it lies above the plane',
        `${where}vertices_coords ${vertex}`,
        'Give the flat sheet.',
      )
  })
  const [xs, ys] = [used.map(([x = 0]) => x), used.map(([, y = 0]) => y)]
  const [left, bottom] = [least(xs), least(ys)]
  const extent = Math.max(largest(xs) - left, largest(ys) - bottom)
  if (!(extent > NEGLIGIBLE) || !Number.isFinite(extent))
    throw new FileError('the sheet has no size', `${where}vertices_coords`, 'Give corners that lie apart.')
  return {
    corners: coords.map(([x = 0, y = 0]) => ({ x: (x - left) / extent, y: (y - bottom) / extent })),
    unitsPerExtent: extent,
  }
}

function requireSheet(outline: readonly Point[]): void {
  try {
    flatSheet(outline)
  } catch (error) {
    if (!(error instanceof CoreError)) throw error
    throw new FileError(
      `${error.detail.name} is ${error.detail.value}`,
      'the outline',
      'Only sheets whose corners all point outwards are folded here.',
    )
  }
}

/** The frame that says how the faces of a pattern lie: the pattern itself, or the first folded form that inherits from it. */
function foldedOf({ file_frames: more = [] }: FoldFile, number: number, pattern: FoldFrame): Drawing {
  if (pattern.faceOrders) return { number, where: '', frame: pattern }
  const index = more.findIndex(
    (frame) => frame.faceOrders && frame.frame_inherit === true && frame.frame_parent === number,
  )
  const found = more[index]
  if (!found) return { number, where: '', frame: pattern }
  const inherited = found.faces_vertices ?? pattern.faces_vertices
  const frame = inherited ? { ...found, faces_vertices: inherited } : found
  return { number: index + 1, where: `file_frames ${index} `, frame }
}

/** Orders of faces that the file states, as hints. */
function hintsOf({ frame, where }: Drawing, corners: readonly Point[]): readonly Hint[] {
  const { faces_vertices: faces = [], faceOrders: orders = [] } = frame
  const known = faces.map((face, number) => {
    const points = face.map((corner) => {
      const at = corners[corner]
      if (!at)
        throw new FileError(
          `it names vertex ${corner} of ${corners.length}`,
          `${where}faces_vertices ${number}`,
          'Count vertices from 0.',
        )
      return at
    })
    const sum = points.reduce((all, p) => ({ x: all.x + p.x, y: all.y + p.y }), { x: 0, y: 0 })
    const middle = { x: sum.x / points.length, y: sum.y / points.length }
    return { middle, turned: signedArea(points) < 0 }
  })
  return orders.flatMap(([one, other, side], number): Hint[] => {
    const [upon, of] = [known[one], known[other]]
    if (!upon || !of)
      throw new FileError(
        `it names face ${upon ? other : one} of ${known.length}`,
        `${where}faceOrders ${number}`,
        'Count faces from 0.',
      )
    // A face listed clockwise has its normal behind it.
    const front = side > 0 !== of.turned
    return side === 0 ? [] : [{ upon: upon.middle, of: of.middle, side: front ? 'front' : 'back' }]
  })
}
