import type { ReactNode } from 'react'
import type { FieldValues, Path } from 'react-hook-form'
import { Field } from './Field'
import type { FormOf } from './useDeedForm'

interface FormFieldProps<Values extends FieldValues> {
  readonly form: FormOf<Values>
  readonly name: Path<Values>
  readonly label: string
  /** Where a page has several such forms; else the name. */
  readonly id?: string
  readonly hint?: ReactNode
  readonly className?: string
  /** Of the control itself, its width above all. */
  readonly control?: string
}

interface TextFieldProps<Values extends FieldValues> extends FormFieldProps<Values> {
  readonly type?: 'text' | 'password' | 'color' | 'date'
  readonly numeric?: boolean
  readonly autoComplete?: string
  readonly autoFocus?: boolean
  readonly onChange?: (text: string) => void
}

/** One line of text in a form. */
export function TextField<Values extends FieldValues>({
  form,
  name,
  label,
  id = name,
  hint,
  className,
  control = 'w-full',
  type = 'text',
  numeric = false,
  autoComplete = 'off',
  autoFocus = false,
  onChange,
}: TextFieldProps<Values>) {
  return (
    <Field id={id} label={label} hint={hint} error={form.error(name)} className={className}>
      {(aria) => (
        <input
          {...aria}
          {...form.register(name, {
            onChange: (event: { target: { value: string } }) => onChange?.(event.target.value),
          })}
          type={type}
          className={`input ${control}`}
          inputMode={numeric ? 'numeric' : undefined}
          autoComplete={autoComplete}
          autoFocus={autoFocus}
        />
      )}
    </Field>
  )
}

export type Choices = readonly (readonly [value: string, label: string])[]

/** Choices that are called what they are. */
export const namedSo = (names: readonly string[]): Choices => names.map((name) => [name, name])

interface SelectFieldProps<Values extends FieldValues> extends FormFieldProps<Values> {
  readonly choices: Choices
  readonly disabled?: boolean
  readonly onChange?: (value: string) => void
}

/** One of some choices in a form. */
export function SelectField<Values extends FieldValues>({
  form,
  name,
  label,
  id = name,
  hint,
  className,
  control = 'w-full',
  choices,
  disabled = false,
  onChange,
}: SelectFieldProps<Values>) {
  return (
    <Field id={id} label={label} hint={hint} error={form.error(name)} className={className}>
      {(aria) => (
        <select
          {...aria}
          {...form.register(name, {
            onChange: (event: { target: { value: string } }) => onChange?.(event.target.value),
          })}
          className={`select ${control}`}
          disabled={disabled}
        >
          {choices.map(([value, text]) => (
            <option key={value} value={value}>
              {text}
            </option>
          ))}
        </select>
      )}
    </Field>
  )
}

interface CheckFieldProps<Values extends FieldValues> {
  readonly form: FormOf<Values>
  readonly name: Path<Values>
  readonly label: string
  readonly className?: string
  readonly control?: string
}

/** Yes or no. */
export const CheckField = <Values extends FieldValues>({
  form,
  name,
  label,
  className = '',
  control = 'checkbox',
}: CheckFieldProps<Values>) => (
  <label className={`flex items-center gap-3 ${className}`}>
    <input type="checkbox" {...form.register(name)} className={control} />
    {label}
  </label>
)
