import { MEASURED } from '../../test/library'
import { renderToStaticMarkup } from 'react-dom/server'
import { planByRule } from '@/core/cut'
import { defaultGauges } from '@/core/design'
import { Silhouette } from './design/Silhouette'
import { Field } from './forms/Field'
import { CountList } from './logbook/CountList'
import { CutDrawing } from './cut/CutDrawing'
import { EmptyState } from './shell/EmptyState'

const DESIGNS = MEASURED

const numbersIn = (text: string): readonly number[] =>
  (text.match(/-?\d+(\.\d+)?(e-?\d+)?/g) ?? []).map(Number)

describe.each(DESIGNS.flatMap((design) => design.variants.map((variant) => ({ design, variant }))))(
  'silhouette of $design.name, $variant.name',
  ({ design, variant }) => {
    const svg = renderToStaticMarkup(
      <Silhouette
        design={design}
        variantKey={variant.key}
        sheetMm={150}
        gauges={defaultGauges(design)}
        colour="#2c6e7f"
      />,
    )
    test('lies inside its frame and is named', () => {
      const [left = 0, top = 0, width = 0, height = 0] = numbersIn(/viewBox="([^"]+)"/.exec(svg)?.[1] ?? '')
      const points = numbersIn(/points="([^"]+)"/.exec(svg)?.[1] ?? '')
      expect(points).toHaveLength(2 * variant.outline.length)
      points.forEach((value, index) => {
        const [from, size] = index % 2 === 0 ? [left, width] : [top, height]
        expect(value).toBeGreaterThan(from)
        expect(value).toBeLessThan(from + size)
      })
      expect(svg).toContain(`aria-label="Outline of the ${design.name}"`)
    })
  },
)

test('a cut drawing shows every piece of the layout, none over the edge', () => {
  const piece = { widthUm: 74_250, heightUm: 74_250 }
  const sizeUm = { widthUm: 210_000, heightUm: 297_000 }
  const plan = planByRule({
    demands: [{ key: 'd', paperId: 'p', sizeUm: piece, count: 8, turnable: true }],
    stock: [{ stockId: 'a', paperId: 'p', sizeUm, available: 1, offcut: false }],
  })
  const [layout] = plan.layouts
  if (!layout) throw new Error('no layout')
  const svg = renderToStaticMarkup(
    <CutDrawing
      layout={layout}
      sizes={new Map([['d', piece]])}
      colour="#7f9563"
      describe="8 squares from each"
    />,
  )
  const cells = [...svg.matchAll(/<rect x="(\d+)" y="(\d+)" width="74250" height="74250"/g)]
  expect(cells).toHaveLength(8)
  for (const [, x, y] of cells) {
    expect(Number(x) + 74_250).toBeLessThanOrEqual(297_000)
    expect(Number(y) + 74_250).toBeLessThanOrEqual(210_000)
  }
  expect(new Set(cells.map(([, x, y]) => `${x},${y}`)).size).toBe(8)
})

test('a field tells its control which texts describe it, and marks an error', () => {
  const markup = renderToStaticMarkup(
    <Field id="size" label="Size" hint="In cm." error="Enter the size.">
      {(aria) => <input {...aria} />}
    </Field>,
  )
  expect(markup).toContain('for="size"')
  expect(markup).toContain('aria-invalid="true"')
  expect(markup).toContain('aria-describedby="size-hint size-error"')
  expect(markup).toContain('id="size-error"')
})

test('counts are said as numbers too; nothing is said in words', () => {
  const bars = renderToStaticMarkup(
    <CountList
      title="By grade"
      rows={[
        ['good', 60],
        ['back row', 3],
      ]}
      empty="None."
    />,
  )
  expect(bars).toContain('<dt>back row</dt><dd>3</dd>')
  expect(renderToStaticMarkup(<CountList title="By grade" rows={[]} empty="None yet." />)).toContain(
    'None yet.',
  )
})

test('an empty state without a deed has no dead button', () => {
  expect(renderToStaticMarkup(<EmptyState title="Nothing" text="Here." />)).not.toContain('<a')
})
