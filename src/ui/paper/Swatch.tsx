interface SwatchProps {
  readonly front: string
  readonly back: string
  readonly className?: string
}

/** A paper as a small sheet with one corner turned over: front, and the back on the corner. */
export function Swatch({ front, back, className = 'h-5 w-7' }: SwatchProps) {
  return (
    <svg viewBox="0 0 28 20" className={`inline-block shrink-0 ${className}`} aria-hidden>
      <path d="M0.5 0.5H27.5V11L19 19.5H0.5Z" fill={front} stroke="var(--paper-line)" strokeOpacity="0.45" />
      <path d="M27.5 11H19V19.5Z" fill={back} stroke="var(--paper-line)" strokeOpacity="0.45" />
    </svg>
  )
}
