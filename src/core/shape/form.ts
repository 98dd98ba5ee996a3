import { CoreError } from '../errors'
import {
  relation,
  type Above,
  type FoldProgram,
  type FoldedState,
  type Frame,
  type MoveSpec,
  type ShapeAct,
  type Trace,
} from '../fold'
import { flips, type Spot } from '../geometry'
import { bendOf, bendOfFlap, bentPatches, cutForBend, type Bend } from './bend'
import { filledPatches, fillOf, type Fill } from './fill'
import { patchesOf, type Patch } from './patches'
import { peeled, peelOf, type Peel } from './peel'
import { cutForPetals, opened, petalsOf, type Petals } from './petals'
import type { ShapeSettings } from './settings'

/** A piece in space: plane patches of its faces, the table below; lengths in sides of the sheet. */
export interface ShapedForm {
  readonly patches: readonly Patch[]
  /** Whether a face shows its back to who sees the flat piece from above. */
  readonly flipped: readonly boolean[]
  /** A direction of the flat piece's plane, as it is turned in space. */
  readonly turned: (direction: Spot) => Spot
  /** Whether it stands: what lay in a plane is upright. */
  readonly stands: boolean
  /** From how far over the table it is looked down on; 90 from straight above. */
  readonly lookDownDegrees: number
  /** Which of two faces lay above the other in the flat piece. */
  readonly above: (one: number, other: number) => Above
}

type ShapeMove = Extract<MoveSpec, { kind: 'shape' }>

/** A shaping step of a program: its move, and the flat piece it is told of. */
export interface ShapingStep {
  /** Index of the step. */
  readonly step: number
  readonly move: ShapeMove
  readonly state: FoldedState
  /** The folds of a step before, by its key. */
  readonly foldsOf: (key: string) => readonly Frame[]
}

/** The shaping steps of a folded program, in their order. *Throws* `OUT_OF_RANGE` for a step that is not there. */
export function shapingSteps({ steps }: FoldProgram, { frames }: Trace): readonly ShapingStep[] {
  return frames.flatMap(({ step, done: { spec }, before }): ShapingStep[] => {
    if (spec.kind !== 'shape') return []
    const foldsOf = (key: string) =>
      frames.filter((frame) => frame.step < step && steps[frame.step]?.key === key)
    if (spec.before === undefined) return [{ step, move: spec, state: before.state, foldsOf }]
    const first = frames.find((frame) => steps[frame.step]?.key === spec.before)
    if (!first || first.step >= step)
      throw new CoreError('OUT_OF_RANGE', {
        name: `shaping in step ${step + 1} "${steps[step]?.key ?? ''}"`,
        value: `no earlier step "${spec.before}"`,
      })
    return [{ step, move: spec, state: first.before.state, foldsOf }]
  })
}

const formOf = (
  state: FoldedState,
  patches: readonly Patch[],
  turns: readonly ((spot: Spot) => Spot)[],
  lookDownDegrees = 90,
): ShapedForm => ({
  patches,
  lookDownDegrees,
  turned: (direction) => turns.reduce((at, turn) => turn(at), direction),
  stands: turns.length > 0,
  flipped: state.faces.map(({ pose }) => flips(pose)),
  above: (one, other) => relation(state, one, other),
})

const RADIANS = Math.PI / 180

/** Turned about the level axis. */
const tilted = (degrees: number) => {
  const [cos, sin] = [Math.cos(degrees * RADIANS), Math.sin(degrees * RADIANS)]
  return ({ x, y, z }: Spot): Spot => ({ x, y: y * cos - z * sin, z: y * sin + z * cos })
}

/**
 * The form that shaping steps give a piece, one after another: every act is told of the flat piece they share. Without
 * acts it is the flat piece itself.
 * *Throws* `OUT_OF_RANGE` where the steps are told of different pieces; what an act throws.
 * *Cost* the number of strips: under a tenth of a second for the library.
 */
export function shapedForm(
  steps: readonly ShapingStep[],
  flat: FoldedState,
  settings: ShapeSettings,
): ShapedForm {
  const acting = steps.filter(({ move }) => move.acts !== undefined)
  const state = acting[0]?.state ?? flat
  const apart = acting.find((one) => one.state !== state)
  if (apart)
    throw new CoreError('OUT_OF_RANGE', {
      name: `shaping in step ${apart.step + 1}`,
      value: 'told of another flat piece than the shaping before it',
    })
  const deeds = acting.flatMap((one) => (one.move.acts ?? []).flatMap((act) => deedsOf(one, act, settings)))
  let patches = patchesOf(state)
  for (const deed of deeds)
    if ('bend' in deed) patches = cutForBend(state, patches, deed.bend)
    else if ('petals' in deed) patches = cutForPetals(state, patches, deed.petals)
  for (const deed of deeds)
    if ('bend' in deed) patches = bentPatches(patches, deed.bend)
    else if ('petals' in deed) patches = opened(patches, deed.petals)
    else if ('fill' in deed) patches = filledPatches(state, patches, deed.fill)
    else if ('peel' in deed) patches = peeled(patches, deed.peel)
    else patches = patches.map((patch) => ({ ...patch, spots: patch.spots.map(deed.turn) }))
  const turns = deeds.flatMap((deed) => ('turn' in deed ? [deed.turn] : []))
  const [looked] = acting.flatMap(({ move }) =>
    (move.acts ?? []).flatMap((act) => (act.act === 'stand' && act.lookDownDegrees) || []),
  )
  return formOf(state, patches, turns, looked)
}

/** An act read against the piece: a bend, petals, a hollow that is filled, or a turn of the whole. */
type Deed =
  | { readonly bend: Bend }
  | { readonly petals: Petals }
  | { readonly fill: Fill }
  | { readonly peel: Peel }
  | { readonly turn: (spot: Spot) => Spot }

function deedsOf(
  { step, state, foldsOf }: ShapingStep,
  act: ShapeAct,
  settings: ShapeSettings,
): readonly Deed[] {
  switch (act.act) {
    case 'bend':
      return [{ bend: bendOf(state, act, settings) }]
    case 'petals':
      return [{ petals: petalsOf(state, act, settings) }]
    case 'fill':
      return [{ fill: fillOf(state, act, settings) }]
    case 'peel':
      return [{ peel: peelOf(state, act, settings) }]
    case 'stand':
      return [{ turn: tilted(act.degrees) }]
    case 'lift': {
      const folds = foldsOf(act.flap).filter(({ round }) => act.round === undefined || round === act.round)
      if (folds.length === 0)
        throw new CoreError('OUT_OF_RANGE', {
          name: `shaping in step ${step + 1}`,
          value: `no earlier fold "${act.flap}"`,
        })
      return folds.map((frame) => ({ bend: bendOfFlap(state, frame, act.curve, settings) }))
    }
  }
}
