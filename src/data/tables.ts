import type { Generated, Insertable, Selectable } from 'kysely'
import type { Family } from '@/core/design'
import type { Feel } from '@/core/paper'

/** 0 or 1. */
type Flag = number

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

export interface PaperTable {
  id: string
  name: string
  feel: Feel
  grammage_gsm: number | null
  caliper_um: number | null
  front_colour: string
  back_colour: string
  note: string
  created_at_ms: number
  archived_at_ms: number | null
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
}

export interface BriefLineTable {
  id: string
  project_id: string
  ordinal: number
  design_hash: string
  variant_key: string
  pieces: number
  sizing: 'finished' | 'sheet'
  axis: string | null
  asked_um: number
  sheet_um: number
  gauges: string
  attached_to: string | null
  per_piece: number | null
}

export interface BriefLinePaperTable {
  line_id: string
  paper_id: string
  ordinal: number
  pieces: number
}

export interface StockItemTable {
  id: string
  paper_id: string
  width_um: number
  height_um: number
  offcut: Flag
  price_minor: number | null
}

export interface StockMoveTable {
  seq: Generated<number>
  id: string
  stock_item_id: string
  delta: number
  kind: 'bought' | 'counted' | 'cut' | 'offcut' | 'cut undone'
  cut_id: string | null
  at_ms: number
}

export interface StockLevelTable {
  stock_item_id: string
  amount: number
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
  line_id: string
  paper_id: string
  proof: Flag
  piece_um: number
  sheets: number
  pieces: number
  layout: string
  at_ms: number
  undone_at_ms: number | null
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
  pieces: number
  note: string
  handed_over_at_ms: number
  undone_at_ms: number | null
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
  brief_line_paper: BriefLinePaperTable
  stock_item: StockItemTable
  stock_move: StockMoveTable
  stock_level: StockLevelTable
  proof: ProofTable
  cut: CutTable
  run: RunTable
  run_event: RunEventTable
  run_unit: RunUnitTable
  run_progress: RunProgressTable
  join_move: JoinMoveTable
  delivery: DeliveryTable
  deed_done: DeedDoneTable
  figure: FigureTable
}

export type PaperRow = Selectable<PaperTable>
export type ProjectRow = Selectable<ProjectTable>
export type BriefLineRow = Selectable<BriefLineTable>
export type BriefLinePaperRow = Selectable<BriefLinePaperTable>
export type StockItemRow = Selectable<StockItemTable>
export type RunRow = Selectable<RunTable>
export type RunEventRow = Selectable<RunEventTable>
export type RunUnitRow = Selectable<RunUnitTable>
export type RunProgressRow = Selectable<RunProgressTable>
export type CutRow = Selectable<CutTable>
export type ProofRow = Selectable<ProofTable>
export type DeliveryRow = Selectable<DeliveryTable>
export type NewPaper = Insertable<PaperTable>
export type NewProject = Insertable<ProjectTable>
export type NewBriefLine = Insertable<BriefLineTable>
export type NewCut = Insertable<CutTable>
export type NewRun = Insertable<RunTable>
export type NewStockMove = Insertable<StockMoveTable>
