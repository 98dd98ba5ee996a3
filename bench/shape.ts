import { defaultGauges, finishedForm, gaugeShares, LIBRARY, shownSheetMm } from '../src/core/design'
import { checkForm, crossingsOf, DEEPEST_CROSSING, GATES, paintForm, VIEWS } from '../src/core/shape'
import { largest } from '../src/core/numeric'
import { toPng } from '../src/formats/painted/png'
import { report, percentile, timeRuns } from './figures'

const RUNS = 3
const ACROSS_PX = 400

/** Every variant that hands shape, at its own gauges. */
const shaped = LIBRARY.flatMap((design) =>
  design.variants.flatMap(({ key, name }) => {
    const sheetMm = shownSheetMm(design)
    const settings = { gauges: gaugeShares(design, defaultGauges(design), sheetMm), sheetMm }
    const form = () => finishedForm(design, key, settings)
    const made = form()
    return made && made.shapedBy.length > 0
      ? [{ name: `${design.name}, ${name}`, form, made: made.form }]
      : []
  }),
)
const worst = <Found extends { readonly ms: number }>(found: readonly Found[]): Found | undefined =>
  [...found].sort((one, other) => other.ms - one.ms)[0]

console.log(`\nShaped forms: ${shaped.length} variants, folded and shaped (median of ${RUNS})`)
const forms = shaped.map(({ name, form }) => ({ name, ms: percentile(timeRuns(RUNS, form), 0.5) }))
report(`worst: ${worst(forms)?.name ?? ''}`, worst(forms)?.ms ?? 0, 'ms', 2000)
report(
  'median',
  percentile(
    forms.map(({ ms }) => ms),
    0.5,
  ),
  'ms',
  null,
)
const checks = shaped.map(({ made }) => checkForm(made))
report(
  'worst mean strain, per thousand',
  1000 * largest(checks.map((one) => one.meanStrain)),
  '',
  1000 * GATES.meanStrain,
)
report(
  'worst strain, per cent',
  100 * largest(checks.map((one) => one.worstStrain)),
  '',
  100 * GATES.worstStrain,
)
report(
  'deepest crossing of faces, per thousand of the side',
  1000 * largest(shaped.map(({ made }) => crossingsOf(made)[0]?.depth ?? 0)),
  '',
  1000 * DEEPEST_CROSSING,
)

console.log(`\nPainted from three sides, ${ACROSS_PX} pixels across (median of ${RUNS})`)
const painted = shaped.map(({ name, made }) => {
  const before = process.memoryUsage().rss
  const ms = percentile(
    timeRuns(RUNS, () => paintForm(made, VIEWS, ACROSS_PX)),
    0.5,
  )
  const bytes = paintForm(made, VIEWS, ACROSS_PX).reduce((sum, view) => sum + toPng(view).length, 0)
  return { name, ms, bytes, grown: (process.memoryUsage().rss - before) / 1e6 }
})
report(`worst: ${worst(painted)?.name ?? ''}`, worst(painted)?.ms ?? 0, 'ms', 3000)
report(
  'median',
  percentile(
    painted.map(({ ms }) => ms),
    0.5,
  ),
  'ms',
  null,
)
report('three pictures as files, largest', largest(painted.map(({ bytes }) => bytes)) / 1000, 'kB', null)
report('memory of the process', process.memoryUsage().rss / 1e6, 'MB', null)
