import {
  runProgram,
  drawTrace,
  type FoldPicture,
  type FoldProgram,
  type GaugeShares,
  type DrawnProgram,
} from '../fold'
import { assemble, sightOf, type Assembled } from './assembly'
import { assembledPicture } from './assembled-picture'
import { joiningPictures, type JoiningPictures } from './joining-pictures'
import type { Assembly } from './types'

/** Every picture of a design: its folds, and the finished piece where that is made of several units. */
export interface DrawnDesign extends DrawnProgram {
  readonly assembled: {
    readonly front: FoldPicture
    readonly back: FoldPicture
    readonly joining: JoiningPictures
    /** What `sight` measures, as a share of the side. */
    readonly sight: number | null
  } | null
}

const left = ({ x, y }: { readonly x: number; readonly y: number }) => ({ x: -x, y })
const mirrored = ({ centre, stepRad, units }: Assembled): Assembled => ({
  centre: left(centre),
  stepRad: -stepRad,
  units: units.map((unit) => unit.map(left).reverse()),
})

/** Folds a design's program and draws it. *Throws* what the folding throws. */
export function drawDesign(
  program: FoldProgram,
  assembly: Assembly | undefined,
  gauges: GaugeShares = {},
): DrawnDesign {
  const trace = runProgram(program, gauges)
  const shown = drawTrace(program, trace, gauges)
  if (!assembly) return { ...shown, assembled: null }
  const { end } = trace
  const laid = assemble(assembly, end, gauges)
  return {
    ...shown,
    assembled: {
      front: assembledPicture(shown.front, laid, assembly.next),
      // Seen from behind left is right, and what lay over lies under; what went inside is hidden from here too.
      back: assembledPicture(shown.back, mirrored(laid), 'inside'),
      joining: joiningPictures(shown.front, laid, assembly, end, gauges),
      sight: sightOf(assembly, end, gauges),
    },
  }
}
