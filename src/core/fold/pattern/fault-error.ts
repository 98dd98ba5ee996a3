import { CoreError } from '../../errors'
import type { Point } from '../../geometry'
import type { PatternFault } from './crease-pattern'

/** A fault of a pattern as the error of the one who stated the creases. */
export function faultError(
  fault: PatternFault | { readonly code: 'OFF_THE_SHEET'; readonly at: Point },
): CoreError {
  switch (fault.code) {
    case 'ANGLE_SUM':
      return new CoreError(fault.code, {
        name: 'every other angle around a corner',
        value: fault.alternateSumDeg,
        unit: 'degrees',
        min: 180,
        max: 180,
        at: fault.at,
      })
    case 'ODD_DEGREE':
      return new CoreError(fault.code, { name: 'creases at a corner', value: fault.creases, at: fault.at })
    case 'FOLD_PARITY':
      return new CoreError(fault.code, {
        name: 'mountains and valleys at a corner',
        value: `${fault.mountains} and ${fault.valleys}`,
        at: fault.at,
      })
    case 'DANGLING_CREASE':
      return new CoreError(fault.code, { name: 'crease', value: 'ends inside the sheet', at: fault.at })
    case 'CLOSURE_GAP':
      return new CoreError(fault.code, { name: 'gap', value: fault.gap, unit: 'of the side', at: fault.at })
    case 'NO_ORDER': {
      const [at] = fault.at
      return new CoreError(fault.code, {
        name: 'layers',
        value: `faces ${fault.faces.join(', ')} cannot lie flat on one another`,
        ...(at ? { at } : {}),
      })
    }
    case 'STOPPED':
      return new CoreError(fault.code, { name: 'order of layers', value: 'stopped before it was found' })
    case 'OFF_THE_SHEET':
      return new CoreError(fault.code, { name: 'point', value: 'not on the paper', at: fault.at })
  }
}

export const manyOrders = (): CoreError =>
  new CoreError('MANY_ORDERS', { name: 'orders of the layers', value: 'more than one', min: 1, max: 1 })
