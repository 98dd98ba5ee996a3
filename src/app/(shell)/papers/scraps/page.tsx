import type { Metadata } from 'next'
import { openPage } from '@/app/_server/guard'
import { readDesignChoices } from '@/flows/read/brief-designs'
import { readScraps } from '@/flows/read/offcut-ideas'
import { countText } from '@/schema/fields'
import { Field } from '@/ui/forms/Field'
import { IdeaCards } from '@/ui/paper/IdeaCards'
import { EmptyState } from '@/ui/shell/EmptyState'

export const metadata: Metadata = { title: 'Tonight’s scraps' }

const USUAL_MINUTES = 40
const minutesText = countText({ name: 'how many minutes', min: 5, max: 600 })

interface ScrapsParams {
  readonly searchParams: Promise<Record<string, string | string[] | undefined>>
}

export default async function ScrapsPage({ searchParams }: ScrapsParams) {
  const { context, preferences } = await openPage()
  const asked = (await searchParams)['minutes']
  const typed = typeof asked === 'string' ? asked : String(USUAL_MINUTES)
  const read = minutesText.safeParse(typed)
  const ideas = read.success ? await readScraps(context, read.data) : []
  return (
    <>
      <h1 className="text-4xl">Tonight’s scraps</h1>
      <p className="second mt-1 max-w-prose">
        Three things to fold of offcuts that no project was promised: those that use most of them and of the
        time.
      </p>
      <form className="mt-4 mb-6 flex flex-wrap items-start gap-3">
        <Field
          id="minutes"
          label="Minutes there are"
          error={read.success ? undefined : read.error.issues[0]?.message}
        >
          {(aria) => (
            <input
              {...aria}
              name="minutes"
              className="input w-28"
              inputMode="numeric"
              defaultValue={typed.slice(0, 20)}
            />
          )}
        </Field>
        <button className="btn btn-primary mt-6">Suggest</button>
      </form>
      {read.success && ideas.length === 0 ? (
        <EmptyState
          title="Nothing comes of them"
          text="There are no free offcuts, or none large enough to fold in that time. What is left of your next cuts finds its way here."
        />
      ) : (
        <IdeaCards
          label="Three suggestions"
          ideas={ideas}
          choices={(await readDesignChoices(context)).choices}
          preferences={preferences}
        />
      )}
    </>
  )
}
