import type { Preferences } from '@/ui/format'

/** A reader with a ruler in millimetres. */
export const PREFERENCES: Preferences = {
  unit: 'cm',
  ruler: 'mm-1',
  zone: 'UTC',
  currency: 'EUR',
  locale: 'en',
  nowMs: 0,
}
