import { Link } from '../shell/Link'
import { SKILLS, type Family } from '@/core/design'
import type { DrawerPaper } from '@/flows/read/papers'
import type { readLibraryQuery } from '@/schema/designs-query'
import { Field } from '../forms/Field'
import { nounMany } from '../format'

interface LibraryWishesProps {
  readonly families: readonly Family[]
  readonly papers: readonly DrawerPaper[]
  readonly asked: ReturnType<typeof readLibraryQuery>
  readonly unit: 'cm' | 'in'
}

/** What the library is asked for: a form that only changes the address. */
export function LibraryWishes({
  families,
  papers,
  asked: { typed, fields, value },
  unit,
}: LibraryWishesProps) {
  const asks = Object.values(typed).some((text) => text !== '')
  return (
    <form
      method="get"
      className="mt-4 flex flex-wrap items-start gap-3"
      aria-label="What the library is asked for"
    >
      <Field id="wish-family" label="Kind">
        {(aria) => (
          <select {...aria} name="family" className="select w-36" defaultValue={value.family ?? ''}>
            <option value="">all</option>
            {families.map((family) => (
              <option key={family} value={family}>
                {nounMany(family)}
              </option>
            ))}
          </select>
        )}
      </Field>
      <Field id="wish-skill" label="Skill">
        {(aria) => (
          <select {...aria} name="skill" className="select w-36" defaultValue={value.skill ?? ''}>
            <option value="">any</option>
            {SKILLS.map((skill) => (
              <option key={skill}>{skill}</option>
            ))}
          </select>
        )}
      </Field>
      <Field id="wish-paper" label="From this paper">
        {(aria) => (
          <select {...aria} name="paper" className="select w-44" defaultValue={value.paperId ?? ''}>
            <option value="">any</option>
            {papers.map((paper) => (
              <option key={paper.id} value={paper.id}>
                {paper.name}
              </option>
            ))}
          </select>
        )}
      </Field>
      <Numbers typed={typed} fields={fields} unit={unit} />
      <label className="mt-8 flex items-center gap-2">
        <input
          type="checkbox"
          name="only"
          value="paper"
          className="checkbox rounded-sm"
          defaultChecked={value.paperOnly}
        />
        nothing but paper
      </label>
      <button className="btn mt-6 btn-primary">What can it become?</button>
      {asks ? (
        <Link href="/designs" className="btn mt-6 btn-ghost">
          Show all
        </Link>
      ) : null}
    </form>
  )
}

/** How large a square, and how many minutes. */
function Numbers({
  typed,
  fields,
  unit,
}: Pick<LibraryWishesProps['asked'], 'typed' | 'fields'> & Pick<LibraryWishesProps, 'unit'>) {
  return (
    <>
      <Field id="wish-sheet" label={`Square (${unit})`} error={fields['sheet']}>
        {(aria) => (
          <input
            {...aria}
            name="sheet"
            className="input w-24"
            autoComplete="off"
            placeholder={unit === 'cm' ? '15' : '6'}
            defaultValue={typed['sheet']}
          />
        )}
      </Field>
      <Field id="wish-minutes" label="In minutes" error={fields['minutes']}>
        {(aria) => (
          <input
            {...aria}
            name="minutes"
            className="input w-24"
            inputMode="numeric"
            autoComplete="off"
            placeholder="60"
            defaultValue={typed['minutes']}
          />
        )}
      </Field>
    </>
  )
}
