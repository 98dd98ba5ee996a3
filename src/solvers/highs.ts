import loadHighs from 'highs'
import type { LinearProgram, LinearSolver, Solved } from '@/core/cut'

type Highs = Awaited<ReturnType<typeof loadHighs>>

/** How the package is loaded in a browser, where its WebAssembly lies elsewhere. */
type LoadOptions = Parameters<typeof loadHighs>[0]

/** A solver of linear programs by HiGHS, in WebAssembly: loaded once, then each call is done before it returns. */
export async function loadSolver(options?: LoadOptions): Promise<LinearSolver> {
  const highs = await loadHighs(options)
  return (program, mostSeconds) => solve(highs, program, mostSeconds)
}

function solve(highs: Highs, program: LinearProgram, mostSeconds: number): Solved {
  const { columns, rows } = program
  const whole = columns.some((column) => column.whole)
  const { continuous, integer } = highs.constants.variableType
  const bound = (value: number) => (Number.isFinite(value) ? value : Math.sign(value) * highs.infinity)
  const starts = new Int32Array(columns.length + 1)
  columns.forEach((column, index) => (starts[index + 1] = (starts[index] ?? 0) + column.in.length))
  const entries = columns.flatMap((column) => column.in)
  const model = highs.createModel({
    numCols: columns.length,
    numRows: rows.length,
    colCost: Float64Array.from(columns, ({ cost }) => cost),
    colLower: new Float64Array(columns.length),
    colUpper: Float64Array.from(columns, ({ most }) => bound(most)),
    rowLower: Float64Array.from(rows, ({ least }) => bound(least)),
    rowUpper: Float64Array.from(rows, ({ most }) => bound(most)),
    matrix: {
      format: 'csc',
      numRows: rows.length,
      numCols: columns.length,
      starts,
      indices: Int32Array.from(entries, ([row]) => row),
      values: Float64Array.from(entries, ([, factor]) => factor),
    },
    ...(whole ? { integrality: columns.map((column) => (column.whole ? integer : continuous)) } : {}),
  })
  try {
    // Costs are whole: a plan within less than one of the best is the best.
    model.options.set({ output_flag: false, time_limit: mostSeconds, mip_rel_gap: 0, mip_abs_gap: 1e-6 })
    model.run()
    const status = model.getModelStatus()
    const { modelStatus } = highs.constants
    if (status === modelStatus.infeasible || status === modelStatus.unboundedOrInfeasible)
      return { status: 'impossible' }
    const optimal = status === modelStatus.optimal
    const cost = model.getObjectiveValue()
    if (!optimal && !(whole && Number.isFinite(cost) && cost < highs.infinity)) return { status: 'stopped' }
    const { colValue, rowDual } = model.getSolution()
    if (colValue.length === 0) return { status: 'stopped' }
    return {
      status: optimal ? 'optimal' : 'found',
      cost,
      columns: Array.from(colValue, (value, index) =>
        columns[index]?.whole === true ? Math.round(value) : value,
      ),
      duals: Array.from(rowDual),
    }
  } finally {
    model.dispose()
  }
}
