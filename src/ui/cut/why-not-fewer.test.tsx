import { renderToStaticMarkup } from 'react-dom/server'
import { PREFERENCES } from '../../../test/preferences'
import { planExactly, type CutProblem } from '@/core/cut'
import { theSolver } from '@/solvers/on-the-server'
import { WhyNotFewer } from './WhyNotFewer'

const problem = (priceMinor: number | null): CutProblem => ({
  demands: [
    { key: 'd', paperId: 'p', sizeUm: { widthUm: 74_250, heightUm: 74_250 }, count: 41, turnable: true },
  ],
  stock: [
    {
      stockId: 's',
      paperId: 'p',
      sizeUm: { widthUm: 210_000, heightUm: 297_000 },
      available: 20,
      offcut: false,
      priceMinor,
    },
  ],
})
const says = async (priceMinor: number | null) => {
  const asked = problem(priceMinor)
  const plan = planExactly(asked, await theSolver())
  const project = { cutPlan: { plan, problem: asked }, papers: [{ id: 'p', name: 'Tidewater' }] }
  return renderToStaticMarkup(<WhyNotFewer project={project as never} preferences={PREFERENCES} />)
}

test('41 squares of 74.25 mm, eight to an A4: counted as an eighth each they come to 5.125 sheets, so six (by hand)', async () => {
  const words = await says(null)
  expect(words).toContain('Tidewater')
  expect(words).toContain('at 0.125')
  expect(words).toContain('come to 5.125 sheets')
  expect(words).toContain('no plan takes less than 6 sheets')
})

test('in money: 14 cents a sheet make 1.75 cents a square, and no plan is below 84 cents', async () => {
  const words = await says(14)
  expect(words).toContain(`at 0.018 ${PREFERENCES.currency}`)
  expect(words).toContain('0.84')
})
