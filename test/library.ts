import { LIBRARY, type DesignDocument, type DesignSource } from '../src/core/design'
import { FOLD_ENGINE_VERSION } from '../src/core/fold'
import { contentHash } from '../src/flows/content-hash'
import { readShippedFigures } from '../src/flows/shipped-figures'

/** Figures of all that ships, as a build has them: made once a run, before all tests (test/global-setup.mjs). */
export const shippedFigures = readShippedFigures(process.env['KELPFIELD_TEST_FIGURES'] ?? '')

/** A design that ships with its sizes; see core/design/measure.test.ts for those themselves. */
export function measured(source: DesignSource): DesignDocument {
  const figures = shippedFigures.get(`${contentHash(source).hash} ${FOLD_ENGINE_VERSION} measured`)
  if (figures === undefined) throw new Error(`no figures of ${source.id}: is it of the library?`)
  return JSON.parse(figures) as DesignDocument
}

/** All of them. */
export const MEASURED: readonly DesignDocument[] = LIBRARY.map(measured)

export function measuredNamed(id: string): DesignDocument {
  const found = MEASURED.find((one) => one.id === id)
  if (!found) throw new Error(`no design ${id}`)
  return found
}
