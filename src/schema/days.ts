import { DateTime } from 'luxon'

/** A local date as a form has it once it is whole. */
export const DAY = /^\d{4}-\d{2}-\d{2}$/

/** The same day of the first year in which it has not passed; a 29 February without one is the 28th. */
export function nextYearly(dueOn: string, today: string): string {
  let day = DateTime.fromISO(dueOn)
  const from = DateTime.fromISO(today)
  for (let years = 1; day < from; years++) day = DateTime.fromISO(dueOn).plus({ years })
  return day.toISODate() ?? dueOn
}

/** A local date so many days on, or back where they are negative. */
export const daysOn = (date: string, days: number): string =>
  DateTime.fromISO(date, { zone: 'utc' }).plus({ days }).toISODate() ?? date
