import type { PatternFault } from '@/core/fold'
import type { Point } from '@/core/geometry'

const degrees = (value: number): string => `${Math.round(value * 1e4) / 1e4}`

/** A fault of a pattern at the table: what is wrong there and what would mend it. */
export function faultWords(fault: PatternFault): string {
  switch (fault.code) {
    case 'ANGLE_SUM':
      return `Every other angle around this corner makes ${degrees(fault.alternateSumDeg)} degrees; it must be 180 for the paper to lie flat.`
    case 'ODD_DEGREE':
      return `${fault.creases} folded creases meet here; only an even number can lie flat.`
    case 'FOLD_PARITY':
      return `${fault.mountains} mountains and ${fault.valleys} valleys meet here; they must differ by two.`
    case 'DANGLING_CREASE':
      return 'A crease ends here inside the paper. Lead it on, or make it flat (F).'
    case 'CLOSURE_GAP':
      return `Folded around, the paper does not meet itself again here: ${fault.gap.toPrecision(2)} of the sheet are missing.`
    case 'NO_ORDER':
      return 'However these layers are ordered, paper passes through paper.'
    case 'STOPPED':
      return 'No order of the layers was found in the tries allowed. Give the creases their letters, or the file its faceOrders.'
  }
}

export function faultPlaces(fault: PatternFault): readonly Point[] {
  if (fault.code === 'STOPPED') return []
  return fault.code === 'NO_ORDER' ? fault.at : [fault.at]
}
