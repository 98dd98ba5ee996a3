import type { Generated, Insertable, Selectable } from 'kysely'
import type { Family } from '@/core/design'
import type {
  Flag,
  PaperTable,
  PaperPackTable,
  PlainCutPieceTable,
  PlainLineTable,
  SupplyTable,
  SupplyMoveTable,
  SupplyLevelTable,
  StockItemTable,
  StockMoveTable,
  StockLevelTable,
} from './drawer-tables'

export type { Flag } from './drawer-tables'

export interface SettingTable {
  key: string
  value: string
}

export interface DesignTable {
  id: string
  name: string
  family: Family
}

export interface DesignVersionTable {
  hash: string
  design_id: string
  number: number
  document: string
  created_at_ms: number
}

export interface ProjectTable {
  id: string
  name: string
  due_on: string | null
  zone: string
  certainty_permille: number
  note: string
  created_at_ms: number
  archived_at_ms: number | null
  hold_first: Generated<Flag>
  /** It comes again every year. */
  yearly: Generated<Flag>
  shopping_days: Generated<number>
  /** The project it was planned after. */
  again_of: Generated<string | null>
  /** Its day that was passed over last, a year or more after its own. */
  passed_over: Generated<string | null>
}

export interface BriefLineTable {
  id: string
  project_id: string
  ordinal: number
  design_hash: string
  engine: number
  variant_key: string
  pieces: number
  sizing: 'finished' | 'sheet'
  axis: string | null
  asked_um: number
  gauges: string
  /** What its pieces are made into, as JSON: lengths in micrometres. */
  made: string
  attached_to: string | null
  per_piece: number | null
  /** The line into whose bouquets or places it goes. */
  goes_with: Generated<string | null>
  /** The line whose size its own is so many percent of. */
  size_of: Generated<string | null>
  size_percent: Generated<number | null>
}

export interface LinePartTable {
  line_id: string
  part_key: string
  ordinal: number
  width_um: number
  height_um: number
  units_per_piece: number
}

export interface LinePartPaperTable {
  line_id: string
  part_key: string
  paper_id: string
  ordinal: number
  units: number
}

export interface CutPlanTable {
  id: string
  input_hash: string
  body: string
  made_at_ms: number
}

export interface ProjectCutPlanTable {
  project_id: string
  cut_plan_id: string
}

/** Cuts that have to be planned anew. */
export interface PlanWantedTable {
  id: Generated<number>
  /** See `schema/what-moved.ts`. */
  moved: string
  at_ms: number
  gave_up: Generated<Flag>
}

export interface ReservationTable {
  project_id: string
  stock_item_id: string
  sheets: number
}

export interface BaselineTable {
  project_id: string
  body: string
  at_ms: number
}

export interface ShelfMoveTable {
  seq: Generated<number>
  id: string
  design_hash: string
  variant_key: string
  part_key: string
  width_um: number
  height_um: number
  gauges: string
  paper_id: string
  grade: string
  delta: number
  kind: 'left over' | 'taken' | 'put back'
  line_id: string | null
  at_ms: number
}

export interface ProofTable {
  line_id: string
  status: 'cut' | 'accepted' | 'skipped'
  paper_id: string | null
  axis: string | null
  measured_um: number | null
  at_ms: number
}

export interface CutTable {
  id: string
  project_id: string
  paper_id: string
  proof: Flag
  sheets: number
  cut_plan_id: string | null
  layout_id: string | null
  /** The layout as it was cut, JSON; of cuts before version 10 a grid. Kept for the record. */
  layout: string
  at_ms: number
  undone_at_ms: number | null
}

export interface CutPieceTable {
  cut_id: string
  line_id: string
  part_key: string
  pieces: number
  width_um: number
  height_um: number
}

export interface RunTable {
  id: string
  project_id: string | null
  line_id: string | null
  design_hash: string
  part_key: string
  variant_key: string
  paper_id: string | null
  hand: 'right' | 'left'
  way: 'whole' | 'direct' | 'from base'
  sheet_um: number
  wanted: number
  tray_size: number
  grain: string
  tray_order: string
  gauges: string
  started_at_ms: number
  archived_at_ms: number | null
}

export interface RunEventTable {
  seq: Generated<number>
  id: string
  run_id: string
  lane: number
  kind: string
  piece: number | null
  step: number | null
  repeat: number | null
  attempt: number | null
  body: string
  at_ms: number
  received_at_ms: number
}

export interface RunUnitTable {
  run_id: string
  ordinal: number
  piece: number
  slot: number
  status: 'open' | 'folded' | 'spoiled'
  grade: string
  reason: string | null
  active_ms: number
  last_tap_at_ms: number | null
  inspected: Flag
}

export interface RunOutcomeTable {
  run_id: string
  status: 'folded' | 'spoiled'
  /** The grade, or the reason; empty where none was given. */
  label: string
  units: number
}

export interface RunProgressTable {
  run_id: string
  total: number
  usable: number
  spoiled: number
  active_ms: number
  phase: 'fold' | 'inspect' | 'finished'
  at_piece: number | null
  last_tap_at_ms: number | null
  timed_units: number
  timed_ms: number
  /** By which rules the projection was made. */
  rules: number
}

export interface JoinMoveTable {
  seq: Generated<number>
  id: string
  line_id: string
  delta: number
  at_ms: number
}

export interface DeliveryTable {
  id: string
  project_id: string
  note: string
  handed_over_at_ms: number
  undone_at_ms: number | null
}

export interface DeliveryLineTable {
  delivery_id: string
  line_id: string
  pieces: number
}

export interface LineOrderTable {
  line_id: string
  step: number
  seed: number
  /** Which pieces it is an order of, as `core/plan` writes it. */
  made_of: string
  /** JSON: the papers, the paper at each position as an index into them, the positions held. */
  body: string
  at_ms: number
}

export interface DeedDoneTable {
  id: string
  input_hash: string
  answer: string
  at_ms: number
}

export interface FigureTable {
  program_hash: string
  engine: number
  key: string
  body: string
  at_ms: number
}

export interface Tables {
  setting: SettingTable
  design: DesignTable
  design_version: DesignVersionTable
  paper: PaperTable
  project: ProjectTable
  brief_line: BriefLineTable
  line_part: LinePartTable
  line_order: LineOrderTable
  line_part_paper: LinePartPaperTable
  cut_plan: CutPlanTable
  project_cut_plan: ProjectCutPlanTable
  reservation: ReservationTable
  plan_wanted: PlanWantedTable
  baseline: BaselineTable
  shelf_move: ShelfMoveTable
  stock_item: StockItemTable
  stock_move: StockMoveTable
  stock_level: StockLevelTable
  paper_pack: PaperPackTable
  plain_line: PlainLineTable
  plain_cut_piece: PlainCutPieceTable
  supply: SupplyTable
  supply_move: SupplyMoveTable
  supply_level: SupplyLevelTable
  proof: ProofTable
  cut: CutTable
  cut_piece: CutPieceTable
  run: RunTable
  run_event: RunEventTable
  run_unit: RunUnitTable
  run_progress: RunProgressTable
  run_outcome: RunOutcomeTable
  join_move: JoinMoveTable
  delivery: DeliveryTable
  delivery_line: DeliveryLineTable
  deed_done: DeedDoneTable
  figure: FigureTable
}

export type PaperRow = Selectable<PaperTable>
export type ProjectRow = Selectable<ProjectTable>
export type BriefLineRow = Selectable<BriefLineTable>
export type LinePartRow = Selectable<LinePartTable>
export type LinePartPaperRow = Selectable<LinePartPaperTable>
export type CutPieceRow = Selectable<CutPieceTable>
export type RunOutcomeRow = Selectable<RunOutcomeTable>
export type RunRow = Selectable<RunTable>
export type RunEventRow = Selectable<RunEventTable>
export type RunUnitRow = Selectable<RunUnitTable>
export type RunProgressRow = Selectable<RunProgressTable>
export type CutRow = Selectable<CutTable>
export type NewProject = Insertable<ProjectTable>
export type NewBriefLine = Insertable<BriefLineTable>
export type NewRun = Insertable<RunTable>
