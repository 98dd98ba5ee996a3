import type { FieldValues, Path } from 'react-hook-form'
import { FieldError } from './Field'
import type { Choices } from './fields'
import type { FormOf } from './useDeedForm'

interface InlineProps<Values extends FieldValues> {
  readonly form: FormOf<Values>
  readonly name: Path<Values>
  /** Said to who cannot see the sentence around it. */
  readonly label: string
}

const LOOK =
  'inline-block h-10 rounded-sm border-b-2 border-dotted border-secondary bg-transparent font-semibold text-base-content aria-invalid:border-solid aria-invalid:border-error'

const aria = <Values extends FieldValues>(form: FormOf<Values>, name: Path<Values>) => ({
  id: name,
  'aria-invalid': form.error(name) !== undefined,
  'aria-describedby': form.error(name) === undefined ? undefined : `${name}-error`,
})

/** A number in a sentence. What is wrong with it is said below, by `InlineErrors`. */
export function InlineText<Values extends FieldValues>({
  form,
  name,
  label,
  numeric = false,
}: InlineProps<Values> & { readonly numeric?: boolean }) {
  return (
    <input
      {...aria(form, name)}
      {...form.register(name)}
      aria-label={label}
      className={`${LOOK} min-w-[4.5ch] [field-sizing:content] max-w-40 px-1 text-center`}
      // Where a field cannot grow with its text.
      size={6}
      inputMode={numeric ? 'numeric' : undefined}
      autoComplete="off"
    />
  )
}

/** One of some choices in a sentence. */
export function InlineSelect<Values extends FieldValues>({
  form,
  name,
  label,
  choices,
  onChange,
}: InlineProps<Values> & { readonly choices: Choices; readonly onChange?: (value: string) => void }) {
  return (
    <select
      {...aria(form, name)}
      {...form.register(name, {
        onChange: (event: { target: { value: string } }) => onChange?.(event.target.value),
      })}
      aria-label={label}
      className={`${LOOK} [field-sizing:content] max-w-full cursor-pointer px-1`}
    >
      {choices.map(([value, text]) => (
        <option key={value} value={value}>
          {text}
        </option>
      ))}
    </select>
  )
}

/** What is wrong with the fields of a sentence, below it. */
export function InlineErrors<Values extends FieldValues>({
  form,
  names,
}: {
  readonly form: FormOf<Values>
  readonly names: readonly Path<Values>[]
}) {
  return names.map((name) => <FieldError key={name} id={name} error={form.error(name)} />)
}
