/** What goes before an occasion. */
export interface LeadInput {
  /** Folding that it takes, as it was logged or is estimated. */
  readonly foldingSeconds: number
  readonly eveningSeconds: number
  /** The longest drying of any of its designs. */
  readonly dryingMinutes: number
  readonly shoppingDays: number
}

/** How many days before its day an occasion has to be begun, and for what. */
export interface LeadTime {
  readonly days: number
  readonly shoppingDays: number
  readonly foldingDays: number
  readonly dryingDays: number
}

const MINUTES_A_DAY = 24 * 60

/**
 * Shopping first, then one evening of folding a day; what is glued on the last of them dries for whole days: it is not
 * moved before. Each begun day counts.
 */
export function leadTime({
  foldingSeconds,
  eveningSeconds,
  dryingMinutes,
  shoppingDays,
}: LeadInput): LeadTime {
  const foldingDays = Math.ceil(foldingSeconds / eveningSeconds)
  const dryingDays = Math.ceil(dryingMinutes / MINUTES_A_DAY)
  return { days: shoppingDays + foldingDays + dryingDays, shoppingDays, foldingDays, dryingDays }
}
