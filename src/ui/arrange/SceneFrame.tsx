import type { ReactNode } from 'react'
import { frameOf, type PieceSize, type Scene } from '@/core/arrange'
import { HAND, HandBeside } from './HandBeside'
import { formatLong, type Preferences } from '../format'

interface SceneFrameProps {
  readonly scene: Scene
  readonly piece: PieceSize
  readonly title: string
  readonly className: string
  readonly preferences: Preferences
  /** Whether its pieces can be taken in hand, one by one. */
  readonly inHand?: boolean
  /** The pieces, drawn in mm; what is defined for them first. */
  readonly children: ReactNode
}

/** The longest round length that is at most so long. */
function roundLength(mm: number): number {
  const power = 10 ** Math.floor(Math.log10(mm))
  return ([5, 2, 1].find((times) => times * power <= mm) ?? 1) * power
}

/** Of the frame's width: lines, and the longest measure. */
const [THIN, MEASURE] = [1 / 400, 1 / 5]
/** In letters: what the words of a measure need. */
const [LEAST_MEASURE, LEAST_WIDE] = [4, 10]
/** Letters can be read whether the frame is wide or high. */
const letterOf = (width: number, height: number): number => Math.max(width / 60, height / 18)

/** Of the frame's width: a hand that is smaller tells nothing. */
const LEAST_HAND = 1 / 60

const seenHand = ({ left, right }: { readonly left: number; readonly right: number }): boolean =>
  HAND.highMm >= LEAST_HAND * (right - left)

/** What is made as it will hang, to scale, on its strings, with a measure and a hand beside it. */
export function SceneFrame({
  scene,
  piece,
  title,
  className,
  preferences,
  inHand,
  children,
}: SceneFrameProps) {
  const frame = frameOf(scene, piece)
  const { bottom } = frame
  const top = seenHand(frame) ? Math.min(frame.top, bottom - HAND.highMm - 10) : frame.top
  const letter = letterOf(frame.right - frame.left, bottom - top)
  // What is high and narrow still has room for its measure.
  const wider = Math.max(0, LEAST_WIDE * letter - (frame.right - frame.left)) / 2
  const seen = seenHand(frame)
  const [left, right] = [frame.left - wider - (seen ? HAND.wideMm : 0), frame.right + wider]
  const width = right - left
  const thin = THIN * width
  const measure = roundLength(Math.max(MEASURE * width, LEAST_MEASURE * letter))
  const floor = bottom + 2.2 * letter
  return (
    <svg
      viewBox={[left, top, width, floor - top].map((value) => value.toFixed(1)).join(' ')}
      role={inHand ? 'group' : 'img'}
      aria-label={title}
      className={className}
    >
      {seen ? <HandBeside xMm={frame.left - wider - HAND.wideMm + HAND.middleMm} yMm={bottom} /> : null}
      {scene.lines.map((line, at) => (
        <polyline
          key={at}
          points={line.map((value) => value.toFixed(1)).join(' ')}
          fill="none"
          stroke="var(--paper-line)"
          strokeWidth={thin}
        />
      ))}
      {children}
      <path
        d={`M${right - measure} ${floor - letter / 2}v${letter / 2 - thin}h${measure - thin}v${thin - letter / 2}`}
        fill="none"
        stroke="currentColor"
        strokeWidth={thin}
      />
      <text
        x={right - measure / 2}
        y={floor - 0.4 * letter}
        fontSize={letter}
        textAnchor="middle"
        fill="currentColor"
      >
        {formatLong(measure, preferences)}
      </text>
    </svg>
  )
}
