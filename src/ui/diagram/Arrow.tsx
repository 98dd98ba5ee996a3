import type { FoldSymbol } from '@/core/fold'
import type { View } from './view'

type Head = Extract<FoldSymbol, { kind: 'arrow' }>['head']
type At = { readonly x: number; readonly y: number }

const HEAD = 46

/** A bent arrow from where a point lies to where it comes; its head says how. */
export function Arrow({
  from,
  to,
  head,
  more,
  view,
}: {
  readonly from: At
  readonly to: At
  readonly head: Head
  /** How often this is done again elsewhere: as many strokes across the shaft. */
  readonly more: number
  readonly view: View
}) {
  const a = { x: view.x(from.x), y: view.y(from.y) }
  const b = { x: view.x(to.x), y: view.y(to.y) }
  const size = Math.hypot(b.x - a.x, b.y - a.y)
  if (size < 12) return null
  const side = view.mirrored ? -1 : 1
  const bend = 0.26 * size * side
  const control = {
    x: (a.x + b.x) / 2 - ((b.y - a.y) / size) * bend,
    y: (a.y + b.y) / 2 + ((b.x - a.x) / size) * bend,
  }
  const length = Math.min(HEAD, size * 0.4)
  const tip = headAt(b, control, length)
  const tail = headAt(a, control, length)
  const curve = `M${a.x} ${a.y}Q${r(control.x)} ${r(control.y)} ${r(tip.base.x)} ${r(tip.base.y)}`
  const behind = head === 'behind' || head === 'behind and back'
  const both = head === 'there and back' || head === 'behind and back'
  const hollow = behind || head === 'unfold'
  return (
    <g strokeLinejoin="round" strokeLinecap="round">
      <path d={curve} fill="none" stroke="var(--fold-halo)" strokeWidth={15} />
      <path
        d={curve}
        fill="none"
        stroke="var(--fold-line)"
        strokeWidth={6.5}
        strokeDasharray={behind ? '24 10 4 10' : undefined}
      />
      <path
        d={tip.path}
        fill={hollow ? 'var(--fold-halo)' : 'var(--fold-line)'}
        stroke="var(--fold-line)"
        strokeWidth={5}
      />
      {both ? <path d={tail.path} fill="var(--fold-halo)" stroke="var(--fold-line)" strokeWidth={5} /> : null}
      {more === 0 ? null : (
        <path
          d={strokesAcross(a, control, tip.base, Math.min(more, MOST_STROKES))}
          stroke="var(--fold-line)"
          strokeWidth={5}
        />
      )}
      {head === 'between' ? (
        <circle cx={a.x} cy={a.y} r={9} fill="var(--fold-halo)" stroke="var(--fold-line)" strokeWidth={5} />
      ) : null}
    </g>
  )
}

/** More strokes than this are not counted by eye. */
const MOST_STROKES = 4

/** Short strokes across the middle of a curve. */
function strokesAcross(from: At, control: At, to: At, count: number): string {
  return Array.from({ length: count }, (_, index) => {
    const t = 0.42 + (index - (count - 1) / 2) * 0.055
    const on = (axis: 'x' | 'y') =>
      (1 - t) ** 2 * from[axis] + 2 * t * (1 - t) * control[axis] + t ** 2 * to[axis]
    const slope = (axis: 'x' | 'y') =>
      2 * (1 - t) * (control[axis] - from[axis]) + 2 * t * (to[axis] - control[axis])
    const size = Math.hypot(slope('x'), slope('y')) || 1
    const [dx, dy] = [(-slope('y') / size) * 19, (slope('x') / size) * 19]
    return `M${r(on('x') - dx)} ${r(on('y') - dy)}L${r(on('x') + dx)} ${r(on('y') + dy)}`
  }).join('')
}

const r = (value: number): number => Math.round(value * 10) / 10

/** A head of that length at the end of a curve that arrives from its control point. */
function headAt(end: At, control: At, length: number): { readonly base: At; readonly path: string } {
  const away = Math.hypot(end.x - control.x, end.y - control.y) || 1
  const [ux, uy] = [(end.x - control.x) / away, (end.y - control.y) / away]
  const base = { x: end.x - ux * length, y: end.y - uy * length }
  const half = length * 0.36
  return {
    base,
    path: `M${r(end.x)} ${r(end.y)}L${r(base.x - uy * half)} ${r(base.y + ux * half)}L${r(base.x + uy * half)} ${r(base.y - ux * half)}Z`,
  }
}
