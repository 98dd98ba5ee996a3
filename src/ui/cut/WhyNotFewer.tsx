import type { CutProblem, PaperProof } from '@/core/cut'
import { mmFromUm } from '@/core/units'
import type { ProjectView } from '@/flows/read/project'
import { formatMoney, formatSheet, minorUnit, numberText, plural, type Preferences } from '../format'

interface WhyNotFewerProps {
  readonly project: Pick<ProjectView, 'cutPlan' | 'papers'>
  readonly preferences: Preferences
}

/** What no plan goes below, paper by paper, with the reckoning that says so. */
export function WhyNotFewer({ project, preferences }: WhyNotFewerProps) {
  const { cutPlan, papers } = project
  // Of projects cut together each tells of its own papers.
  const proofs = (cutPlan?.plan.proofs ?? []).flatMap((proof) => {
    const paper = papers.find(({ id }) => id === proof.paperId)
    return paper ? [{ proof, name: paper.name }] : []
  })
  if (!cutPlan || proofs.length === 0) return null
  return (
    <details>
      <summary className="cursor-pointer py-2">Why not fewer</summary>
      <ul className="mt-1 flex max-w-prose flex-col gap-3">
        {proofs.map(({ proof, name }) => (
          <li key={proof.paperId}>
            <strong>{name}:</strong> {boundWords(proof, cutPlan.problem, preferences)}
          </li>
        ))}
      </ul>
    </details>
  )
}

/** Where sheets of several sizes are counted by their area: in the largest part that measures them all. */
const AREA_PARTS = 'equal parts of their area'

/** Money to a tenth of its smallest coin and less: `0.033 EUR`. */
const exactMoney = (minor: number, preferences: Preferences): string =>
  `${numberText(minor / minorUnit(preferences), preferences)} ${preferences.currency}`

/** What a paper's costs are counted in. */
function costWords(cost: number, { least }: PaperProof, preferences: Preferences): string {
  if (least === 'money') return formatMoney(cost, preferences)
  return least === 'sheets' ? plural(cost, 'sheet') : `${cost} ${AREA_PARTS}`
}

function boundWords(proof: PaperProof, { demands, stock }: CutProblem, preferences: Preferences): string {
  const { multipliers, cost, bound, by, least, paperId } = proof
  const told = (amount: number) => costWords(amount, proof, preferences)
  const own = demands.filter((demand) => demand.paperId === paperId && demand.count > 0)
  const worths = own.map((demand, at) => ({
    demand,
    worth: (multipliers.worth[at] ?? 0) / multipliers.scale,
  }))
  const whole = worths.reduce((sum, { demand, worth }) => sum + demand.count * worth, 0)
  const each = worths
    .filter(({ worth }) => worth > 0)
    .map(({ demand, worth }) => {
      const size = formatSheet(mmFromUm(demand.sizeUm.widthUm), mmFromUm(demand.sizeUm.heightUm), preferences)
      const share = least === 'money' ? exactMoney(worth, preferences) : numberText(worth, preferences)
      return `${demand.count} of ${size} at ${share}`
    })
  const offcuts = stock.some((one) => one.paperId === paperId && one.offcut && one.available > 0)
  const gap = cost > bound ? ` This plan takes ${told(cost)}; whether ${told(bound)} could do is open.` : ''
  if (by === 'all patterns')
    return `every way to cut a sheet that a plan of less than ${told(cost)} could use was looked at, and no such plan exists.${gap}`
  const less = offcuts ? ', less what the offcuts give' : ''
  return `counted as what they take at least, ${each.join(', ')}, the pieces come to ${least === 'money' ? exactMoney(whole, preferences) : `${numberText(whole, preferences)} ${least === 'sheets' ? 'sheets' : AREA_PARTS}`}${less}. No way to cut a sheet holds more than it counts for, so no plan takes less than ${told(bound)}.${gap}`
}
