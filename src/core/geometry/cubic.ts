import { ROUNDING } from '../numeric'

/** A root is taken as double within this of touching. */
const FLAT = 1e-12

/**
 * Real roots of c3 t^3 + c2 t^2 + c1 t + c0, ascending, each once; leading zeros are let go.
 * *Accuracy* polished by Newton's method to about 1e-14 relative. *Source* Cardano's and Viete's formulas.
 */
export function realRoots(c3: number, c2: number, c1: number, c0: number): readonly number[] {
  const scale = Math.max(Math.abs(c3), Math.abs(c2), Math.abs(c1), Math.abs(c0))
  if (scale === 0) return []
  const roots =
    Math.abs(c3) > FLAT * scale
      ? cubicRoots(c2 / c3, c1 / c3, c0 / c3)
      : Math.abs(c2) > FLAT * scale
        ? quadraticRoots(c2, c1, c0)
        : Math.abs(c1) > FLAT * scale
          ? [-c0 / c1]
          : []
  const polished = roots.map((root) => polish(root, c3, c2, c1, c0)).sort((a, b) => a - b)
  return polished.filter((root, index) => index === 0 || root - (polished[index - 1] ?? root) > ROUNDING)
}

function quadraticRoots(a: number, b: number, c: number): readonly number[] {
  const discriminant = b * b - 4 * a * c
  if (discriminant < -FLAT * b * b) return []
  const root = Math.sqrt(Math.max(0, discriminant))
  // The larger root first, the other from their product: no cancellation.
  const q = -(b + Math.sign(b || 1) * root) / 2
  return q === 0 ? [0] : [q / a, c / q]
}

function cubicRoots(b: number, c: number, d: number): readonly number[] {
  const p = c - (b * b) / 3
  const q = (2 * b * b * b) / 27 - (b * c) / 3 + d
  const shift = -b / 3
  const discriminant = (q * q) / 4 + (p * p * p) / 27
  if (discriminant > FLAT) {
    const root = Math.sqrt(discriminant)
    return [Math.cbrt(-q / 2 + root) + Math.cbrt(-q / 2 - root) + shift]
  }
  const radius = 2 * Math.sqrt(Math.max(0, -p / 3))
  if (radius === 0) return [shift]
  const angle = Math.acos(Math.min(1, Math.max(-1, (3 * q) / (p * radius)))) / 3
  return [0, 1, 2].map((k) => radius * Math.cos(angle - (2 * Math.PI * k) / 3) + shift)
}

function polish(root: number, c3: number, c2: number, c1: number, c0: number): number {
  let t = root
  for (let step = 0; step < 3; step++) {
    const slope = (3 * c3 * t + 2 * c2) * t + c1
    const change = slope === 0 ? 0 : (((c3 * t + c2) * t + c1) * t + c0) / slope
    if (!Number.isFinite(change)) break
    t -= change
  }
  return t
}
