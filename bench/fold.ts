import { defaultGauges, gaugeShares, LIBRARY, mainPart, programOf } from '../src/core/design'
import {
  BASES,
  figuresOfTrace,
  foldPattern,
  runProgram,
  drawProgram,
  unitSquare,
  type Crease,
  type FoldProgram,
  type GaugeShares,
} from '../src/core/fold'
import { point } from '../src/core/geometry'
import { readFoldFile, writeFoldFile } from '../src/formats/fold-file'
import { percentile, report, timeRuns } from './figures'

const RUNS = 9

/** Everything that ships, at its own gauges on a sheet of 15 cm. */
const programs: readonly (readonly [name: string, program: FoldProgram, gauges: GaugeShares])[] = [
  ...BASES.map(({ name, program }) => [name, program, {}] as const),
  ...LIBRARY.flatMap((design) =>
    design.variants.flatMap((variant) => {
      const program = programOf(mainPart(design), variant)
      const gauges = gaugeShares(design, defaultGauges(design), 150)
      return program ? [[`${design.name}, ${variant.name}`, program, gauges] as const] : []
    }),
  ),
]

console.log('\nFold engine: a whole program with the figures of every move (median of runs)')
const times = programs.map(([name, program, gauges]) => {
  const runs = timeRuns(RUNS, () => figuresOfTrace(runProgram(program, gauges)))
  return { name, ms: percentile(runs, 0.5) }
})
for (const { name, ms } of [...times].sort((a, b) => b.ms - a.ms).slice(0, 5)) report(name, ms, 'ms', null)
const medians = times.map(({ ms }) => ms)
report(`median of ${times.length} programs`, percentile(medians, 0.5), 'ms', 50)
report('worst program', percentile(medians, 1), 'ms', 150)
const shown = programs.map(([, program, gauges]) =>
  percentile(
    timeRuns(3, () => drawProgram(program, gauges)),
    0.5,
  ),
)
report('with every picture, worst program', percentile(shown, 1), 'ms', null)

console.log('\nLayer order')

/** The most memory this process has held so far, in MB. */
const peakMb = (): number => process.resourceUsage().maxRSS / 1024

const LEAN = 0.4

/** A sheet in n + 1 columns of zigzags and n + 1 rows of uneven height: n x n corners of four creases. */
function corrugation(n: number): readonly Crease[] {
  const heights = Array.from({ length: n + 1 }, (_, row) => 1 + 0.5 * Math.sin(2.3 * row + 1))
  const whole = heights.reduce((sum, height) => sum + height, 0)
  const ys = heights.reduce<number[]>((all, height) => [...all, (all.at(-1) ?? 0) + height / whole], [0])
  // Every zigzag leans by the same angle, to and fro: the shift of a row is as large as the row is high.
  const shifts = heights.reduce<number[]>(
    (all, height, row) => [...all, (all.at(-1) ?? 0) + ((row % 2 === 0 ? 1 : -1) * LEAN * height) / whole],
    [0],
  )
  const x = (column: number, row: number) =>
    column / (n + 1) + (column === 0 || column === n + 1 ? 0 : (shifts[row] ?? 0))
  const at = (column: number, row: number) => point(x(column, row), ys[row] ?? 1)
  const creases: Crease[] = []
  for (let row = 0; row <= n + 1; row++)
    for (let column = 0; column <= n + 1; column++) {
      if (row <= n && column > 0 && column <= n)
        creases.push({ from: at(column, row), to: at(column, row + 1), letter: column % 2 === 0 ? 'M' : 'V' })
      if (column <= n && row > 0 && row <= n)
        creases.push({
          from: at(column, row),
          to: at(column + 1, row),
          // Around the corner of a zigzag the stretch on its narrow side differs from the zigzag itself.
          letter: (row % 2 === 0 ? column + 1 : column) % 2 === 0 ? 'M' : 'V',
        })
    }
  return creases
}

/** A map of n x n squares with no letters. */
const map = (n: number): readonly Crease[] =>
  Array.from({ length: n - 1 }, (_, index) => (index + 1) / n).flatMap((share): Crease[] => [
    { from: point(share, 0), to: point(share, 1), letter: 'U' },
    { from: point(0, share), to: point(1, share), letter: 'U' },
  ])

function order(what: string, creases: readonly Crease[], most: number, targetMs: number): void {
  const before = peakMb()
  const folded = foldPattern({ outline: unitSquare, creases }, { most })
  if (!folded.ok) throw new Error(`${what}: ${JSON.stringify(folded.faults[0])}`)
  const runs = timeRuns(3, () => foldPattern({ outline: unitSquare, creases }, { most }))
  report(
    `${what}: ${folded.state.faces.length} faces, ${folded.orders} found`,
    percentile(runs, 0.5),
    'ms',
    targetMs,
  )
  report('  peak memory of the process', peakMb(), 'MB', null)
  report('  of it new in this', peakMb() - before, 'MB', null)
}
order('skewed corrugation of 16 x 16 corners, with letters', corrugation(16), 2, 1000)
order('first order of an 8 x 8 map, no letters', map(8), 1, 3000)

console.log('\nFOLD files')
const crane = programs.find(([name]) => name.startsWith('Crane'))
if (!crane) throw new Error('no crane')
const end = runProgram(crane[1], crane[2]).end
const words = { title: 'crane', description: '', sideMm: 150 }
const good = JSON.stringify(writeFoldFile(end, words))
report(
  'crane written',
  percentile(
    timeRuns(RUNS, () => writeFoldFile(end, words)),
    0.5,
  ),
  'ms',
  null,
)
report(
  'crane read',
  percentile(
    timeRuns(RUNS, () => readFoldFile(good)),
    0.5,
  ),
  'ms',
  null,
)

/** Random letters on a map of 20 x 20: parities are wrong all over. */
function wrongEverywhere(): string {
  const letters = 'MV'
  const creases = map(20).map((crease, index) => ({ ...crease, letter: letters[index % 2] }))
  const edges = creases.map((_, index) => [2 * index, 2 * index + 1])
  return JSON.stringify({
    vertices_coords: creases.flatMap(({ from, to }) => [
      [from.x, from.y],
      [to.x, to.y],
    ]),
    edges_vertices: edges,
    edges_assignment: creases.map(({ letter }) => letter),
  })
}
const many = (edges: number) =>
  JSON.stringify({
    vertices_coords: Array.from({ length: edges + 1 }, (_, index) => [index, (index * index) % 97]),
    edges_vertices: Array.from({ length: edges }, (_, index) => [index, index + 1]),
    edges_assignment: Array.from({ length: edges }, () => 'M'),
  })
const hostile: readonly (readonly [string, string])[] = [
  ['50 MB', `{"file_title":"${'x'.repeat(50_000_000)}"}`],
  ['200,000 brackets', '['.repeat(200_000)],
  ['10,000 creases', many(10_000)],
  ['2,000 creases that cross', many(2000)],
  ['lines without vertices where they cross', wrongEverywhere()],
  ['4.9 MB of an unknown key', `{"k":"${'x'.repeat(4_900_000)}"}`],
]
for (const [what, text] of hostile) {
  const runs = timeRuns(3, () => {
    if (readFoldFile(text).ok) throw new Error(`${what} was taken`)
  })
  report(`refused: ${what}`, percentile(runs, 1), 'ms', 1000)
}
