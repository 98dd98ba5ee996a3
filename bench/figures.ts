/** The value below which a share of the sorted samples lies. */
export function percentile(samples: readonly number[], share: number): number {
  const sorted = [...samples].sort((a, b) => a - b)
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? NaN
}

/** Prints one line: figure, target and their ratio; below 1 is within the target. */
export function report(name: string, figure: number, unit: string, target: number | null): void {
  const aim = target === null ? '' : `target ${target} ${unit}, ratio ${(figure / target).toFixed(2)}`
  console.log(
    `${name.padEnd(46)} ${figure.toFixed(figure < 10 ? 2 : 0).padStart(8)} ${unit.padEnd(3)} ${aim}`,
  )
}

/** Wall times of `runs` calls in ms, after a few to warm up. */
export function timeRuns(runs: number, work: () => unknown): readonly number[] {
  for (let warm = 0; warm < 3; warm++) work()
  return Array.from({ length: runs }, () => {
    const start = performance.now()
    work()
    return performance.now() - start
  })
}
