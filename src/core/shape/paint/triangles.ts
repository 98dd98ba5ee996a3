import { inner, normalOf, unitOf, add, type Spot } from '../../geometry'
import { largest, least } from '../../numeric'
import type { ShapedForm } from '../form'
import type { Patch } from '../patches'

/** A form as triangles, set down on the table: index t has its corners at `corners[9 t]`, x y z each. */
export interface Triangles {
  readonly count: number
  readonly corners: Float64Array
  /** Uprights on the front of the paper, one for each corner likewise: where paper is rolled they run on smoothly. */
  readonly uprights: Float64Array
  readonly faces: Int32Array
}

/** Smaller than this, in sides squared, a triangle is not seen. */
const SLIVER = 1e-12
/** Paper never lies quite flat: so far over the table its lowest spot is, in sides. By eye. */
const LIES = 0.012
/** Strips of one face whose uprights are so near to one another belong to one roll: 30 degrees. */
const ONE_ROLL = Math.cos((30 * Math.PI) / 180)
/** Corners of strips are one place of the sheet where they are nearer than this, in sides. */
const PLACE = 1e5

/** The upright of each corner of each patch: the mean of all strips of the roll that meet there. */
function uprightsOf(patches: readonly Patch[]): readonly (readonly Spot[])[] {
  const plane = patches.map(({ spots }) => normalOf(spots))
  const name = (face: number, x: number, y: number) =>
    `${face} ${Math.round(x * PLACE)} ${Math.round(y * PLACE)}`
  const meeting = new Map<string, Spot[]>()
  patches.forEach(({ face, sheet }, index) => {
    const own = plane[index]
    if (!own) return
    for (const { x, y } of sheet) {
      const key = name(face, x, y)
      const known = meeting.get(key)
      if (known) known.push(own)
      else meeting.set(key, [own])
    }
  })
  return patches.map(({ face, sheet }, index) => {
    const own = plane[index] ?? { x: 0, y: 0, z: 1 }
    return sheet.map(({ x, y }) =>
      unitOf(
        (meeting.get(name(face, x, y)) ?? [])
          .filter((other) => inner(own, other) > ONE_ROLL)
          .reduce(add, { x: 0, y: 0, z: 0 }),
      ),
    )
  })
}

export function trianglesOf({ patches }: ShapedForm): Triangles {
  const lowest = least(patches.flatMap(({ spots }) => spots.map(({ z }) => z)))
  const uprights = uprightsOf(patches)
  const found = patches.flatMap(({ face, spots }, patch) =>
    spots.slice(2).flatMap((_, index) => {
      const at = [0, index + 1, index + 2]
      const corners = at.flatMap((corner) => spots[corner] ?? [])
      return wide(corners)
        ? [{ face, corners, uprights: at.flatMap((corner) => uprights[patch]?.[corner] ?? []) }]
        : []
    }),
  )
  const out: Triangles = {
    count: found.length,
    corners: new Float64Array(9 * found.length),
    uprights: new Float64Array(9 * found.length),
    faces: Int32Array.from(found, ({ face }) => face),
  }
  found.forEach((one, t) => {
    one.corners.forEach(({ x, y, z }, corner) =>
      out.corners.set([x, y, z - lowest + LIES], 9 * t + 3 * corner),
    )
    one.uprights.forEach(({ x, y, z }, corner) => out.uprights.set([x, y, z], 9 * t + 3 * corner))
  })
  return out
}

const wide = ([p, q, r]: readonly Spot[]): boolean => {
  if (!p || !q || !r) return false
  const [a, b] = [
    { x: q.x - p.x, y: q.y - p.y, z: q.z - p.z },
    { x: r.x - p.x, y: r.y - p.y, z: r.z - p.z },
  ]
  const [x, y, z] = [a.y * b.z - a.z * b.y, a.z * b.x - a.x * b.z, a.x * b.y - a.y * b.x]
  return x * x + y * y + z * z > SLIVER * SLIVER
}

/** The middle of the box around all corners, and how far the furthest lies from it. */
export function roundAbout({ corners }: Triangles): { readonly middle: Spot; readonly reach: number } {
  const along = (axis: number) => {
    const all = Array.from({ length: corners.length / 3 }, (_, i) => corners[3 * i + axis] ?? 0)
    return [least(all), largest(all)] as const
  }
  const [[x0, x1], [y0, y1], [z0, z1]] = [along(0), along(1), along(2)]
  return {
    middle: { x: (x0 + x1) / 2, y: (y0 + y1) / 2, z: (z0 + z1) / 2 },
    reach: Math.hypot(x1 - x0, y1 - y0, z1 - z0) / 2,
  }
}

/** How a triangle's front is turned to a direction: the mean of its corners, above zero where it is seen from there. */
export function turnedTo({ uprights }: Triangles, t: number, { x, y, z }: Spot): number {
  const i = 9 * t
  const sum = (axis: number) =>
    (uprights[i + axis] as number) + (uprights[i + 3 + axis] as number) + (uprights[i + 6 + axis] as number)
  return sum(0) * x + sum(1) * y + sum(2) * z
}

/** The upright of the paper at a spot of a triangle, between those of its corners; of length 1. */
export function uprightAt({ corners, uprights }: Triangles, t: number, at: Spot): Spot {
  const i = 9 * t
  const [ax, ay, az] = [corners[i] as number, corners[i + 1] as number, corners[i + 2] as number]
  const [ux, uy, uz] = [
    (corners[i + 3] as number) - ax,
    (corners[i + 4] as number) - ay,
    (corners[i + 5] as number) - az,
  ]
  const [vx, vy, vz] = [
    (corners[i + 6] as number) - ax,
    (corners[i + 7] as number) - ay,
    (corners[i + 8] as number) - az,
  ]
  const [wx, wy, wz] = [at.x - ax, at.y - ay, at.z - az]
  const [uu, uv, vv] = [ux * ux + uy * uy + uz * uz, ux * vx + uy * vy + uz * vz, vx * vx + vy * vy + vz * vz]
  const [wu, wv] = [wx * ux + wy * uy + wz * uz, wx * vx + wy * vy + wz * vz]
  const size = uu * vv - uv * uv
  const second = Math.max(0, Math.min(1, (vv * wu - uv * wv) / size))
  const third = Math.max(0, Math.min(1 - second, (uu * wv - uv * wu) / size))
  const mean = (axis: number) =>
    (uprights[i + axis] as number) * (1 - second - third) +
    (uprights[i + 3 + axis] as number) * second +
    (uprights[i + 6 + axis] as number) * third
  return unitOf({ x: mean(0), y: mean(1), z: mean(2) })
}
