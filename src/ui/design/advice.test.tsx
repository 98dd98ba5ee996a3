import { MEASURED } from '../../../test/library'
import { renderToStaticMarkup } from 'react-dom/server'
import { defaultGauges, drawDesign, LIBRARY, mainPart, programOf, variantOf } from '@/core/design'
import type { FoldedEndView } from '@/flows/read/folds'
import type { DrawerPaper } from '@/flows/read/papers'
import { PREFERENCES } from '../../../test/preferences'
import { AssemblyWords, GuideWords, LayOut, MarkWords } from './GuideWords'
import { JoiningFigures } from './JoiningFigures'
import { SizeAdvice, expectedWords } from './SizeAdvice'
import { StepList } from './StepList'

const DESIGNS = MEASURED
const design = (id: string) => {
  const found = DESIGNS.find((one) => one.id === id)
  if (!found) throw new Error(id)
  return found
}
const paper = (caliperMm: number, widthMm = 210, heightMm = 297): DrawerPaper => ({
  id: 'p',
  name: 'Buoy Orange',
  frontColour: '#c4491d',
  backColour: '#ffffff',
  feel: 'copier',
  pattern: 'plain',
  texture: 'smooth',
  grain: 'unknown',
  turnable: true,
  toleranceMm: null,
  feelLabel: 'copier paper',
  grammageGsm: 80,
  caliperMm,
  caliperMeasuredMm: null,
  note: '',
  sheets: [
    {
      stockItemId: 's',
      widthMm,
      heightMm,
      formatLabel: 'A4',
      offcut: false,
      amount: 3,
      priceMinor: null,
      soldAs: '',
      forStems: false,
      grain: null,
    },
  ],
})
const hardest: FoldedEndView['hardest'] = [
  { says: 'Tip of the neck down inside', layers: 8, lengthShare: 0.024, pieceShare: 1 },
]
// What the advice reads of an end; the pictures are not looked at here.
const end = { hardest } as unknown as FoldedEndView
const text = (markup: string) => markup.replace(/<[^>]+>/g, ' ').replace(/\s+/g, ' ')
const advice = (id: string, sheetMm: number, change: { paper?: DrawerPaper; end?: FoldedEndView } = {}) => {
  const one = design(id)
  return text(
    renderToStaticMarkup(
      <SizeAdvice
        design={one}
        variant={variantOf(one, one.variants[0]?.key ?? '')}
        sheetMm={sheetMm}
        gauges={defaultGauges(one)}
        end={change.end}
        paper={change.paper}
        preferences={PREFERENCES}
      />,
    ),
  )
}

test('too small to fold: which fold, how thick, and the smallest that works', () => {
  const said = advice('crane', 60, { paper: paper(0.07), end })
  expect(said).toContain('Too small to fold')
  expect(said).toContain('Tip of the neck down inside')
  expect(said).toContain('8 layers make 0.56 mm')
  expect(said).toContain('7 cm')
  expect(advice('crane', 71, { paper: paper(0.07), end })).not.toContain('Too small')
})
test('too small to hold: how long the piece would be', () => {
  const small: FoldedEndView['hardest'] = [
    { says: 'Corner in', layers: 4, lengthShare: 0.35, pieceShare: 0.354 },
  ]
  const said = advice('corner-folded-rosette', 30, {
    paper: paper(0.07),
    end: { hardest: small } as unknown as FoldedEndView,
  })
  expect(said).toContain('the piece is only 10.62 mm long, too little to hold')
})
test('too thick: how thick, and what works', () => {
  const said = advice('crane', 150, { paper: paper(0.14), end })
  expect(said).toContain('Buoy Orange is too thick: 8 layers make 1.12 mm')
  expect(said).toContain('Sheets up to 0.09 mm work')
})
test('too large for the drawer: the largest it gives, and its size', () => {
  const said = advice('simple-heart', 260, { paper: paper(0.1) })
  expect(said).toContain('Too large for any sheet of Buoy Orange')
  expect(said).toContain('The largest square it gives is 21 cm: 16.7 cm wide')
  expect(advice('simple-heart', 210, { paper: paper(0.1) })).toContain('The drawer gives 3 squares')
  // A strip a quarter as high as wide may lie along the sheet.
  expect(advice('rolled-stem', 297, { paper: paper(0.1) })).toContain('The drawer gives 6 pieces')
})
test('a rolled stem tells its stick and its hole, or that there is no room', () => {
  const rolled = { hardest: [], mostLayers: 8 } as unknown as FoldedEndView
  const said = advice('rolled-stem', 150, { paper: paper(0.07), end: rolled })
  expect(said).toContain('a stick of up to 2.22 mm goes in')
  expect(said).toContain('The hole it goes through: 3.18 mm')
  expect(advice('rolled-stem', 40, { paper: paper(0.14), end: rolled })).toContain(
    'leaves no room for a stick',
  )
  expect(advice('narrow-leaf', 75, { paper: paper(0.07) })).not.toContain('stick')
})
test('what to buy next to it, and a family from one sheet', () => {
  const said = advice('simple-heart', 124, { paper: paper(0.1) })
  expect(said).toContain('10 cm 8 cm wide')
  expect(said).toContain('15 cm 11.9 cm wide')
  expect(said).toContain('A family of sizes from one A4')
  expect(said).toContain('2 of 8.7 cm')
})
test('ranges say what they rest on', () => {
  const words = (basis: 'flat' | 'shaping' | 'one sample' | 'samples') =>
    expectedWords({ lowMm: 40, highMm: 50, basis, meanMm: 45, spreadMm: 1.234, count: 3 }, PREFERENCES)
  expect(words('flat').says).toBeNull()
  expect(words('shaping')).toEqual({ range: '4 cm to 5 cm', says: 'estimated after shaping' })
  expect(words('one sample').says).toContain('one of yours came out at 4.5 cm')
  expect(words('samples').says).toBe('narrowed by 3 samples of yours: 4.5 cm on average, spread 1.23 mm')
})
test('marks on the strip of the day, with their sums', () => {
  const [part] = design('message-heart').parts
  const marks = part?.marks
  const said = marks
    ? text(renderToStaticMarkup(<MarkWords marks={marks} sheetMm={240} preferences={PREFERENCES} />))
    : ''
  expect(said).toContain('Marks on a strip of 24 cm')
  expect(said).toContain('end 1.5 cm')
  expect(said).toContain('1.5 cm + 4.5 cm = 6 cm')
  expect(said).toContain('2 x 1.5 cm + 21 cm = 24 cm')
})
test('joining: first, each and last, the turn and the mark', () => {
  const nine = variantOf(design('ring-star'), 'nine')
  const source = LIBRARY.find(({ id }) => id === 'ring-star')!
  const drawn = drawDesign(programOf(mainPart(source), variantOf(source, 'nine'))!, nine.assembly)
  const said = nine.assembly
    ? text(
        renderToStaticMarkup(
          <AssemblyWords
            assembly={nine.assembly}
            partName="unit"
            sightMm={68.4}
            mount={null}
            joins={
              <JoiningFigures
                joining={drawn.assembled!.joining}
                says={nine.assembly.says}
                faces={{ front: '#c4481b', back: '#f6e3d4' }}
                leftHanded={false}
                length={(share) => `${(share * 150).toFixed(1)} mm`}
              />
            }
            preferences={PREFERENCES}
          />,
        ),
      )
    : ''
  expect(said).toContain('Joining 9 units')
  expect(said).toContain('40 degrees from one to the next; 9 of them close the round')
  expect(said).toContain('of the star: 6.8 cm')
  for (const join of ['First join', 'Every join', 'Last join']) expect(said).toContain(join)
})
test.each(DESIGNS)('$id: laid out, tried, mended and told in full', (one) => {
  const laid = text(
    renderToStaticMarkup(<LayOut design={one} sheetMm={150} end={end} preferences={PREFERENCES} />),
  )
  expect(laid).toContain('Tools fingernail')
  expect(laid).toContain(one.guide?.adhesive === null ? 'it holds by its folds' : 'dries')
  const words = text(renderToStaticMarkup(<GuideWords design={one} />))
  expect(one.guide?.rescue.length).toBeGreaterThan(0)
  for (const { symptom, remedy } of one.guide?.rescue ?? []) {
    expect(words).toContain(symptom)
    expect(words).toContain(remedy)
  }
  for (const { match } of one.gauges) expect(match?.length).toBeGreaterThan(0)
  const steps = one.parts.flatMap(({ stages }) => stages.flatMap((stage) => stage.steps))
  expect(steps.some(({ look }) => look)).toBe(true)
  const [variant] = one.variants
  expect(variant && text(renderToStaticMarkup(<StepList design={one} variant={variant} />))).toContain(
    'Look before you go on',
  )
})
