import { measured } from '../../../test/library'
import { largest } from '@/core/numeric'
import { renderToStaticMarkup } from 'react-dom/server'
import { LIBRARY, mainPart, programOf, drawDesign, gaugeShares, defaultGauges } from '@/core/design'
import type { FoldedEndView } from '@/flows/read/folds'
import { readLibraryQuery, type Query } from '@/schema/designs-query'
import { PREFERENCES } from '../../../test/preferences'
import { LibraryWishes } from './LibraryWishes'
import { Variants } from './Variants'

const text = (markup: string) => markup.replace(/<[^>]+>/g, ' ').replace(/\s+/g, ' ')
const wishes = (query: Query) =>
  renderToStaticMarkup(
    <LibraryWishes
      families={['flower', 'heart']}
      papers={[]}
      asked={readLibraryQuery(query, ['flower', 'heart'], 'cm')}
      unit="cm"
    />,
  )

describe('what the library is asked for', () => {
  test('nothing asked: nothing to take back', () => {
    expect(text(wishes({}))).not.toContain('Show all')
    expect(wishes({})).toContain('<option value="" selected="">all</option>')
  })
  test('what was asked stays to be seen, and can be taken back', () => {
    const markup = wishes({ family: 'heart', minutes: '45', only: 'paper', sheet: '12' })
    expect(markup).toContain('<option value="heart" selected="">hearts</option>')
    expect(markup).toContain('value="45"')
    expect(markup).toMatch(/<input type="checkbox"[^>]*checked=""/)
    expect(text(markup)).toContain('Show all')
  })
  test('a slip says so at its field and stays to be mended', () => {
    const markup = wishes({ minutes: 'long', sheet: 'big' })
    expect(markup).toContain('value="long"')
    expect(markup).toContain('aria-invalid="true"')
    expect(text(markup)).toContain('Enter minutes from 1 to 10000, or leave it empty.')
  })
})

function endsOf(id: string): {
  readonly ends: Record<string, FoldedEndView>
  readonly found: (typeof LIBRARY)[number]
} {
  const found = LIBRARY.find((design) => design.id === id)
  if (!found) throw new Error(id)
  const ends: Record<string, FoldedEndView> = {}
  for (const variant of found.variants) {
    const program = programOf(mainPart(found), variant)
    if (!program) continue
    const shares = gaugeShares(found, defaultGauges(found), 150)
    const { front, back, assembled, moves } = drawDesign(program, variant.assembly, shares)
    ends[variant.key] = {
      program,
      shares,
      sideUp: mainPart(found).sideUp,
      front: assembled?.front ?? front,
      back: assembled?.back ?? back,
      forms: null,
      joining: assembled?.joining ?? null,
      sight: assembled?.sight ?? null,
      mostLayers: largest(moves.map(({ figures }) => figures.after.mostLayers)),
      hardest: [],
    }
  }
  return { ends, found }
}
const side = (id: string) => {
  const { ends, found } = endsOf(id)
  return renderToStaticMarkup(
    <Variants
      design={measured(found)}
      ends={ends}
      facesFor={() => ({ front: '#c4491d', back: '#ffffff' })}
      sheetMm={150}
      preferences={PREFERENCES}
    />,
  )
}

describe('variants side by side', () => {
  test('each with its picture, folds, units, size and mark, and the way to its steps', () => {
    const markup = side('ring-star')
    expect(markup.match(/<svg/g)).toHaveLength(3)
    expect(markup).toContain('href="/designs/ring-star/steps?variant=nine"')
    const said = text(markup)
    expect(said).toContain('nine units 5 folds x 9, 4 layers')
    expect(said).toContain('mark at')
  })
  test('the leaf, halved and open, differ in their width', () => {
    const said = text(side('narrow-leaf'))
    expect(said).toContain('halved 6 folds, 8 layers')
    expect(said).toContain('left open 5 folds, 4 layers')
  })
  test('a design of one variant has nothing to hold against it', () => {
    expect(side('tulip')).toBe('')
  })
})
