/** A grown-up's hand, mm: how high it is drawn, and the room it takes. The craft's common practice, no source. */
export const HAND = { highMm: 187, wideMm: 130, middleMm: 76 } as const

/** A finger from where it begins to its tip, and how thick it is. */
const FINGERS: readonly (readonly [x1: number, y1: number, x2: number, y2: number, thick: number])[] = [
  [-32, -34, -62, -84, 21],
  [-28, -88, -36, -158, 17],
  [-9, -92, -11, -178, 18],
  [11, -90, 15, -168, 17],
  [29, -82, 38, -140, 15],
]

/** A hand to scale, its wrist at the place given: so large are the pieces. */
export const HandBeside = ({ xMm, yMm }: { readonly xMm: number; readonly yMm: number }) => (
  <g
    transform={`translate(${xMm.toFixed(1)} ${yMm.toFixed(1)})`}
    opacity={0.16}
    fill="currentColor"
    stroke="currentColor"
    strokeLinecap="round"
  >
    <rect x={-38} y={-104} width={76} height={104} rx={24} strokeWidth={0} />
    {FINGERS.map(([x1, y1, x2, y2, thick]) => (
      <line key={x1} {...{ x1, y1, x2, y2 }} strokeWidth={thick} />
    ))}
  </g>
)
