import type { MadeKind, MadeValues } from './made'

/** What is usually made for an occasion, ready to be changed: numbers and sizes are the craft's common practice, no source. */
export interface Occasion {
  readonly key: string
  readonly designId: string
  /** Finished, along the design's first axis. */
  readonly sizeMm: number
  readonly made: MadeKind
  readonly values: MadeValues
}

export const OCCASIONS: readonly Occasion[] = [
  {
    key: 'bottles',
    designId: 'field-flower',
    sizeMm: 90,
    made: 'bouquet',
    values: { bouquets: 6, each: 3, stem: 180 },
  },
  {
    key: 'rail',
    designId: 'narrow-leaf',
    sizeMm: 140,
    made: 'garland',
    values: { long: 3000, every: 150, tail: 300, knot: 30 },
  },
  {
    key: 'door',
    designId: 'corner-folded-rosette',
    sizeMm: 60,
    made: 'wreath',
    values: { radius: 150, overlap: 0 },
  },
  {
    key: 'gifts',
    designId: 'simple-heart',
    sizeMm: 50,
    made: 'topper',
    values: { gifts: 12, each: 1, margin: 10 },
  },
  {
    key: 'table',
    designId: 'quick-butterfly',
    sizeMm: 70,
    made: 'table',
    values: { places: 8, each: 1 },
  },
  {
    key: 'room',
    designId: 'hexagon-flake',
    sizeMm: 80,
    made: 'mobile',
    values: { threads: 5, each: 3, drop: 150, every: 140, knot: 30 },
  },
  { key: 'windows', designId: 'window-star', sizeMm: 240, made: 'batch', values: { pieces: 4 } },
]
