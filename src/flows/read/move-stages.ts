import { setImmediate } from 'node:timers/promises'
import { runProgram, stagesOf, type HalfwayPicture } from '@/core/fold'
import { LRUCache } from 'lru-cache'
import type { ProgramAsked } from './program-asked'

/** Stages that were asked for lately: a fold is looked at more than once while it is learned. */
const kept = new LRUCache<string, readonly HalfwayPicture[]>({ max: 200 })

/**
 * A move in stages, from 0; none for a move that a plane shows, and behind the last. *Throws* what folding throws.
 * *Cost* up to two seconds for a twist, some milliseconds for most.
 */
export async function moveStages(
  { program, shares }: ProgramAsked,
  move: number,
): Promise<readonly HalfwayPicture[]> {
  const key = JSON.stringify([program, shares, move])
  const known = kept.get(key)
  if (known) return known
  const frame = runProgram(program, shares).frames[move]
  const stages: HalfwayPicture[] = []
  // Taps from the table are answered between one stage and the next.
  for (const stage of frame ? stagesOf(frame, shares) : []) {
    stages.push(stage)
    await setImmediate()
  }
  kept.set(key, stages)
  return stages
}
