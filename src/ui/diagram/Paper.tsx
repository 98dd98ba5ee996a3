import type { PaperPaths } from './view'

/** The two faces of a paper. */
export interface PaperFaces {
  readonly front: string
  readonly back: string
}

/** Regions in the paper's two faces, a line wherever the top layer changes, creases as hairlines. */
export function Paper({
  paths,
  faces,
  weight,
}: {
  readonly paths: PaperPaths
  readonly faces: PaperFaces
  readonly weight: number
}) {
  return (
    <>
      {(['front', 'back'] as const).map((side) =>
        // The thin stroke of their own colour closes the seams between parts of one region.
        paths[side] === '' ? null : (
          <path
            key={side}
            d={paths[side]}
            fill={faces[side]}
            stroke={faces[side]}
            strokeWidth={1.2}
            strokeLinejoin="round"
          />
        ),
      )}
      {paths.marks === '' ? null : (
        <path
          d={paths.marks}
          fill="none"
          stroke="var(--paper-line)"
          strokeOpacity={0.45}
          strokeWidth={weight * 0.4}
        />
      )}
      <path
        d={paths.edges}
        fill="none"
        stroke="var(--paper-line)"
        strokeWidth={weight}
        strokeLinecap="round"
      />
    </>
  )
}
