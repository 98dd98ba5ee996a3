/**
 * What people say of a paper before they know numbers, and the grammage and caliper we take until they do.
 * Source: common practice, no source (copier 80 g/m2 about 0.10 mm; thin folding paper 50 to 70 g/m2 about
 * 0.06 to 0.08 mm; heavier textured 90 to 120 g/m2 about 0.12 to 0.16 mm).
 */
export const FEELS = {
  thin: { label: 'thin, crisp folding paper', grammageGsm: 60, caliperMm: 0.07 },
  copier: { label: 'copier paper', grammageGsm: 80, caliperMm: 0.1 },
  soft: { label: 'soft and a little fluffy', grammageGsm: 70, caliperMm: 0.11 },
  heavy: { label: 'heavy or textured', grammageGsm: 105, caliperMm: 0.14 },
} as const satisfies Record<
  string,
  { readonly label: string; readonly grammageGsm: number; readonly caliperMm: number }
>

/** What a paper is taken for while nobody has said which: copier paper. */
export const USUAL_CALIPER_MM: number = FEELS.copier.caliperMm

export type Feel = keyof typeof FEELS

/**
 * What is printed on a paper. A fine pattern keeps creases in sight from near; a bold one hides them, and a shape is
 * lost in it. Source: common practice.
 */
export const PATTERNS = {
  plain: { label: 'plain' },
  fine: { label: 'a fine pattern' },
  bold: { label: 'a bold pattern' },
} as const satisfies Record<string, { readonly label: string }>

export type Pattern = keyof typeof PATTERNS

/** How the surface of a paper is; what is not smooth takes a crease less sharply. Source: common practice. */
export const TEXTURES = {
  smooth: { label: 'smooth' },
  ribbed: { label: 'ribbed or laid' },
  crinkled: { label: 'crinkled' },
  fibrous: { label: 'with long fibres' },
} as const satisfies Record<string, { readonly label: string }>

export type Texture = keyof typeof TEXTURES

/** Along which side of a whole sheet the fibres of a paper run: it folds and tears more cleanly that way. */
export const GRAINS = {
  unknown: { label: 'not known' },
  long: { label: 'along the long side' },
  short: { label: 'along the short side' },
} as const satisfies Record<string, { readonly label: string }>

export type Grain = keyof typeof GRAINS

/** A stack's thickness in mm: layers x caliper. */
export const thicknessMm = (layers: number, caliperMm: number): number => layers * caliperMm
