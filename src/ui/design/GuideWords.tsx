import type { ReactNode } from 'react'
import { largest } from '@/core/numeric'
import { Link } from '../shell/Link'
import {
  thickestCaliperMm,
  type Assembly,
  type DesignDocument,
  type GaugeMatch,
  type Marks,
} from '@/core/design'
import type { FoldedEndView } from '@/flows/read/folds'
import { formatExact, formatLength, formatLimit, plural, type Preferences } from '../format'

const MATCHES: Readonly<Record<GaugeMatch, string>> = {
  neighbour: 'hold it beside its neighbour',
  halve: 'fold the piece in half and compare',
  'lay over': 'lay it over the finished sample',
  landmark: 'bring it to a line that is there',
}

const SKILL_WORDS = { easy: 'Easy', steady: 'Wants a steady hand', demanding: 'Demanding' } as const

/** What to lay out before the first fold. */
export function LayOut({
  design,
  sheetMm,
  end,
  preferences,
}: {
  readonly design: DesignDocument
  readonly sheetMm: number
  readonly end: FoldedEndView | undefined
  readonly preferences: Preferences
}) {
  const { guide } = design
  if (!guide) return null
  const { skill, tools, supplies, adhesive, dryingMinutes } = guide
  const size = (share: number) => formatExact(Math.round(share * sheetMm * 10) / 10, preferences)
  return (
    <section aria-labelledby="lay-out">
      <h2 id="lay-out" className="text-2xl">
        Lay out
      </h2>
      <dl className="mt-2">
        <Row name="Skill">{SKILL_WORDS[skill]}</Row>
        <Row name="Tools">{tools.join(', ')}</Row>
        <Row name="Beside the paper">
          {supplies.length === 0
            ? 'nothing'
            : supplies
                .map(
                  ({ name, perPiece, size: shares }) =>
                    `${perPiece === 1 ? '' : `${perPiece} x `}${name}${shares ? `, ${size(shares.width)} x ${size(shares.height)}` : ''}`,
                )
                .join('; ')}
        </Row>
        <Row name="Glue">
          {adhesive === null
            ? 'none: it holds by its folds'
            : `${adhesive}${dryingMinutes > 0 ? `; dries ${plural(dryingMinutes, 'minute')}` : ''}`}
        </Row>
        {end ? (
          <Row name="Paper">
            up to {formatLimit(thickestCaliperMm(end.hardest))} a sheet:{' '}
            {plural(largest(end.hardest.map(({ layers }) => layers)), 'layer')} at most in one fold
          </Row>
        ) : null}
        <Row name="Source">{design.origin}</Row>
      </dl>
    </section>
  )
}

/** How to match, what to try, what to mind, and what to do when it goes wrong. */
export function GuideWords({ design }: { readonly design: DesignDocument }) {
  const { guide } = design
  if (!guide) return null
  const { test, cautions, rescue } = guide
  return (
    <div className="mt-10 grid gap-x-10 gap-y-8 tablet:grid-cols-[1fr_1.6fr]">
      <section aria-labelledby="try-it">
        <h2 id="try-it" className="text-2xl">
          Try it
        </h2>
        <p className="mt-2">{test}</p>
        {design.gauges.some(({ match }) => match) ? (
          <dl className="mt-4">
            {design.gauges.map(({ key, name, match = [] }) => (
              <Row key={key} name={`Match the ${name}`}>
                {[...match.map((way) => MATCHES[way]), 'or measure it'].join('; ')}
              </Row>
            ))}
          </dl>
        ) : null}
        {cautions.length === 0 ? null : (
          <ul className="note mt-4 flex flex-col gap-1">
            {cautions.map((caution) => (
              <li key={caution}>{caution}</li>
            ))}
          </ul>
        )}
      </section>
      <section aria-labelledby="rescue">
        <h2 id="rescue" className="text-2xl">
          When it goes wrong
        </h2>
        <dl className="mt-2 grid gap-x-10 tablet:grid-cols-2">
          {rescue.map(({ symptom, remedy }) => (
            <div key={symptom} className="border-t hairline py-3">
              <dt className="font-semibold">{symptom}</dt>
              <dd>{remedy}</dd>
            </div>
          ))}
        </dl>
        <p className="second text-sm">Common practice, no source.</p>
      </section>
    </div>
  )
}

function Row({ name, children }: { readonly name: string; readonly children: React.ReactNode }) {
  return (
    <div className="grid grid-cols-[9rem_1fr] gap-3 border-t hairline py-2">
      <dt className="second">{name}</dt>
      <dd>{children}</dd>
    </div>
  )
}

/** How like units become one piece, and where to look while joining. */
export function AssemblyWords({
  assembly,
  partName,
  sightMm,
  mount,
  joins,
  preferences,
}: {
  readonly assembly: Assembly
  readonly partName: string
  /** Pictures of the joins, with their words. */
  readonly joins: ReactNode
  readonly sightMm: number | null
  /** What carries it, where something does: its name, where it is, and the sheet it is folded from. */
  readonly mount: { readonly id: string; readonly name: string; readonly sheetMm: number } | null
  readonly preferences: Preferences
}) {
  const { units, sight } = assembly
  return (
    <section aria-labelledby="joining" className="mt-10">
      <h2 id="joining" className="text-2xl">
        Joining {plural(units, partName)}
      </h2>
      {joins}
      <dl className="mt-2">
        <Row name="Turn">
          {Math.round(36_000 / units) / 100} degrees from one to the next; {units} of them close the round
        </Row>
        {sight && sightMm !== null ? (
          <Row name="Mark">
            {sight.says}: {formatLength(sightMm, preferences)}
          </Row>
        ) : null}
        {mount && assembly.mount ? (
          <Row name="Mount">
            <Link href={`/designs/${mount.id}`} className="underline">
              {mount.name}
            </Link>{' '}
            from a sheet of {formatLength(mount.sheetMm, preferences)}: it covers the hole and{' '}
            {formatLength(assembly.mount.overlapMm, preferences)} around it
          </Row>
        ) : null}
      </dl>
    </section>
  )
}

/** Marks to measure off, and the sums that tell whether they are right, on this sheet. */
export function MarkWords({
  marks,
  sheetMm,
  preferences,
}: {
  readonly marks: Marks
  readonly sheetMm: number
  readonly preferences: Preferences
}) {
  const mm = (share: number) => formatExact(Math.round(share * sheetMm * 100) / 100, preferences)
  return (
    <section aria-labelledby="marks">
      <h2 id="marks" className="text-2xl">
        Marks on a strip of {mm(1)}
      </h2>
      <p className="second">For those who measure: {marks.along}.</p>
      <dl className="mt-2 max-w-xl">
        {marks.at.map(({ name, share }) => (
          <div key={share} className="grid grid-cols-[1fr_auto] border-t hairline py-1">
            <dt>{name}</dt>
            <dd className="figure">{mm(share)}</dd>
          </div>
        ))}
      </dl>
      <ul className="mt-3">
        {marks.sums.map(({ says, terms, equals }) => (
          <li key={says}>
            {terms.map(({ times, share }) => `${times === 1 ? '' : `${times} x `}${mm(share)}`).join(' + ')} ={' '}
            {mm(equals)}
            <span className="second">: {says}</span>
          </li>
        ))}
      </ul>
    </section>
  )
}
