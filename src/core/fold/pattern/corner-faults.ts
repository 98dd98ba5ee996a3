import { minus } from '../../geometry'
import type { CutUpSheet, PatternFault } from './crease-pattern'

const ANGLE_SLACK_RAD = 1e-6

/** Creases that are folded, around one corner, by angle. */
function spokes({ corners, edges }: CutUpSheet, corner: number) {
  const here = corners[corner] ?? { x: 0, y: 0 }
  return edges
    .flatMap(({ from, to, mark }) => {
      const other = from === corner ? to : to === corner ? from : -1
      if (other < 0) return []
      const way = minus(corners[other] ?? here, here)
      return [{ mark, angle: Math.atan2(way.y, way.x) }]
    })
    .sort((a, b) => a.angle - b.angle)
}

/** Justin's conditions at every corner inside the sheet (alternate angles; mountains and valleys differ by two). */
export function cornerFaults(division: CutUpSheet): readonly PatternFault[] {
  return division.corners.flatMap((at, corner): PatternFault[] => {
    const all = spokes(division, corner)
    if (all.some((spoke) => spoke.mark === 'edge')) return []
    if (all.length === 1) return [{ code: 'DANGLING_CREASE', at }]
    const folded = all.filter((spoke) => spoke.mark !== 'F')
    if (folded.length === 0) return []
    if (folded.length % 2 === 1) return [{ code: 'ODD_DEGREE', at, creases: folded.length }]
    const alternate = folded.reduce((sum, spoke, index) => {
      const next = folded[(index + 1) % folded.length] ?? spoke
      const turn =
        index === folded.length - 1 ? next.angle + 2 * Math.PI - spoke.angle : next.angle - spoke.angle
      return index % 2 === 0 ? sum + turn : sum
    }, 0)
    if (Math.abs(alternate - Math.PI) > ANGLE_SLACK_RAD)
      return [{ code: 'ANGLE_SUM', at, alternateSumDeg: (alternate * 180) / Math.PI }]
    const mountains = folded.filter((spoke) => spoke.mark === 'M').length
    const valleys = folded.filter((spoke) => spoke.mark === 'V').length
    const lettered = mountains + valleys === folded.length
    return lettered && Math.abs(mountains - valleys) !== 2
      ? [{ code: 'FOLD_PARITY', at, mountains, valleys }]
      : []
  })
}
