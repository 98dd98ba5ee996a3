import type { GaugeSettings } from '@/core/design'
import { mmFromUm } from '@/core/units'

/** Gauges are kept as JSON in whole micrometres. */
export function gaugesFromText(text: string): GaugeSettings {
  const stored = JSON.parse(text) as Record<string, number>
  return Object.fromEntries(Object.entries(stored).map(([key, um]) => [key, mmFromUm(um)]))
}
