import { DateTime } from 'luxon'
import { dateFormat } from './formatters'
import type { Preferences } from './preferences'

type TimePreferences = Pick<Preferences, 'locale' | 'zone' | 'nowMs'>

/** Today in a zone, `YYYY-MM-DD`. */
export const todayIn = ({ zone, nowMs }: Pick<Preferences, 'zone' | 'nowMs'>): string =>
  DateTime.fromMillis(nowMs, { zone }).toISODate() ?? ''

/** Days from today to a local date; negative once it has passed. */
export function daysUntil(date: string, preferences: Pick<Preferences, 'zone' | 'nowMs'>): number {
  const today = DateTime.fromISO(todayIn(preferences), { zone: 'utc' })
  return Math.round(DateTime.fromISO(date, { zone: 'utc' }).diff(today, 'days').days)
}

/** `Saturday 12 December`, with the year where it is not this one. */
export function formatDay(date: string, preferences: TimePreferences): string {
  const day = DateTime.fromISO(date, { zone: 'utc' })
  const thisYear = todayIn(preferences).startsWith(`${day.year}-`)
  return dateFormat(preferences.locale, {
    timeZone: 'UTC',
    weekday: 'long',
    day: 'numeric',
    month: 'long',
    ...(thisYear ? {} : { year: 'numeric' }),
  }).format(day.toJSDate())
}

/** `18 days left`, `tomorrow`, `today`, `3 days ago`. */
export function formatDaysLeft(days: number): string {
  if (days === 0) return 'today'
  if (days === 1) return 'tomorrow'
  if (days === -1) return 'yesterday'
  return days > 0 ? `${days} days left` : `${-days} days ago`
}

/** A moment as date and time in the reader's zone. */
export const formatMoment = (atMs: number, { locale, zone }: TimePreferences): string =>
  dateFormat(locale, { timeZone: zone, dateStyle: 'medium', timeStyle: 'short' }).format(atMs)

/** The same to the second, where two may be close to one another. */
export const formatInstant = (atMs: number, { locale, zone }: TimePreferences): string =>
  dateFormat(locale, { timeZone: zone, dateStyle: 'medium', timeStyle: 'medium' }).format(atMs)

/** `3 h 20 min`, `12 min`, `45 s`. */
export function formatDuration(seconds: number): string {
  if (seconds < 60) return `${Math.round(seconds)} s`
  const minutes = Math.round(seconds / 60)
  if (minutes < 60) return `${minutes} min`
  const rest = minutes % 60
  return rest === 0 ? `${Math.floor(minutes / 60)} h` : `${Math.floor(minutes / 60)} h ${rest} min`
}

/** `4 min 10 s`, for a pace. */
export function formatPace(seconds: number): string {
  const whole = Math.round(seconds)
  if (whole < 60) return `${whole} s`
  return whole % 60 === 0 ? `${whole / 60} min` : `${Math.floor(whole / 60)} min ${whole % 60} s`
}
