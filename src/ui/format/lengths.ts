import { ROUNDING } from '@/core/numeric'
import { HEXAGON_HIGH_PER_WIDE } from '@/core/sheet'
import { nearestInchFraction, roundToRuler, type InchDenominator, type InchFraction } from '@/core/units'
import { numberFormat } from './formatters'
import type { Preferences } from './preferences'

type LengthPreferences = Pick<Preferences, 'unit' | 'ruler' | 'locale'>

const INCH_STEPS: Partial<Record<Preferences['ruler'], InchDenominator>> = { 'inch-1/8': 8, 'inch-1/16': 16 }

const decimal = (value: number, locale: string, digits: number): string =>
  numberFormat(locale, { maximumFractionDigits: digits }).format(value)

/** `4 7/8 in`. */
export function inchText({ whole, numerator, denominator }: InchFraction): string {
  if (numerator === 0) return `${whole} in`
  return whole === 0 ? `${numerator}/${denominator} in` : `${whole} ${numerator}/${denominator} in`
}

/** A computed length on the reader's own ruler: `12.5 cm`, `4 15/16 in`. */
export function formatLength(mm: number, { unit, ruler, locale }: LengthPreferences): string {
  if (unit === 'in') return inchText(nearestInchFraction(mm, INCH_STEPS[ruler] ?? 16))
  const metric = ruler === 'mm-1' || ruler === 'mm-0.5' ? ruler : 'mm-0.5'
  return `${decimal(roundToRuler(mm, metric, 'nearest') / 10, locale, 2)} cm`
}

/** A length of string or of a rail: `7.1 m`, `23 ft 4 in`; below a metre or a foot as any other. */
export function formatLong(mm: number, preferences: LengthPreferences): string {
  const { unit, locale } = preferences
  if (unit === 'cm') return mm < 1000 ? formatLength(mm, preferences) : `${decimal(mm / 1000, locale, 2)} m`
  const inches = Math.round(mm / 25.4)
  const [feet, rest] = [Math.floor(inches / 12), inches % 12]
  if (feet === 0) return formatLength(mm, preferences)
  return rest === 0 ? `${feet} ft` : `${feet} ft ${rest} in`
}

/** A length that was given or cut exactly: `7.425 cm`, `3 in`; inches with what the fraction leaves over. */
export function formatExact(mm: number, { unit, ruler, locale }: LengthPreferences): string {
  if (unit === 'cm') return `${decimal(mm / 10, locale, 3)} cm`
  const reading = nearestInchFraction(mm, INCH_STEPS[ruler] ?? 16)
  return Math.abs(reading.errorMm) < 0.05
    ? inchText(reading)
    : `${inchText(reading)} (${signedMm(-reading.errorMm, locale)})`
}

/** `+0.4 mm` or `-0.4 mm`. */
export const signedMm = (mm: number, locale: string): string =>
  `${numberFormat(locale, { maximumFractionDigits: 1, signDisplay: 'always' }).format(mm)} mm`

/** Two sides of a sheet: `21 x 29.7 cm`, and once where it is a square. */
export function formatSheet(widthMm: number, heightMm: number, preferences: LengthPreferences): string {
  if (widthMm === heightMm) return `${formatExact(widthMm, preferences)} square`
  return preferences.unit === 'cm'
    ? `${decimal(widthMm / 10, preferences.locale, 3)} x ${formatExact(heightMm, preferences)}`
    : `${formatExact(widthMm, preferences)} x ${formatExact(heightMm, preferences)}`
}

/** What a piece of paper is called by its shape. */
export const pieceNoun = (perSquare: 1 | 4, highPerWide: number): string =>
  perSquare === 4
    ? 'quarter square'
    : highPerWide === 1
      ? 'square'
      : highPerWide === HEXAGON_HIGH_PER_WIDE
        ? 'hexagon'
        : 'piece'

/** A piece of paper by its width and shape: `12.5 cm` for a square, `15 x 7.5 cm` for another; a hexagon by both its ways across. */
export const formatPiece = (widthMm: number, highPerWide: number, preferences: LengthPreferences): string =>
  highPerWide === 1
    ? formatExact(widthMm, preferences)
    : formatSheet(widthMm, Math.round(widthMm * highPerWide * 1000) / 1000, preferences)

/** A limit as it is told, never above it: `0.18 mm`. */
export const formatLimit = (mm: number): string => `${Math.floor(mm * 100 + ROUNDING) / 100} mm`

/** What a form field starts with for a length in the reader's unit: `12.45`, `4 7/8`, or exact mm where no fraction fits. */
export function lengthInput(mm: number, { unit }: Pick<Preferences, 'unit'>): string {
  if (unit === 'cm') return String(Math.round(mm * 1000) / 10_000)
  const reading = nearestInchFraction(mm, 32)
  return Math.abs(reading.errorMm) < 0.001
    ? inchText(reading).replace(' in', '')
    : `${Math.round(mm * 1000) / 1000} mm`
}
