import type { ReactNode } from 'react'
import { OCCASIONS } from '@/core/arrange'
import type { FlowContext } from '@/flows/flow-context'
import type { DesignChoice } from '@/flows/read/brief-designs'
import type { DrawerPaper } from '@/flows/read/papers'
import { readEarlier } from '@/flows/read/project-list'
import { readStarts, type StartView } from '@/flows/read/starts'
import type { Query } from '@/schema/designs-query'
import { countText, optionalText } from '@/schema/fields'
import type { BeginningKind } from '@/schema/new-project-query'
import { OCCASION_NAMES, occasionSays } from '@/ui/brief/occasion-words'
import { ChoicePicture } from '@/ui/piece/ChoicePicture'
import { Field } from '@/ui/forms/Field'
import { countOf, formatDay, formatDuration, formatLength, type Preferences } from '@/ui/format'
import { Link } from '@/ui/shell/Link'

interface StartsProps {
  readonly context: FlowContext
  readonly from: BeginningKind
  /** Whether there is something to choose now; else the brief is begun. */
  readonly open: boolean
  readonly query: Query
  readonly choices: readonly DesignChoice[]
  readonly papers: readonly DrawerPaper[]
  readonly eveningMinutes: number
  readonly preferences: Preferences
}

const WORDS: readonly (readonly [BeginningKind, string])[] = [
  ['piece', 'With a piece'],
  ['occasion', 'With an occasion'],
  ['stack', 'With a stack of paper'],
  ['evening', 'With an evening'],
  ['before', 'Like an earlier one'],
]

/** Ways to begin, and what can be chosen of the one that is looked at. */
export async function Starts(props: StartsProps) {
  const { from, open } = props
  return (
    <>
      <nav aria-label="How to begin" className="mb-6 flex flex-wrap gap-x-6 gap-y-2">
        {WORDS.map(([kind, words]) => (
          <Link
            key={kind}
            href={kind === 'piece' ? '/projects/new' : `/projects/new?from=${kind}`}
            aria-current={kind === from ? 'page' : undefined}
            className={kind === from ? 'border-b-2 border-primary font-semibold' : 'underline'}
          >
            {words}
          </Link>
        ))}
      </nav>
      {open ? await chosenFrom(props) : null}
    </>
  )
}

function chosenFrom(props: StartsProps): Promise<ReactNode> | ReactNode {
  switch (props.from) {
    case 'piece':
      return null
    case 'occasion':
      return <Occasions {...props} />
    case 'stack':
      return <FromStack {...props} />
    case 'evening':
      return <FromEvening {...props} />
    case 'before':
      return <Earlier {...props} />
  }
}

const CARD =
  'sheet-panel flex h-full items-center gap-4 p-4 hover:underline focus-visible:outline-2 focus-visible:outline-accent'

const Cards = ({ label, children }: { readonly label: string; readonly children: ReactNode }) => (
  <ul aria-label={label} className="grid gap-4 sm:grid-cols-2 tablet:grid-cols-3">
    {children}
  </ul>
)

/** What is usually made for an occasion; every number can be changed after. */
function Occasions({ choices, preferences }: StartsProps) {
  return (
    <Cards label="Occasions">
      {OCCASIONS.flatMap((occasion) => {
        const design = choices.find(({ id }) => id === occasion.designId)
        return design
          ? [
              <li key={occasion.key}>
                <Link href={`/projects/new?occasion=${occasion.key}`} className={CARD}>
                  <ChoicePicture choice={design} className="h-20 w-20 shrink-0" />
                  <span>
                    <strong className="block text-lg">{OCCASION_NAMES[occasion.key]}</strong>
                    {occasionSays(occasion, design.name.toLowerCase(), preferences)}
                  </span>
                </Link>
              </li>,
            ]
          : []
      })}
    </Cards>
  )
}

/** So many pieces of each design, ready to be planned. */
function StartCards({
  starts,
  choices,
  paperId,
  preferences,
}: Pick<StartsProps, 'choices' | 'preferences'> & {
  readonly starts: readonly StartView[]
  readonly paperId: string | null
}) {
  if (starts.length === 0) return <p>Nothing can be folded of that. Ask with more of it.</p>
  return (
    <Cards label="What it can become">
      {starts.map(({ designId, name, pieces, sizeMm, sizeLabel, seconds }) => {
        const asked = new URLSearchParams({
          design: designId,
          pieces: String(pieces),
          size: sizeMm.toFixed(2),
          ...(paperId === null ? {} : { papers: paperId }),
        })
        return (
          <li key={designId}>
            <Link href={`/projects/new?${asked.toString()}`} className={CARD}>
              <ChoicePicture
                choice={choices.find(({ id }) => id === designId)}
                className="h-20 w-20 shrink-0"
              />
              <span>
                <strong className="block text-lg">{countOf(pieces, name.toLowerCase())}</strong>
                {formatLength(sizeMm, preferences)} {sizeLabel},{' '}
                <span className="second">{formatDuration(seconds)}</span>
              </span>
            </Link>
          </li>
        )
      })}
    </Cards>
  )
}

const textOf = (query: Query, key: string): string => {
  const value = query[key]
  return typeof value === 'string' ? value : ''
}

const sheetsThere = optionalText(countText({ name: 'how many sheets', min: 1, max: 10_000 }))
const minutesThere = optionalText(countText({ name: 'the minutes', min: 1, max: 10_000 }))

/** What is asked for, or what is wrong with it; what stands open is the usual. */
function readCount(schema: typeof sheetsThere, text: string, usual: number) {
  const parsed = schema.safeParse(text)
  return parsed.success
    ? { count: parsed.data ?? usual, error: undefined }
    : { count: null, error: parsed.error.issues[0]?.message }
}

/** What a stack of one paper becomes. */
async function FromStack({ context, query, choices, papers, preferences }: StartsProps) {
  const paper = papers.find(({ id }) => id === textOf(query, 'paper')) ?? papers[0]
  if (!paper) return null
  const there = paper.sheets.reduce((sum, { amount, offcut }) => (offcut ? sum : sum + amount), 0)
  const { count: sheets, error } = readCount(sheetsThere, textOf(query, 'sheets'), there)
  const starts =
    sheets === null ? null : await readStarts(context, { minutes: null, paper: stackOf(paper, sheets) })
  return (
    <>
      <Ask from="stack">
        <Field id="stack-paper" label="Paper">
          {(aria) => (
            <select {...aria} name="paper" className="select w-48" defaultValue={paper.id}>
              {papers.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </select>
          )}
        </Field>
        <Field id="stack-sheets" label="Sheets of it" hint={`${there} in the drawer.`} error={error}>
          {(aria) => (
            <input
              {...aria}
              name="sheets"
              inputMode="numeric"
              className="input w-28"
              defaultValue={textOf(query, 'sheets')}
            />
          )}
        </Field>
      </Ask>
      {starts ? (
        <StartCards starts={starts} choices={choices} paperId={paper.id} preferences={preferences} />
      ) : null}
    </>
  )
}

/** So many sheets of a paper, the largest first; more than there are would be bought in the largest size. */
function stackOf(paper: DrawerPaper, sheets: number): DrawerPaper {
  const largestFirst = paper.sheets
    .filter(({ offcut }) => !offcut)
    .sort((one, other) => other.widthMm * other.heightMm - one.widthMm * one.heightMm)
  let left = sheets
  const taken = largestFirst.map((sheet) => {
    const amount = Math.min(left, sheet.amount)
    left -= amount
    return { ...sheet, amount }
  })
  return {
    ...paper,
    sheets: taken.map((sheet, at) => (at === 0 ? { ...sheet, amount: sheet.amount + left } : sheet)),
  }
}

/** What the hours of an evening are enough for. */
async function FromEvening({ context, query, choices, eveningMinutes, preferences }: StartsProps) {
  const { count: minutes, error } = readCount(minutesThere, textOf(query, 'minutes'), eveningMinutes)
  const starts = minutes === null ? null : await readStarts(context, { minutes, paper: null })
  return (
    <>
      <Ask from="evening">
        <Field
          id="evening-minutes"
          label="Minutes"
          hint={minutes === null ? undefined : `${formatDuration(minutes * 60)}.`}
          error={error}
        >
          {(aria) => (
            <input
              {...aria}
              name="minutes"
              inputMode="numeric"
              className="input w-28"
              defaultValue={textOf(query, 'minutes') || String(eveningMinutes)}
            />
          )}
        </Field>
      </Ask>
      {starts ? (
        <StartCards starts={starts} choices={choices} paperId={null} preferences={preferences} />
      ) : null}
    </>
  )
}

/** A form that only changes the address. */
const Ask = ({ from, children }: { readonly from: BeginningKind; readonly children: ReactNode }) => (
  <form method="get" className="mb-6 flex flex-wrap items-start gap-4" aria-label="What there is">
    <input type="hidden" name="from" value={from} />
    {children}
    <button className="btn mt-6 btn-primary">What can it become?</button>
  </form>
)

/** Projects of before, the last planned first. */
async function Earlier({ context, preferences }: StartsProps) {
  const projects = await readEarlier(context)
  if (projects.length === 0) return <p>There is no earlier project yet.</p>
  return (
    <ul aria-label="Earlier projects" className="flex flex-col">
      {projects.map(({ id, name, dueOn }) => (
        <li key={id} className="border-t hairline last:border-b">
          <Link
            href={`/projects/new?like=${id}`}
            className="flex flex-wrap items-baseline justify-between gap-x-6 py-3 hover:underline"
          >
            <strong className="text-lg">{name}</strong>
            <span className="second">{dueOn === null ? 'no date' : formatDay(dueOn, preferences)}</span>
          </Link>
        </li>
      ))}
    </ul>
  )
}
