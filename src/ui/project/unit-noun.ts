import type { ProjectView } from '@/flows/read/project'

/** What a project's folded things are called: units where any piece is made of several. */
export const unitNoun = ({ lines }: Pick<ProjectView, 'lines'>): 'piece' | 'unit' =>
  lines.some(({ unitsPerPiece }) => unitsPerPiece > 1) ? 'unit' : 'piece'
