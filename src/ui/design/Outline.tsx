interface OutlineProps {
  /** Points of a picture of 100 by 100. */
  readonly outline: string
  readonly colour?: string
  readonly className?: string
}

/** A finished piece by its outline alone. */
export const Outline = ({
  outline,
  colour = 'var(--color-base-300)',
  className = 'h-16 w-16',
}: OutlineProps) => (
  <svg viewBox="0 0 100 100" className={className} aria-hidden>
    <polygon points={outline} fill={colour} stroke="var(--paper-line)" strokeWidth="1.5" />
  </svg>
)
