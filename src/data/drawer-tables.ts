import type { Generated } from 'kysely'
import type { Feel, Grain, PackForm, Pattern, Texture } from '@/core/paper'

/** 0 or 1. */
export type Flag = number

export interface PaperTable {
  id: string
  name: string
  feel: Feel
  grammage_gsm: number | null
  caliper_um: number | null
  front_colour: string
  back_colour: string
  pattern: Generated<Pattern>
  texture: Generated<Texture>
  grain: Generated<Grain>
  turnable: Generated<Flag>
  tolerance_um: Generated<number | null>
  note: string
  created_at_ms: number
  archived_at_ms: number | null
}

/** A pack a paper is sold in. Width and height of a roll: how wide it is, and how long. */
export interface PaperPackTable {
  id: string
  paper_id: string
  form: PackForm
  width_um: number
  height_um: number
  sheets: number
  price_minor: number
  lead_days: number
  sold_out: Flag
  at_ms: number
}

/** Pieces of a project that are cut and not folded. */
export interface PlainLineTable {
  id: string
  project_id: string
  name: string
  paper_id: string
  width_um: number
  height_um: number
  pieces: number
  at_ms: number
}

/** What a cut gave of them. */
export interface PlainCutPieceTable {
  cut_id: string
  line_id: string
  pieces: number
  width_um: number
  height_um: number
}

export interface SupplyTable {
  id: string
  name: string
  /** Measured by its length; else counted. */
  measured: Flag
  /** How long one of what is counted is, where that matters. */
  each_um: number | null
  note: string
  created_at_ms: number
  archived_at_ms: number | null
}

/** Amounts are pieces, or micrometres of what is measured. */
export interface SupplyMoveTable {
  seq: Generated<number>
  id: string
  supply_id: string
  delta: number
  kind: 'bought' | 'counted' | 'used' | 'given away' | 'undone'
  undoes: Generated<string | null>
  note: Generated<string>
  at_ms: number
}

export interface SupplyLevelTable {
  supply_id: string
  amount: number
}

export interface StockItemTable {
  id: string
  paper_id: string
  width_um: number
  height_um: number
  offcut: Flag
  price_minor: number | null
  /** The name it is sold under where that is not its size: `15 cm`, `6 in`. */
  sold_as: Generated<string>
  /** Not cut for pieces: strips that stems are rolled of. */
  kept_for: Generated<'' | 'stems'>
}

export interface StockMoveTable {
  seq: Generated<number>
  id: string
  stock_item_id: string
  delta: number
  kind: 'bought' | 'counted' | 'spoiled' | 'given away' | 'undone' | 'cut' | 'offcut' | 'cut undone'
  cut_id: string | null
  at_ms: number
  /** The movement this one takes back. */
  undoes: Generated<string | null>
  note: Generated<string>
}

export interface StockLevelTable {
  stock_item_id: string
  amount: number
}
