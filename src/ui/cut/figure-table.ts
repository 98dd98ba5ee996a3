import type { PlanFigures } from '@/core/cut'
import { sheetsText } from '../format'
import { figure } from '../table/cells'
import type { TableColumn } from '../table/DataTable'

/** Columns of a table in which plans of the same pieces stand one under the other. */
export const FIGURE_COLUMNS: readonly TableColumn[] = [
  { key: 'name', header: 'Cuts' },
  { key: 'sheets', header: 'Takes' },
  { key: 'layouts', header: 'Layouts', right: true },
  { key: 'cuts', header: 'Cuts in all', right: true },
  { key: 'settings', header: 'Distances to set', right: true },
  { key: 'rest', header: 'Largest rest (cm²)', right: true },
  { key: 'missing', header: 'Pieces missing', right: true },
]

export const figureRow = (name: string, figures: PlanFigures) => ({
  id: name,
  cells: {
    name,
    sheets: sheetsText(figures.sheets, figures.offcuts),
    layouts: figure(figures.layouts),
    cuts: figure(figures.cuts),
    settings: figure(figures.settings),
    rest: figure(Math.round(figures.largestRestUm2 / 1e8)),
    missing: figure(figures.missing),
  },
})
