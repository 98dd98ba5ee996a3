import { useId } from 'react'
import { hangOf, placeAlong, type Made, type Making } from '@/core/arrange'
import type { Point } from '@/core/design'
import { largest, least } from '@/core/numeric'
import { formatLong, type Preferences } from '../format'

interface MadePictureProps {
  readonly making: Making
  readonly made: Made
  /** The finished outline, mm. */
  readonly outline: readonly Point[]
  /** The colours of its papers, in turn. */
  readonly colours: readonly string[]
  readonly preferences: Preferences
}

/** Where a piece's middle is, mm, and how it is turned, degrees. */
interface Placed {
  readonly x: number
  readonly y: number
  readonly turned: number
}

interface Scene {
  readonly places: readonly Placed[]
  /** Strings and rings, as paths. */
  readonly lines: readonly string[]
}

const factOf = ({ facts }: Made, wanted: Made['facts'][number]['fact']): number =>
  facts.find(({ fact }) => fact === wanted)?.mm ?? 0

const degrees = (radians: number): number => (radians * 180) / Math.PI

function garlandScene({ values }: Making, made: Made, [across, high]: readonly [number, number]): Scene {
  const dressed = factOf(made, 'dressed')
  const hang = hangOf(dressed, Math.min(values['across'] ?? dressed, dressed))
  const along = (mm: number) => placeAlong(hang, dressed, mm)
  const string = Array.from({ length: 61 }, (_, at) => along((dressed * at) / 60))
  return {
    places: Array.from({ length: made.pieces }, (_, at) => {
      const { xMm, downMm } = along(across / 2 + at * (values['every'] ?? 0))
      return { x: xMm, y: downMm + high / 2, turned: 0 }
    }),
    lines: [`M${string.map(({ xMm, downMm }) => `${xMm.toFixed(1)} ${downMm.toFixed(1)}`).join('L')}`],
  }
}

function wreathScene(_: Making, made: Made): Scene {
  const radius = factOf(made, 'radius')
  return {
    places: Array.from({ length: made.pieces }, (__, at) => {
      const turn = (2 * Math.PI * at) / made.pieces
      return { x: radius * Math.sin(turn), y: -radius * Math.cos(turn), turned: degrees(turn) }
    }),
    lines: [
      `M${-radius} 0a${radius} ${radius} 0 1 0 ${2 * radius} 0a${radius} ${radius} 0 1 0 ${-2 * radius} 0`,
    ],
  }
}

function mobileScene({ values }: Making, made: Made, [across, high]: readonly [number, number]): Scene {
  const { threads = 1, each = 1, drop = 0, every = 0 } = values
  const apart = 1.3 * across
  const reach = drop + (each - 1) * every
  return {
    places: Array.from({ length: made.pieces }, (_, at) => ({
      x: (at % threads) * apart,
      y: drop + Math.floor(at / threads) * every + high / 2,
      turned: 0,
    })),
    lines: [
      `M0 0H${(threads - 1) * apart}`,
      ...Array.from({ length: threads }, (_, at) => `M${at * apart} 0V${reach}`),
    ],
  }
}

const SCENES: Partial<
  Record<Making['kind'], (making: Making, made: Made, size: readonly [number, number]) => Scene>
> = { garland: garlandScene, wreath: wreathScene, mobile: mobileScene }

/** The longest round length that is at most so long. */
function roundLength(mm: number): number {
  const power = 10 ** Math.floor(Math.log10(mm))
  return ([5, 2, 1].find((times) => times * power <= mm) ?? 1) * power
}

/** How it will hang or stand, to scale, with a measure beside it; nothing for what is not arranged. */
export function MadePicture({ making, made, outline, colours, preferences }: MadePictureProps) {
  const id = useId()
  const scene = SCENES[making.kind]
  if (!scene || outline.length === 0) return null
  const [xs, ys] = [outline.map(({ x }) => x), outline.map(({ y }) => y)]
  const [left, right, bottom, top] = [least(xs), largest(xs), least(ys), largest(ys)]
  const [across, high] = [right - left, top - bottom]
  const { places, lines } = scene(making, made, [across, high])
  const reach = Math.hypot(across, high) / 2
  const box = {
    left: least(places.map(({ x }) => x)) - reach,
    top: Math.min(0, least(places.map(({ y }) => y)) - reach),
    right: largest(places.map(({ x }) => x)) + reach,
    bottom: largest(places.map(({ y }) => y)) + reach,
  }
  const width = box.right - box.left
  const measure = roundLength(width / 5)
  const [thin, letter] = [width / 400, width / 45]
  const floor = box.bottom + 2.2 * letter
  return (
    <svg
      viewBox={`${box.left} ${box.top} ${width} ${floor - box.top}`}
      role="img"
      aria-label={`${made.pieces} pieces as they will hang, to scale`}
      className={making.kind === 'garland' ? 'max-h-72 w-full' : 'max-h-80 w-full max-w-md'}
    >
      {lines.map((line) => (
        <path key={line} d={line} fill="none" stroke="var(--paper-line)" strokeWidth={thin} />
      ))}
      <defs>
        <polygon
          id={id}
          points={outline
            .map(
              ({ x, y }) => `${(x - (left + right) / 2).toFixed(2)},${((bottom + top) / 2 - y).toFixed(2)}`,
            )
            .join(' ')}
          stroke="var(--paper-line)"
          strokeWidth={Math.min(thin, across / 30)}
        />
      </defs>
      {places.map(({ x, y, turned }, at) => (
        <use
          key={at}
          href={`#${id}`}
          fill={colours[at % Math.max(1, colours.length)] ?? 'var(--shade)'}
          transform={`translate(${x.toFixed(1)} ${y.toFixed(1)}) rotate(${turned.toFixed(1)})`}
        />
      ))}
      <path
        d={`M${box.right - measure} ${floor - letter}v${letter / 2}h${measure}v${-letter / 2}`}
        fill="none"
        stroke="currentColor"
        strokeWidth={thin}
      />
      <text
        x={box.right - measure / 2}
        y={floor - 0.9 * letter}
        fontSize={letter}
        textAnchor="middle"
        fill="currentColor"
      >
        {formatLong(measure, preferences)}
      </text>
    </svg>
  )
}
