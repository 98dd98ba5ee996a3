import type { ReactNode } from 'react'

interface FieldProps {
  readonly id: string
  readonly label: string
  readonly hint?: ReactNode
  readonly error?: string | undefined
  readonly className?: string | undefined
  readonly children: (aria: {
    readonly id: string
    readonly 'aria-invalid': boolean
    readonly 'aria-describedby': string | undefined
  }) => ReactNode
}

/** A labelled field with its hint and its error; the control is told which texts describe it. */
export function Field({ id, label, hint, error, className = '', children }: FieldProps) {
  const described = [hint === undefined ? '' : `${id}-hint`, error === undefined ? '' : `${id}-error`]
    .filter((part) => part !== '')
    .join(' ')
  return (
    <div className={className}>
      <label htmlFor={id} className="mb-1 block text-sm font-semibold">
        {label}
      </label>
      {children({
        id,
        'aria-invalid': error !== undefined,
        'aria-describedby': described === '' ? undefined : described,
      })}
      {hint === undefined ? null : (
        <p id={`${id}-hint`} className="second mt-1 text-sm">
          {hint}
        </p>
      )}
      <FieldError id={id} error={error} />
    </div>
  )
}

/** The message at a field. */
export function FieldError({ id, error }: { readonly id: string; readonly error: string | undefined }) {
  return error === undefined ? null : (
    <p id={`${id}-error`} className="mt-1 text-sm font-semibold text-error">
      {error}
    </p>
  )
}
