import { z } from 'zod'
import { idText } from './fields'

const ids = z.array(idText()).max(10_000).readonly()

/** What moved, so that cuts are planned anew; as a deed leaves it for the planner. */
export const whatMoved = z.strictObject({
  /** The project whose plan is made anew whatever stands. */
  project: idText().exactOptional(),
  /** Papers whose sheets came, went or were counted. */
  paperIds: ids.exactOptional(),
  /** Projects that are cut together with it from now on, besides those that are already. */
  together: ids.exactOptional(),
  /** Projects that are planned each by itself from now on. */
  apart: ids.exactOptional(),
})

export type WhatMoved = z.output<typeof whatMoved>
