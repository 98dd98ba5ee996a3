import { sql } from 'kysely'
import type { Family } from '@/core/design'
import type { Db } from '../db'

export interface FamilyCount {
  readonly family: Family
  readonly usable: number
  readonly spoiled: number
}

/** Usable and spoiled units of every run ever, by design family: what reject rates are learnt from. */
export const rejectsByFamily = (db: Db): Promise<FamilyCount[]> =>
  db
    .selectFrom('run_progress as p')
    .innerJoin('run as r', 'r.id', 'p.run_id')
    .innerJoin('design_version as v', 'v.hash', 'r.design_hash')
    .innerJoin('design as d', 'd.id', 'v.design_id')
    .select((select) => [
      'd.family',
      select.fn.sum<number>('p.usable').as('usable'),
      select.fn.sum<number>('p.spoiled').as('spoiled'),
    ])
    .groupBy('d.family')
    .execute()

export interface DesignTime {
  readonly designId: string
  readonly pieces: number
  readonly activeMs: number
  readonly runs: number
  /** Of one unit, in the fastest and in the slowest run. */
  readonly fastestMs: number
  readonly slowestMs: number
}

/** Units folded to the end and the time they took, by design: what pace is learnt from. */
export const timeByDesign = (db: Db): Promise<DesignTime[]> =>
  db
    .selectFrom('run_progress as p')
    .innerJoin('run as r', 'r.id', 'p.run_id')
    .innerJoin('design_version as v', 'v.hash', 'r.design_hash')
    .select((select) => [
      'v.design_id as designId',
      select.fn.sum<number>('p.timed_units').as('pieces'),
      select.fn.sum<number>('p.timed_ms').as('activeMs'),
      select.fn.countAll<number>().as('runs'),
      select.fn.min(sql<number>`p.timed_ms * 1.0 / p.timed_units`).as('fastestMs'),
      select.fn.max(sql<number>`p.timed_ms * 1.0 / p.timed_units`).as('slowestMs'),
    ])
    .where('p.timed_units', '>', 0)
    .groupBy('v.design_id')
    .execute()

export interface MeasuredProof {
  /** The version it was folded from. */
  readonly hash: string
  readonly engine: number
  readonly variantKey: string
  readonly axis: string
  readonly measuredUm: number
  readonly sheetUm: number
  /** As kept: JSON, in whole micrometres. */
  readonly gauges: string
}

/** Proof pieces of a design that were accepted and measured, oldest first: samples of how large it comes out. */
export const measuredProofs = (db: Db, designId: string): Promise<MeasuredProof[]> =>
  db
    .selectFrom('proof as p')
    .innerJoin('brief_line as l', 'l.id', 'p.line_id')
    .innerJoin('design_version as v', 'v.hash', 'l.design_hash')
    .innerJoin('line_part as t', (join) => join.onRef('t.line_id', '=', 'l.id').on('t.ordinal', '=', 0))
    .select((select) => [
      'v.hash',
      'l.engine',
      'l.variant_key as variantKey',
      select.ref('p.axis').$notNull().as('axis'),
      select.ref('p.measured_um').$notNull().as('measuredUm'),
      't.width_um as sheetUm',
      'l.gauges',
    ])
    .where('v.design_id', '=', designId)
    .where('p.status', '=', 'accepted')
    .where('p.axis', 'is not', null)
    .where('p.measured_um', 'is not', null)
    .orderBy('p.at_ms')
    .execute()

/** Units that came out one way: folded, by grade; spoiled, by reason (empty where none was given). */
export interface OutcomeCount {
  readonly label: string
  readonly units: number
}

/** How units came out, over one project or all, the most first. */
export const outcomes = (
  db: Db,
  status: 'folded' | 'spoiled',
  projectId: string | null,
): Promise<OutcomeCount[]> =>
  db
    .selectFrom('run_outcome as o')
    .innerJoin('run as r', 'r.id', 'o.run_id')
    .select((select) => ['o.label', select.fn.sum<number>('o.units').as('units')])
    .where('o.status', '=', status)
    .$if(projectId !== null, (query) => query.where('r.project_id', '=', projectId))
    .groupBy('o.label')
    .orderBy('units', 'desc')
    .execute()
