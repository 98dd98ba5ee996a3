/**
 * How far the inner layers of a stack come out when all of it is folded flat, on either side of the fold, mm. A model, no
 * measurement: `n` layers of caliper `t` run around a half circle, the inner one of radius t / 2, the outer one of
 * (n - 1/2) t. Their ways differ by pi t (n - 1); half of that shows on each side.
 */
export function creepMm(layers: number, caliperMm: number): number {
  return (Math.PI / 2) * Math.max(0, layers - 1) * caliperMm
}

/** What several folds after one another push inwards, mm: room to leave before they are made. Estimated, as `creepMm`. */
export const roomMm = (layersAtFolds: readonly number[], caliperMm: number): number =>
  layersAtFolds.reduce((sum, layers) => sum + creepMm(layers, caliperMm), 0)
