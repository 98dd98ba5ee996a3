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
}

/** Units folded to the end and the time they took, by design: what pace is learnt from. */
export const timeByDesign = (db: Db): Promise<DesignTime[]> =>
  db
    .selectFrom('run_unit as u')
    .innerJoin('run as r', 'r.id', 'u.run_id')
    .innerJoin('design_version as v', 'v.hash', 'r.design_hash')
    .select((select) => [
      'v.design_id as designId',
      select.fn.countAll<number>().as('pieces'),
      select.fn.sum<number>('u.active_ms').as('activeMs'),
    ])
    .where('u.status', '=', 'folded')
    .where('u.active_ms', '>', 0)
    .groupBy('v.design_id')
    .execute()

export interface MeasuredProof {
  /** The version it was folded from. */
  readonly hash: string
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
    .select((select) => [
      'v.hash',
      'l.variant_key as variantKey',
      select.ref('p.axis').$notNull().as('axis'),
      select.ref('p.measured_um').$notNull().as('measuredUm'),
      'l.sheet_um as sheetUm',
      'l.gauges',
    ])
    .where('v.design_id', '=', designId)
    .where('p.status', '=', 'accepted')
    .where('p.axis', 'is not', null)
    .where('p.measured_um', 'is not', null)
    .orderBy('p.at_ms')
    .execute()

export interface ReasonCount {
  readonly reason: string
  readonly pieces: number
}

/** Spoiled units by reason, over one project or all. */
export const spoiledByReason = (db: Db, projectId: string | null): Promise<ReasonCount[]> =>
  db
    .selectFrom('run_unit as u')
    .innerJoin('run as r', 'r.id', 'u.run_id')
    .select((select) => [
      select.fn.coalesce('u.reason', select.val('no reason given')).as('reason'),
      select.fn.countAll<number>().as('pieces'),
    ])
    .where('u.status', '=', 'spoiled')
    .$if(projectId !== null, (query) => query.where('r.project_id', '=', projectId))
    .groupBy((group) => group.fn.coalesce('u.reason', group.val('no reason given')))
    .orderBy('pieces', 'desc')
    .execute()

export interface GradeCount {
  readonly grade: string
  readonly pieces: number
}

/** Folded units by grade, over one project or all. */
export const foldedByGrade = (db: Db, projectId: string | null): Promise<GradeCount[]> =>
  db
    .selectFrom('run_unit as u')
    .innerJoin('run as r', 'r.id', 'u.run_id')
    .select((select) => ['u.grade', select.fn.countAll<number>().as('pieces')])
    .where('u.status', '=', 'folded')
    .$if(projectId !== null, (query) => query.where('r.project_id', '=', projectId))
    .groupBy('u.grade')
    .orderBy('pieces', 'desc')
    .execute()
