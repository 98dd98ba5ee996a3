import type { Refusal } from '@/flows/deed'
import type { DatabaseProblem } from '@/data/database-problem'
import { BACKUP_WORDS, TROUBLE_WORDS } from './trouble-words'

type Words = (detail: Refusal['detail']) => string

const NOTHING_KEPT = 'Nothing of this was kept.'

/** What is recorded of a line, as one counts it. */
const HELD: readonly (readonly [key: string, one: string, many: string])[] = [
  ['cuts', 'cut', 'cuts'],
  ['runs', 'run', 'runs'],
  ['joins', 'piece joined', 'pieces joined'],
  ['deliveries', 'hand-over', 'hand-overs'],
  ['shelf', 'movement on the shelf', 'movements on the shelf'],
]

function heldBy(detail: Refusal['detail']): string {
  const told = HELD.flatMap(([key, one, many]) => {
    const count = Number(detail[key] ?? 0)
    return count === 0 ? [] : [`${count} ${count === 1 ? one : many}`]
  })
  return told.length > 1 ? `${told.slice(0, -1).join(', ')} and ${told.at(-1)}` : (told[0] ?? 'something')
}

/** What each refusal means to a person, and what to do next. The only place that says so. */
const WORDS: Readonly<Record<Refusal['code'], Words>> = {
  BUSY: () => `${TROUBLE_WORDS.BUSY} ${NOTHING_KEPT}`,
  FULL: () => `${TROUBLE_WORDS.FULL} ${NOTHING_KEPT}`,
  READ_ONLY: () => `${TROUBLE_WORDS.READ_ONLY} ${NOTHING_KEPT}`,
  GONE: () => `${TROUBLE_WORDS.GONE} ${NOTHING_KEPT}`,
  BROKEN: () => `${TROUBLE_WORDS.BROKEN} ${NOTHING_KEPT}`,
  CROWDED: () => `${TROUBLE_WORDS.CROWDED} ${NOTHING_KEPT}`,
  FIELDS: () => 'Some fields need another look. Nothing was saved yet.',
  NOT_FOUND: () => 'This is no longer there. Load the page again.',
  LINE_IN_USE: ({ line, ...held }) =>
    `${line} already has ${heldBy(held)}, so its line stays. Set its count lower instead.`,
  LINE_BEGUN: ({ line }) =>
    `Pieces of ${line} are cut or folded already: they stay with the version they were begun with.`,
  PAPERS_BEGUN: ({ line }) =>
    `Pieces of ${line} are cut or folded already in the papers it has. Change what is left in the brief.`,
  PAPER_IN_USE: ({ paper, project }) =>
    `${project} plans with ${paper}. Change its brief first, or put the project away.`,
  NOT_ENOUGH_STOCK: () => 'There are not enough sheets of this size in the drawer. Count them, or add more.',
  PLAN_CHANGED: () =>
    'The plan has changed since this page was shown. Look at it again and tick off the new layout.',
  BEING_PLANNED: () =>
    'The cuts are being planned anew just now. Wait until the new layouts are shown, then tick off what you cut.',
  NO_SUCH_PLAN: () => 'What was found cannot be cut from this paper. The plan stays as it was.',
  NOTHING_TO_CUT_TOGETHER: ({ projects = '' }) =>
    projects === ''
      ? 'Choose a project to cut it together with.'
      : `Nothing is to be cut for ${projects} any more. Choose others.`,
  TOO_MANY_TOGETHER: ({ most = 0 }) =>
    `Up to ${most} projects are cut together, those they are cut together with already among them. Choose fewer.`,
  MOVE_IN_USE: ({ projects = 'A project' }) =>
    `${projects} counts with these sheets or has cut them. Take that back first, or count the sheets anew.`,
  MOVE_UNDONE: () => 'This is taken back already.',
  MOVE_OF_CUT: ({ projects = 'its project' }) =>
    `Sheets that were cut come back at the Cut station of ${projects}.`,
  SUPPLY_USED: ({ name = 'It' }) =>
    `${name} of this has been used since, so there is not enough left to take it back. Count it anew.`,
  DRAWER_CHANGED: () =>
    'The drawer has changed since this was shown. Nothing was taken in: look at the rows again.',
  REST_KEPT: () => 'What is left of this piece was put into the drawer already.',
  CUT_IN_USE: ({ waiting = 0, pieces = 0 }) =>
    pieces === 0
      ? 'An offcut of this cut is already used, so it cannot be taken back.'
      : `Only ${waiting} of its ${pieces} pieces are still unfolded, so this cut cannot be taken back.`,
  NOTHING_TO_JOIN: ({ joined = 0 }) => `All that is folded is joined: ${joined}. Fold more first.`,
  NOTHING_JOINED: () => 'Nothing is joined yet.',
  OTHER_PIECES: () =>
    'The brief has other pieces by now than this order. Load the page anew to see them; nothing was changed.',
  NO_ORDER_YET: () => 'There is no earlier order to go back to.',
  PROOF_MISSING: () => 'Cut and fold the proof piece first.',
  PROOF_DONE: () =>
    'This proof piece was cut, judged or passed over already, here or in another window. Load the page again.',
  CHANGED_SINCE: ({ what = 'This' }) =>
    what === 'This brief'
      ? 'This brief was changed since its form was opened, here or in another window. Nothing of yours was kept yet, and what you typed still stands: open the brief anew beside this page, compare, and enter it there.'
      : `${what} changed since this page was opened, here or in another window. Nothing was kept. Load the page again.`,
  RUN_OPEN: () => 'These are being folded already, here or in another window. Go on with that run.',
  RUN_FULL: ({ most = 0 }) =>
    `This run holds ${most.toLocaleString('en')} taps and takes no more. Put it away, and go on with the pieces left in a new one.`,
  ALREADY_CUT: () => 'All sheets of this layout are ticked off already, here or in another window.',
  NOTHING_TO_HAND_OVER: () => 'Say how many pieces go.',
  NOTHING_LEFT_OVER: () => 'There are no good pieces left over here.',
  NOT_ON_THE_SHELF: () => 'These are no longer on the shelf. Load the page again.',
  ALREADY_KEPT: () =>
    'Your press before this one was kept after all; only its answer got lost. Load the page again, look at what is there, and change it from there.',
  BAD_BACKUP: ({ problem, message }) =>
    `${BACKUP_WORDS[problem as DatabaseProblem]} ${message === '' ? 'Nothing was changed.' : message}`,
  WRONG_PASSPHRASE: () => 'This is not the passphrase. Try again.',
  TOO_MANY_TRIES: ({ seconds = 60 }) =>
    `Too many wrong tries. Wait ${seconds} s and try again. Or set a new passphrase on the machine with: npm run passphrase`,
  VALUE: ({ name, value, unit = '', min, max }) =>
    min !== undefined && max !== undefined
      ? `${name} is ${value} ${unit}; it must be from ${min} to ${max} ${unit}.`
      : `${name} cannot be ${value} ${unit}.`,
}

/** Every code there is. */
export const REFUSAL_CODES = Object.keys(WORDS) as readonly Refusal['code'][]

/** Where no answer came at all. */
export const NO_ANSWER = 'Kelpfield did not answer. Nothing was changed; try again in a moment.'

/** A refusal in words. */
export const refusalWords = ({ code, detail }: Pick<Refusal, 'code' | 'detail'>): string =>
  WORDS[code](detail)
