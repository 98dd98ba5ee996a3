/** Named tolerances. Each carries its unit; none is written bare anywhere else. */

/** Lengths closer than this are one length in yields and cuts: a hundredth of a micrometre. */
export const SAME_LENGTH_UM = 0.01

/** Probabilities closer than this are one probability. */
export const SAME_PROBABILITY = 1e-12

/** Points closer than this are one, in sheets whose side is 1: a ten-thousandth of a micrometre on 15 cm. */
export const SAME_POINT = 1e-9

/** A polygon smaller than this is none, in sheets whose side is 1. */
export const SAME_AREA = 1e-12

/** What a sum or two of rounding loses, of numbers about 1. */
export const ROUNDING = 1e-9

/** What a place loses that is carried through the folds of a whole program, in sheets whose side is 1. */
export const CARRIED_THROUGH = 1e-7

/** Shorter than this there is nothing to see or to hold, in sheets whose side is 1 or in mm. */
export const NOTHING_TO_SEE = 1e-6

/** A slope or a size as small as this is none. */
export const NEGLIGIBLE = 1e-12
