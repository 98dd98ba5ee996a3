import type { NextDeed, StationKey } from '@/core/plan'

const WORDS: Readonly<Record<NextDeed, string>> = {
  'write the brief': 'Write the brief',
  'plan the cuts': 'Plan the cuts',
  'get paper': 'Get paper',
  'cut a proof piece': 'Cut a proof piece',
  'judge the proof piece': 'Judge the proof piece',
  'cut sheets': 'Cut sheets',
  'go on folding': 'Continue folding',
  'start folding': 'Start folding',
  join: 'Join',
  'hand over': 'Hand over',
  'nothing left': 'Read the log',
}

export const deedWords = (deed: NextDeed): string => WORDS[deed]

export const deedHref = (projectId: string, station: StationKey): string =>
  `/projects/${projectId}/${station}`
