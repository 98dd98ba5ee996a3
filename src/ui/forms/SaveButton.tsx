interface SaveButtonProps {
  readonly deed: string
  readonly form: { readonly pending: boolean; readonly done: boolean }
}

/** Saves what a form changes, and says when it is. */
export const SaveButton = ({ deed, form: { pending, done } }: SaveButtonProps) => (
  <div className="flex items-center gap-4">
    <button className="btn btn-primary" disabled={pending}>
      {deed}
    </button>
    <span role="status" className="second">
      {done ? 'Saved.' : ''}
    </span>
  </div>
)
